package aperta.server.job;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import aperta.server.http.NotFound;
import com.github.kagkarlsson.scheduler.task.ExecutionContext;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import jakarta.json.JsonObject;
import java.time.Instant;
import java.util.UUID;
import java.util.function.LongConsumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.transaction.CannotCreateTransactionException;

@ExtendWith(MockitoExtension.class)
class JobTaskTest {
    private static final UUID ID = UUID.randomUUID();

    @Mock
    private JobService jobs;

    @Mock
    private JobRunner runner;

    @Mock
    private ObjectProvider<JobRunner> runners;

    private final Job job = new Job(
            ID,
            UUID.randomUUID(),
            null,
            null,
            Job.Kind.RENDER,
            "Opening",
            Job.State.WAITING,
            0,
            120,
            "",
            JsonObject.EMPTY_JSON_OBJECT,
            null,
            Instant.EPOCH,
            null,
            null);

    @BeforeEach
    void arrange() {
        when(jobs.get(ID)).thenReturn(job);
        when(runner.kind()).thenReturn(Job.Kind.RENDER);
        when(runners.stream()).thenReturn(Stream.of(runner));
    }

    private void run() {
        OneTimeTask<Void> task = (OneTimeTask<Void>) new JobTask(jobs, runners).job();
        task.executeOnce(new TaskInstance<>(JobService.TASK, ID + ":1"), mock(ExecutionContext.class));
    }

    @Test
    void aFinishedJobHasItsFile() {
        when(runner.run(eq(job), any(), any())).thenReturn("/renders/1.mp4");
        run();
        verify(jobs).started(ID);
        verify(jobs).finished(ID, "/renders/1.mp4");
    }

    @Test
    void aFailureIsKeptWithItsSentence() {
        when(runner.run(eq(job), any(), any())).thenThrow(new IllegalArgumentException("Frame 7: the disk is full."));
        run();
        verify(jobs).failed(ID, "Frame 7: the disk is full.");
        verify(runner).failed(job, "Frame 7: the disk is full.");
        verify(jobs, never()).finished(any(), any());
    }

    @Test
    void aJobCancelledWhileItWaitedIsNotBegun() {
        when(jobs.cancelled(ID)).thenReturn(true);
        run();
        verify(runner, never()).run(any(), any(), any());
        verify(jobs).failed(eq(ID), any());
    }

    /** A database that is gone for a moment: the work goes on, and its end is told once it answers. */
    @Test
    void aLostConnectionEndsNoJob() {
        when(runner.run(eq(job), any(), any())).thenAnswer(call -> {
            call.<LongConsumer>getArgument(1).accept(1);
            return "/renders/1.mp4";
        });
        doThrow(new DataAccessResourceFailureException("gone")).when(jobs).progress(any(), anyLong());
        doThrow(new DataAccessResourceFailureException("gone"))
                .doThrow(new CannotCreateTransactionException("gone"))
                .doNothing()
                .when(jobs)
                .finished(ID, "/renders/1.mp4");
        run();
        verify(runner, times(1)).run(any(), any(), any());
        verify(jobs, times(3)).finished(ID, "/renders/1.mp4");
        verify(jobs, never()).failed(any(), any());
    }

    @Test
    void aJobThatIsNoMoreEnds() {
        when(runner.run(eq(job), any(), any())).thenThrow(new NotFound("There is no such media."));
        run();
        verify(jobs, never()).finished(any(), any());
    }
}

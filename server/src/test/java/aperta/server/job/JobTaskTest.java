package aperta.server.job;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import com.github.kagkarlsson.scheduler.task.ExecutionContext;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import com.github.kagkarlsson.scheduler.task.helper.OneTimeTask;
import java.time.Instant;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.springframework.beans.factory.ObjectProvider;

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
            null,
            "H264",
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
        task.executeOnce(new TaskInstance<>(JobService.TASK, ID.toString()), mock(ExecutionContext.class));
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
}

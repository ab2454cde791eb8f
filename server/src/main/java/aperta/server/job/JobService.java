package aperta.server.job;

import aperta.server.http.Conflict;
import aperta.server.http.NotFound;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.TaskInstance;
import jakarta.json.JsonObject;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps jobs, and has them run by the scheduler, here or in any process with the same database. */
@Service
public class JobService {
    static final String TASK = "job";

    private final JobRows jobs;
    private final ObjectProvider<SchedulerClient> scheduler;

    JobService(JobRows jobs, ObjectProvider<SchedulerClient> scheduler) {
        this.jobs = jobs;
        this.scheduler = scheduler;
    }

    @Transactional
    public Job startImport(UUID project, UUID media, String title, long total) {
        JobRow row = new JobRow(Job.Kind.IMPORT, project, title, JsonObject.EMPTY_JSON_OBJECT, total);
        row.mediaId = media;
        return start(row);
    }

    @Transactional
    public Job startRender(UUID project, UUID shot, String title, JsonObject settings, long total) {
        return startOf(Job.Kind.RENDER, project, shot, title, settings, total);
    }

    /** Long work for a shot. */
    @Transactional
    public Job startOf(Job.Kind kind, UUID project, UUID shot, String title, JsonObject settings, long total) {
        JobRow row = new JobRow(kind, project, title, settings, total);
        row.shotId = shot;
        return start(row);
    }

    private Job start(JobRow row) {
        jobs.save(row);
        schedule(row.id);
        return row.job();
    }

    private void schedule(UUID id) {
        // A name for each attempt: the one before may not have left the scheduler's table yet.
        String attempt = id + ":" + UUID.randomUUID();
        scheduler.getObject().scheduleIfNotExists(new TaskInstance<Void>(TASK, attempt), Instant.now());
    }

    /** The job that an attempt is one of. */
    static UUID jobOf(String attempt) {
        return UUID.fromString(attempt.substring(0, 36));
    }

    public List<Job> of(UUID project) {
        return jobs.findTop100ByProjectIdOrderByCreatedAtDesc(project).stream()
                .map(JobRow::job)
                .toList();
    }

    /** Of all jobs, as text. */
    public Set<String> ids() {
        return jobs.ids().stream().map(UUID::toString).collect(Collectors.toSet());
    }

    public Job get(UUID id) {
        return row(id).job();
    }

    private JobRow row(UUID id) {
        return jobs.findById(id).orElseThrow(() -> new NotFound("There is no such job."));
    }

    @Transactional
    public Job cancel(UUID id) {
        JobRow row = row(id);
        if (row.state == Job.State.WAITING || row.state == Job.State.RUNNING) {
            jobs.cancel(id);
        }
        return row.job();
    }

    @Transactional
    public Job retry(UUID id) {
        JobRow row = row(id);
        if (row.state != Job.State.FAILED && row.state != Job.State.CANCELLED) {
            throw new Conflict("Only a job that failed or was cancelled can be tried again.");
        }
        row.state = Job.State.WAITING;
        row.cancel = false;
        row.done = 0;
        row.message = "";
        row.finishedAt = null;
        schedule(id);
        return row.job();
    }

    @Transactional
    public void started(UUID id) {
        jobs.started(id, Instant.now());
    }

    @Transactional
    public void progress(UUID id, long done) {
        jobs.progress(id, done);
    }

    public boolean cancelled(UUID id) {
        Boolean flag = jobs.cancelled(id);
        return flag == null || flag;
    }

    @Transactional
    public void finished(UUID id, String file) {
        end(id, row -> {
            row.state = Job.State.DONE;
            row.done = row.total;
            row.file = file;
        });
    }

    @Transactional
    public void failed(UUID id, String why) {
        end(id, row -> {
            row.state = row.cancel ? Job.State.CANCELLED : Job.State.FAILED;
            row.message = why;
        });
    }

    private void end(UUID id, Consumer<JobRow> how) {
        jobs.findById(id).ifPresent(row -> {
            how.accept(row);
            row.finishedAt = Instant.now();
            jobs.save(row);
        });
    }
}

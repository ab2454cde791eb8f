package aperta.server.job;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The one task that the scheduler knows: run the job of this id. When the process dies, another run picks it up. */
@Configuration
class JobTask {
    private static final Logger LOG = LoggerFactory.getLogger(JobTask.class);
    private static final long BETWEEN_MS = 250;

    private final JobService jobs;
    private final ObjectProvider<JobRunner> runners;

    JobTask(JobService jobs, ObjectProvider<JobRunner> runners) {
        this.jobs = jobs;
        this.runners = runners;
    }

    @Bean
    Task<Void> job() {
        return Tasks.oneTime(JobService.TASK, Void.class)
                .onDeadExecutionRevive()
                .execute((instance, context) -> run(UUID.fromString(instance.getId())));
    }

    private void run(UUID id) {
        Job job = jobs.get(id);
        JobRunner runner =
                runners.stream().filter(r -> r.kind() == job.kind()).findFirst().orElseThrow();
        try {
            if (jobs.cancelled(id)) {
                throw new IllegalStateException("It was cancelled before it began.");
            }
            jobs.started(id);
            Watch watch = new Watch(id);
            jobs.finished(id, runner.run(job, watch, watch));
        } catch (RuntimeException e) {
            LOG.warn("The job '{}' ended: {}", job.title(), e.getMessage());
            LOG.debug("Why", e);
            jobs.failed(id, e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage());
            runner.failed(job, e.getMessage());
        }
    }

    /** Tells the database about progress, and asks it for a wish to cancel, a few times a second. */
    private final class Watch implements LongConsumer, BooleanSupplier {
        private final UUID id;
        private long told;
        private long asked;
        private boolean cancelled;

        Watch(UUID id) {
            this.id = id;
        }

        @Override
        public void accept(long done) {
            long now = System.currentTimeMillis();
            if (now - told >= BETWEEN_MS) {
                told = now;
                jobs.progress(id, done);
            }
        }

        @Override
        public boolean getAsBoolean() {
            long now = System.currentTimeMillis();
            if (now - asked >= BETWEEN_MS) {
                asked = now;
                cancelled = jobs.cancelled(id);
            }
            return cancelled;
        }
    }
}

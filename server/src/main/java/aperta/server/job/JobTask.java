package aperta.server.job;

import aperta.core.render.RenderException;
import aperta.server.http.NotFound;
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
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;

/** The one task that the scheduler knows: run the job of this id. When the process dies, another run picks it up. */
@Configuration
class JobTask {
    private static final Logger LOG = LoggerFactory.getLogger(JobTask.class);
    private static final long BETWEEN_MS = 250;
    private static final long LONGEST_PAUSE_MS = 5000;
    private static final int MOST_ATTEMPTS = 40;

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
                .execute((instance, context) -> run(JobService.jobOf(instance.getId())));
    }

    /** A database that is gone for a moment doesn't end a job: it is asked again, and what was lost is done again. */
    private void run(UUID id) {
        for (int attempt = 1; ; attempt++) {
            try {
                once(id);
                return;
            } catch (NotFound e) {
                LOG.info("A job whose project is deleted ends");
                return;
            } catch (DataAccessException | TransactionException e) {
                if (attempt == MOST_ATTEMPTS) {
                    throw e;
                }
                LOG.warn("The database didn't answer a job; it is tried again");
                pause(attempt);
            }
        }
    }

    private void once(UUID id) {
        Job job = jobs.get(id);
        JobRunner runner =
                runners.stream().filter(r -> r.kind() == job.kind()).findFirst().orElseThrow();
        String file;
        try {
            if (jobs.cancelled(id)) {
                throw new IllegalStateException("It was cancelled before it began.");
            }
            jobs.started(id);
            Watch watch = new Watch(id);
            file = runner.run(job, watch, watch);
        } catch (DataAccessException | TransactionException | NotFound e) {
            throw e;
        } catch (RuntimeException e) {
            LOG.warn("The job '{}' ended: {}", job.title(), e.getMessage());
            LOG.debug("Why", e);
            String why = e instanceof IllegalArgumentException
                            || e instanceof RenderException
                            || e instanceof IllegalStateException && e.getMessage() != null
                    ? e.getMessage()
                    : "Something went wrong in Aperta.";
            jobs.failed(id, why);
            runner.failed(job, why);
            return;
        }
        finished(id, file);
    }

    /** Work that is done isn't done again for want of an answer. */
    private void finished(UUID id, String file) {
        for (int attempt = 1; ; attempt++) {
            try {
                jobs.finished(id, file);
                return;
            } catch (DataAccessException | TransactionException e) {
                if (attempt == MOST_ATTEMPTS) {
                    throw e;
                }
                pause(attempt);
            }
        }
    }

    private static void pause(int attempt) {
        try {
            Thread.sleep(Math.min(LONGEST_PAUSE_MS, BETWEEN_MS * attempt));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Stopped while the database didn't answer.", e);
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
                ask(() -> jobs.progress(id, done));
            }
        }

        @Override
        public boolean getAsBoolean() {
            long now = System.currentTimeMillis();
            if (now - asked >= BETWEEN_MS) {
                asked = now;
                ask(() -> cancelled = jobs.cancelled(id));
            }
            return cancelled;
        }

        /** Progress that isn't told now is told a moment later. */
        private void ask(Runnable question) {
            try {
                question.run();
            } catch (DataAccessException | TransactionException e) {
                LOG.debug("The database didn't answer while a job ran", e);
            }
        }
    }
}

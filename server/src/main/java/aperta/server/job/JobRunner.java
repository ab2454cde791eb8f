package aperta.server.job;

import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;

/** Does one kind of long work. */
public interface JobRunner {
    Job.Kind kind();

    /**
     * Does the work from the start; a job that was broken off by the end of the process is run again.
     *
     * @return the name of the finished file in the data folder, or nothing
     * @throws RuntimeException whose message is a plain sentence
     */
    String run(Job job, LongConsumer progress, BooleanSupplier cancelled);

    /** After the job has failed or was cancelled. */
    default void failed(Job job, String why) {}
}

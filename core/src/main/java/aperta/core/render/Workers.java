package aperta.core.render;

import aperta.core.picture.Bands;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.ForkJoinTask;
import java.util.concurrent.RecursiveAction;

/** A number of threads that share bands of rows among them. */
public final class Workers implements Bands, AutoCloseable {
    private final ForkJoinPool pool;

    public Workers(int threads) {
        pool = new ForkJoinPool(threads);
    }

    /** As many threads as the machine has cores. */
    public static Workers everyCore() {
        return new Workers(Runtime.getRuntime().availableProcessors());
    }

    @Override
    public void run(int rows, int height, Work work) {
        if (rows <= height) {
            if (rows > 0) {
                work.on(0, rows);
            }
            return;
        }
        List<RecursiveAction> bands = new ArrayList<>();
        for (int from = 0; from < rows; from += height) {
            bands.add(new Band(work, from, Math.min(rows, from + height)));
        }
        if (ForkJoinTask.inForkJoinPool()) {
            ForkJoinTask.invokeAll(bands);
        } else {
            pool.submit(() -> ForkJoinTask.invokeAll(bands)).join();
        }
    }

    @Override
    public void close() {
        pool.shutdown();
    }

    private static final class Band extends RecursiveAction {
        private static final long serialVersionUID = 1;
        private final transient Work work;
        private final int from;
        private final int to;

        Band(Work work, int from, int to) {
            this.work = work;
            this.from = from;
            this.to = to;
        }

        @Override
        protected void compute() {
            work.on(from, to);
        }
    }
}

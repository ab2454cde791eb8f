package aperta.bench;

import java.io.IOException;
import java.util.Arrays;
import java.util.Locale;

/** Several runs of the same work. */
record Times(double[] seconds) {
    /** Work that may fail. */
    interface Work {
        void run() throws IOException, InterruptedException;
    }

    static double once(Work work) throws IOException, InterruptedException {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e9;
    }

    /** Runs two kinds of work in turn, so that a slow moment of the machine meets both. */
    static Times[] inTurn(int rounds, Work one, Work other) throws IOException, InterruptedException {
        double[] a = new double[rounds];
        double[] b = new double[rounds];
        for (int i = 0; i < rounds; i++) {
            a[i] = once(one);
            b[i] = once(other);
        }
        return new Times[] {new Times(a), new Times(b)};
    }

    double median() {
        double[] sorted = seconds.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    String shown() {
        return String.format(
                Locale.ROOT,
                "%.2f s (%.2f to %.2f)",
                median(),
                Arrays.stream(seconds).min().orElse(0),
                Arrays.stream(seconds).max().orElse(0));
    }
}

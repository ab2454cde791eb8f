package aperta.core.picture;

/** Runs work on rows, in bands that don't depend on one another; how many run at once must not change any result. */
public interface Bands {
    /** One band after the other, on the calling thread. */
    Bands IN_TURN = (rows, height, work) -> {
        for (int from = 0; from < rows; from += height) {
            work.on(from, Math.min(rows, from + height));
        }
    };

    /** Calls {@code work} for bands of {@code height} rows that together are {@code 0 … rows}, and waits for all. */
    void run(int rows, int height, Work work);

    /** Work on the rows from (inclusive) … to (exclusive). */
    interface Work {
        void on(int from, int to);
    }
}

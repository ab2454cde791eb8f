package aperta.e2e;

import java.util.function.BooleanSupplier;

/** Waits for what must come true. */
final class Wait {
    private Wait() {}

    static void until(String what, int seconds, BooleanSupplier condition) {
        long end = System.nanoTime() + seconds * 1_000_000_000L;
        while (!condition.getAsBoolean()) {
            if (System.nanoTime() > end) {
                throw new AssertionError("Not within " + seconds + " s: " + what);
            }
            try {
                Thread.sleep(100);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }
    }
}

package aperta.media.ffmpeg;

import aperta.core.time.Rate;
import java.util.Arrays;

/**
 * When each frame that a file holds is to be seen, and which of them is seen on each frame of a clip of even rate: where
 * frames are missing the one before them stays, where they come more often than the rate says some aren't seen.
 */
public final class FrameTimes {
    /** In seconds, in order. */
    private final double[] times;

    /** For each frame of the clip, the number of the one that the file holds. */
    private final int[] seen;

    private FrameTimes(double[] times, int[] seen) {
        this.times = times;
        this.seen = seen;
    }

    /**
     * @param times in seconds, in order, at least one
     * @param rate of the clip
     * @param most frames that a clip may have
     * @throws MediaException where the times lead to more
     */
    static FrameTimes of(double[] times, Rate rate, long most) {
        long last = tick(times, times.length - 1, rate);
        if (last >= most) {
            throw new MediaException("The video says that it is " + Math.round(last / rate.framesPerSecond())
                    + " s long; the most is " + most + " frames.");
        }
        int[] seen = new int[(int) last + 1];
        int frame = 0;
        for (int n = 0; n < seen.length; n++) {
            while (frame + 1 < times.length && tick(times, frame + 1, rate) <= n) {
                frame++;
            }
            seen[n] = frame;
        }
        return new FrameTimes(times, seen);
    }

    /** Frames one after the other. */
    static FrameTimes even(double start, int count, Rate rate) {
        double[] times = new double[count];
        Arrays.setAll(times, i -> start + rate.seconds(i));
        return of(times, rate, Integer.MAX_VALUE);
    }

    private static long tick(double[] times, int frame, Rate rate) {
        return Math.round((times[frame] - times[0]) * rate.framesPerSecond());
    }

    /** How many frames the clip has. */
    public int frames() {
        return seen.length;
    }

    /** Whether each frame of the clip is one that the file holds, and all are seen. */
    public boolean isEven() {
        for (int n = 0; n < seen.length; n++) {
            if (seen[n] != n) {
                return false;
            }
        }
        return seen.length == times.length;
    }

    /** The number of the frame in the file that is seen on a frame of the clip. */
    int inFile(long frame) {
        return seen[(int) Math.max(0, Math.min(seen.length - 1, frame))];
    }

    double time(int inFile) {
        return times[inFile];
    }

    /** The number of the frame in the file whose time is nearest. */
    int nearest(double time) {
        int at = Arrays.binarySearch(times, time);
        if (at >= 0) {
            return at;
        }
        int after = -at - 1;
        if (after == 0) {
            return 0;
        }
        if (after == times.length) {
            return times.length - 1;
        }
        return times[after] - time < time - times[after - 1] ? after : after - 1;
    }
}

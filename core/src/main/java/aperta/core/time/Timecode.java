package aperta.core.time;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Frame numbers as hours, minutes, seconds and frames after SMPTE ST 12-1. Drop frame, written with {@code ;} before
 * the frames, leaves out the first two (at 60: four) numbers of each minute that isn't a tenth one, so that the count
 * keeps to the clock at 30000/1001 and 60000/1001.
 */
public final class Timecode {
    private static final Pattern SHAPE = Pattern.compile("(\\d{1,3}):(\\d{2}):(\\d{2})([:;])(\\d{2,3})");

    private Timecode() {}

    /** Whether the rate has a drop-frame count at all. */
    public static boolean canDrop(Rate rate) {
        return rate.denominator() == 1001 && rate.nominal() % 30 == 0;
    }

    public static String format(long frame, Rate rate, boolean dropFrame) {
        if (dropFrame && !canDrop(rate)) {
            throw new IllegalArgumentException("There is no drop-frame count at " + rate + " frames a second.");
        }
        int fps = rate.nominal();
        long n = Math.abs(frame);
        if (dropFrame) {
            int dropped = fps / 15;
            long perTen = 600L * fps - 9L * dropped;
            long perMinute = 60L * fps - dropped;
            long tens = n / perTen;
            long rest = n % perTen;
            n += 9L * dropped * tens + (rest < 60L * fps ? 0 : dropped * ((rest - 60L * fps) / perMinute + 1));
        }
        return String.format(
                Locale.ROOT,
                "%s%02d:%02d:%02d%s%02d",
                frame < 0 ? "-" : "",
                n / fps / 3600,
                n / fps / 60 % 60,
                n / fps % 60,
                dropFrame ? ";" : ":",
                n % fps);
    }

    /**
     * The frame that a timecode names.
     *
     * @throws IllegalArgumentException for text of another shape, and for numbers that the count does not have
     */
    public static long parse(String text, Rate rate) {
        Matcher m = SHAPE.matcher(text.trim());
        if (!m.matches()) {
            throw new IllegalArgumentException("'" + text + "' is not a timecode such as 00:00:01:12.");
        }
        long minutes = Long.parseLong(m.group(1)) * 60 + Long.parseLong(m.group(2));
        long seconds = Long.parseLong(m.group(3));
        long frames = Long.parseLong(m.group(5));
        int fps = rate.nominal();
        boolean drop = m.group(4).equals(";");
        if (drop && !canDrop(rate)) {
            throw new IllegalArgumentException("There is no drop-frame count at " + rate + " frames a second.");
        }
        int dropped = fps / 15;
        if (Long.parseLong(m.group(2)) > 59
                || seconds > 59
                || frames >= fps
                || drop && seconds == 0 && frames < dropped && minutes % 10 != 0) {
            throw new IllegalArgumentException("There is no timecode " + text + " at " + rate + " frames a second.");
        }
        long n = (minutes * 60 + seconds) * fps + frames;
        return drop ? n - dropped * (minutes - minutes / 10) : n;
    }
}

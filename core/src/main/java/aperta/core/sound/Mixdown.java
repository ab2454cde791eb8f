package aperta.core.sound;

import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Pace;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Rate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The sum of a shot's sound layers. Sample {@code n} sounds {@code n / 48000} s after the beginning of frame 0; a layer is
 * heard while its span, and those of its groups, hold the frame. Levels go evenly, as amplitudes, from frame to frame.
 */
public final class Mixdown {
    /** Samples a second. */
    public static final int RATE = 48_000;

    /** A level of this and below is silence. */
    public static final double SILENT = -60;

    private static final int BLOCK = 1 << 12;

    private final Shot shot;
    private final Samples samples;
    private final List<Layer> layers = new ArrayList<>();

    public Mixdown(Shot shot, Samples samples) {
        Moment moment = new Moment(shot, 0);
        // Groups that are used again are heard again.
        this.shot = moment.shot();
        this.samples = samples;
        for (Layer l : this.shot.everyLayer()) {
            if (l.content() instanceof Content.Sound
                    && moment.isHeard(l)
                    && this.shot.lineTo(l.id()).stream().noneMatch(Layer::hidden)) {
                layers.add(l);
            }
        }
    }

    /** Whether there is any sound in the shot. */
    public boolean isSilent() {
        return layers.isEmpty();
    }

    /** How many samples the shot lasts. */
    public long length() {
        Rate r = shot.format().rate();
        return Math.round((double) shot.length() * RATE * r.denominator() / r.numerator());
    }

    /** A decibel value as the factor of an amplitude: {@code 10^(dB/20)}. */
    public static double amplitude(double decibels) {
        return decibels <= SILENT ? 0 : StrictMath.pow(10, decibels / 20);
    }

    /** Samples from {@code from} on, left and right in turn; they may go beyond ±1. */
    public float[] read(long from, int count) {
        float[] sum = new float[count * 2];
        for (Layer layer : layers) {
            for (int done = 0; done < count; done += BLOCK) {
                add(layer, from + done, Math.min(BLOCK, count - done), sum, done * 2);
            }
        }
        return sum;
    }

    private void add(Layer layer, long from, int count, float[] sum, int at) {
        double perSample = perSample(shot.format().rate());
        double perFrame = 1 / perSample(rateOf(layer));
        String media = ((Content.Sound) layer.content()).media();
        Line line = new Line(shot.lineTo(layer.id()));
        double first = line.content(from * perSample);
        double last = line.content((from + count - 1) * perSample);
        boolean even = line.isEven();
        long lowest = (long) Math.floor(Math.min(first, last) * perFrame) - 2;
        int span = (int) Math.min(1 << 24, Math.ceil(Math.abs(last - first) * perFrame) + 5);
        float[] some = new float[span * 2];
        samples.read(media, lowest, some);
        long gainFrame = Long.MIN_VALUE;
        double gain = 0;
        double next = 0;
        for (int i = 0; i < count; i++) {
            double frame = (from + i) * perSample;
            long whole = (long) Math.floor(frame + 1e-9);
            if (!line.holds(whole)) {
                continue;
            }
            if (whole != gainFrame) {
                gain = whole == gainFrame + 1 ? next : level(layer, whole);
                next = level(layer, whole + 1);
                gainFrame = whole;
            }
            double g = gain + (next - gain) * (frame - whole);
            double pos = line.content(frame) * perFrame - lowest;
            double exact = even ? Math.rint(pos) : pos;
            int k = (int) Math.floor(exact);
            if (g == 0 || k < 0 || k >= span) {
                continue;
            }
            double t = exact - k;
            int l = k * 2;
            int r = Math.min(k + 1, span - 1) * 2;
            sum[at + i * 2] += (float) (g * (some[l] + (some[r] - some[l]) * t));
            sum[at + i * 2 + 1] += (float) (g * (some[l + 1] + (some[r + 1] - some[l + 1]) * t));
        }
    }

    /** Frames in each sample. */
    private static double perSample(Rate rate) {
        return (double) rate.numerator() / rate.denominator() / RATE;
    }

    /** The rate in whose frames a layer's content is counted: that of the shot that it lies in. */
    private Rate rateOf(Layer layer) {
        Rate rate = shot.format().rate();
        for (Layer l : shot.lineTo(layer.id())) {
            if (l.content() instanceof Content.Group g && g.format().isPresent()) {
                rate = g.format().get().rate();
            }
        }
        return rate;
    }

    private double level(Layer layer, long frame) {
        Property<?> level = Property.named(layer, "sound.level");
        boolean still = level.get().apply(layer).signals().isEmpty();
        double decibels = still
                ? Property.part(level.at(layer, shot.ownFrame(layer.id(), frame)), 0)
                : new Moment(shot, frame).value(layer.id(), "sound.level", 0, 0);
        return amplitude(decibels);
    }

    /** How the time of a layer lies in that of the shot. */
    private record Line(List<Layer> line) {
        /** Whether samples come one by one, as they were recorded. */
        boolean isEven() {
            return line.stream().allMatch(l -> l.pace().equals(Pace.EVEN));
        }

        /** The frame of the content at a frame of the shot. */
        double content(double frame) {
            double holding = frame;
            for (Layer l : line) {
                holding = l.pace().at(l.span().inside(holding), l.span());
            }
            return holding;
        }

        boolean holds(double frame) {
            double holding = frame;
            for (Layer l : line) {
                if (!l.span().contains(holding)) {
                    return false;
                }
                holding = l.pace().at(l.span().inside(holding), l.span());
            }
            return true;
        }
    }

    /** Samples as 16 bits, the lower byte first, what is too loud cut off. */
    public static byte[] sixteen(float[] samples) {
        byte[] out = new byte[samples.length * 2];
        for (int i = 0; i < samples.length; i++) {
            int v = Math.round(Math.max(-1, Math.min(1, samples[i])) * 32767f);
            out[i * 2] = (byte) v;
            out[i * 2 + 1] = (byte) (v >> 8);
        }
        return out;
    }

    /** The largest amplitude of each of {@code count} stretches of a medium, of both channels. */
    public static float[] peaks(Samples samples, String media, int count) {
        long length = samples.length(media);
        float[] peaks = new float[count];
        float[] some = new float[BLOCK * 2];
        for (long at = 0; at < length; at += BLOCK) {
            Arrays.fill(some, 0);
            samples.read(media, at, some);
            for (int i = 0; i < BLOCK && at + i < length; i++) {
                int into = (int) Math.min(count - 1, (at + i) * count / length);
                float loud = Math.max(Math.abs(some[i * 2]), Math.abs(some[i * 2 + 1]));
                peaks[into] = Math.max(peaks[into], loud);
            }
        }
        return peaks;
    }
}

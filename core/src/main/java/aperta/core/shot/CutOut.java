package aperta.core.shot;

import aperta.core.time.Animated;
import java.util.List;
import java.util.Optional;

/**
 * What of a clip a figure is: brushed on some frames, and carried from there through others. Frames are the clip's own.
 *
 * @param strokes in the order in which they were brushed
 * @param carried what was found; without it nothing of the clip is seen
 * @param tidy what of it is taken for a mistake
 * @param tone what is done to the rest, each frame alike
 * @param clean from how far inside the figure the colours of its edge are taken, as a Gaussian's σ in pixels of the clip; 0
 *     for the colours as they are, mixed with what was behind it
 */
public record CutOut(
        List<BrushStroke> strokes, Optional<Carried> carried, Tidy tidy, Cut.Tone tone, Animated<Double> clean) {
    public static final int MOST_STROKES = 500;
    /** From how far colours are taken unless somebody says otherwise. */
    public static final double USUAL_CLEAN = 5;

    /**
     * The coverage of the figure on consecutive frames.
     *
     * @param media a clip of as many pixels whose brightness is the coverage; its first frame is that of {@code first}
     * @param clip that the figure is cut out of
     * @param first frame of the clip that it is known on
     * @param sure how clearly figure and background were told apart on each, 0 to 1
     * @param area how much of the clip's picture the figure covers on each, 0 to 1
     */
    public record Carried(String media, Track.Clip clip, long first, List<Double> sure, List<Double> area) {
        public Carried {
            sure = List.copyOf(sure);
            area = List.copyOf(area);
            if (first < 0 || sure.isEmpty()) {
                throw new IllegalArgumentException("A cut-out is known on one frame at least, from 0 on.");
            }
            if (!sure.stream().allMatch(s -> s >= 0 && s <= 1)) {
                throw new IllegalArgumentException("How sure a cut-out is lies between 0 and 1.");
            }
            if (area.size() != sure.size() || !area.stream().allMatch(a -> a >= 0 && a <= 1)) {
                throw new IllegalArgumentException("A cut-out has an area between 0 and 1 on each of its frames.");
            }
        }

        public long last() {
            return first + sure.size() - 1;
        }

        /** How sure it is on a frame. */
        public Optional<Double> sure(long frame) {
            return covers(frame) ? Optional.of(sure.get((int) (frame - first))) : Optional.empty();
        }

        /** How much of the clip's picture it covers on a frame. */
        public Optional<Double> area(long frame) {
            return covers(frame) ? Optional.of(area.get((int) (frame - first))) : Optional.empty();
        }

        public Carried withMedia(String other) {
            return new Carried(other, clip, first, sure, area);
        }

        public boolean covers(long frame) {
            return frame >= first && frame <= last();
        }
    }

    /**
     * What is taken for a mistake in the coverage of a figure.
     *
     * @param steady by which share what is there on one frame only goes, 0 to 1
     * @param holes shorter than this to each side are filled, in pixels of the clip
     * @param specks shorter than this to each side are removed
     */
    public record Tidy(Animated<Double> steady, Animated<Double> holes, Animated<Double> specks) {
        public static final Tidy NOTHING = new Tidy(Animated.of(0.0), Animated.of(0.0), Animated.of(0.0));

        public Tidy withSteady(Animated<Double> other) {
            return new Tidy(other, holes, specks);
        }

        public Tidy withHoles(Animated<Double> other) {
            return new Tidy(steady, other, specks);
        }

        public Tidy withSpecks(Animated<Double> other) {
            return new Tidy(steady, holes, other);
        }
    }

    public CutOut {
        strokes = List.copyOf(strokes);
        if (strokes.size() > MOST_STROKES) {
            throw new IllegalArgumentException("A figure is brushed with at most " + MOST_STROKES + " strokes.");
        }
    }

    /** Nothing is brushed yet. */
    public static CutOut begun() {
        return new CutOut(List.of(), Optional.empty(), Tidy.NOTHING, Cut.Tone.PLAIN, Animated.of(USUAL_CLEAN));
    }

    public CutOut withStrokes(List<BrushStroke> other) {
        return new CutOut(other, carried, tidy, tone, clean);
    }

    public CutOut withCarried(Optional<Carried> other) {
        return new CutOut(strokes, other, tidy, tone, clean);
    }

    public CutOut withTone(Cut.Tone other) {
        return new CutOut(strokes, carried, tidy, other, clean);
    }

    public CutOut withTidy(Tidy other) {
        return new CutOut(strokes, carried, other, tone, clean);
    }

    public CutOut withClean(Animated<Double> other) {
        return new CutOut(strokes, carried, tidy, tone, other);
    }
}

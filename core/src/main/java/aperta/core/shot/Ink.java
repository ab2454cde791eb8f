package aperta.core.shot;

import aperta.core.geometry.Affine;
import aperta.core.time.Animated;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * The strokes in which a layer is written, as they were set by hand. Those of words are for these words in this font; other words find
 * their strokes anew, and a larger size has larger strokes.
 *
 * @param words and {@code font}: empty where the layer is no text
 * @param size of the letters, 1 where it is none
 */
public record Ink(String words, String font, double size, List<Stroke> strokes) {
    public static final int MOST_STROKES = 4000;

    public Ink {
        strokes = List.copyOf(strokes);
        if (strokes.size() > MOST_STROKES) {
            throw new IllegalArgumentException("An ink has at most " + MOST_STROKES + " strokes.");
        }
        if (strokes.stream().map(Stroke::id).distinct().count() < strokes.size()) {
            throw new IllegalArgumentException("Two strokes of an ink have the same id.");
        }
        if (!(size > 0)) {
            throw new IllegalArgumentException("An ink is for letters of a size over 0.");
        }
    }

    /** Strokes for what a layer shows, its values being fixed. */
    public static Ink of(Content content, List<Stroke> strokes) {
        return content instanceof Content.Text t
                ? new Ink(t.words(), t.font(), t.fixed(LetterLook.Measure.SIZE), strokes)
                : new Ink("", "", 1, strokes);
    }

    public Ink withStrokes(List<Stroke> other) {
        return new Ink(words, font, size, other);
    }

    /** The same for letters whose font has another id. */
    public Ink withFont(UnaryOperator<String> name) {
        return font.isEmpty() ? this : new Ink(words, name.apply(font), size, strokes);
    }

    /** Whether it is for what a layer shows. */
    public boolean fits(Content content) {
        return content instanceof Content.Text t ? words.equals(t.words()) && font.equals(t.font()) : words.isEmpty();
    }

    /** How many times as large as these what a layer shows is, its values being fixed. */
    private double times(Content still) {
        return still instanceof Content.Text t ? t.fixed(LetterLook.Measure.SIZE) / size : 1;
    }

    public boolean isAsLargeAs(Content still) {
        return times(still) == 1;
    }

    /** The strokes for a layer whose values are fixed, in its own pixels. */
    public List<Stroke> on(Content still) {
        double times = times(still);
        return times == 1
                ? strokes
                : strokes.stream()
                        .map(s -> s.withPath(Animated.of(larger(s.line(), times))))
                        .toList();
    }

    private static BezierPath larger(BezierPath line, double times) {
        return line.transformed(Affine.scale(times, times)).feathered(times);
    }
}

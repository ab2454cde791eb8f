package aperta.core.shot;

import aperta.core.geometry.Point;
import aperta.core.time.Animated;
import java.util.List;

/** What a layer shows. Its own space has the origin in the middle of it; that of a group is the space of the shot. */
public sealed interface Content {

    /**
     * Lines of type. The origin is the middle of the block: half way between the cap height of the first line and the
     * last baseline; across, the line to which the lines are aligned.
     *
     * @param words the lines, parted by {@code \n}
     * @param font the id of a font
     * @param size the em in pixels
     * @param tracking extra space between letters, in thousandths of an em
     * @param leading from baseline to baseline, as a multiple of the size
     * @param edgeWidth of an outline stroke centred on the outline, in pixels; 0 for none
     */
    record Text(
            String words,
            String font,
            Align align,
            boolean kerning,
            Animated<Double> size,
            Animated<Double> tracking,
            Animated<Double> leading,
            Animated<Colour> fill,
            Animated<Double> fillOpacity,
            Animated<Colour> edge,
            Animated<Double> edgeWidth,
            Animated<Double> edgeOpacity)
            implements Content {
        public static final int MOST_LETTERS = 2000;

        public Text {
            if (words.length() > MOST_LETTERS) {
                throw new IllegalArgumentException("A text has at most " + MOST_LETTERS + " letters.");
            }
        }

        /** Plain white type in the middle. */
        public static Text of(String words, String font, double size) {
            return new Text(
                    words,
                    font,
                    Align.CENTRE,
                    true,
                    Animated.of(size),
                    Animated.of(0.0),
                    Animated.of(1.1),
                    Animated.of(Colour.WHITE),
                    Animated.of(1.0),
                    Animated.of(Colour.BLACK),
                    Animated.of(0.0),
                    Animated.of(1.0));
        }

        public Text withSize(Animated<Double> other) {
            return new Text(
                    words,
                    font,
                    align,
                    kerning,
                    other,
                    tracking,
                    leading,
                    fill,
                    fillOpacity,
                    edge,
                    edgeWidth,
                    edgeOpacity);
        }

        public Text withTracking(Animated<Double> other) {
            return new Text(
                    words, font, align, kerning, size, other, leading, fill, fillOpacity, edge, edgeWidth, edgeOpacity);
        }

        public Text withLeading(Animated<Double> other) {
            return new Text(
                    words,
                    font,
                    align,
                    kerning,
                    size,
                    tracking,
                    other,
                    fill,
                    fillOpacity,
                    edge,
                    edgeWidth,
                    edgeOpacity);
        }

        public Text withFill(Animated<Colour> other) {
            return new Text(
                    words,
                    font,
                    align,
                    kerning,
                    size,
                    tracking,
                    leading,
                    other,
                    fillOpacity,
                    edge,
                    edgeWidth,
                    edgeOpacity);
        }

        public Text withFillOpacity(Animated<Double> other) {
            return new Text(
                    words, font, align, kerning, size, tracking, leading, fill, other, edge, edgeWidth, edgeOpacity);
        }

        public Text withEdge(Animated<Colour> other) {
            return new Text(
                    words,
                    font,
                    align,
                    kerning,
                    size,
                    tracking,
                    leading,
                    fill,
                    fillOpacity,
                    other,
                    edgeWidth,
                    edgeOpacity);
        }

        public Text withEdgeWidth(Animated<Double> other) {
            return new Text(
                    words, font, align, kerning, size, tracking, leading, fill, fillOpacity, edge, other, edgeOpacity);
        }

        public Text withEdgeOpacity(Animated<Double> other) {
            return new Text(
                    words, font, align, kerning, size, tracking, leading, fill, fillOpacity, edge, edgeWidth, other);
        }
    }

    enum Align {
        LEFT,
        CENTRE,
        RIGHT
    }

    /** A moving clip, by the id of its media. */
    record Footage(String media) implements Content {}

    /** A picture that doesn't move, by the id of its media. */
    record Still(String media) implements Content {}

    /** A rectangle of a size, painted. */
    record Fill(Animated<Point> size, Paint paint) implements Content {}

    /** Layers that are put together by themselves first and then behave like one; the first lies on top. */
    record Group(List<Layer> layers) implements Content {
        public Group {
            layers = List.copyOf(layers);
        }
    }
}

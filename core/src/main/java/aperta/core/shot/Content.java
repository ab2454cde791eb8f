package aperta.core.shot;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.time.Animated;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;

/** What a layer shows. Its own space has the origin in the middle of it; that of a group is the space of the shot. */
public sealed interface Content {
    /** The layers that it holds, the uppermost first. */
    default List<Layer> inside() {
        return List.of();
    }

    /** Whether it can be seen, rather than only heard. */
    default boolean isSeen() {
        return true;
    }

    /** The id of the file that it comes from. */
    default Optional<String> file() {
        return Optional.empty();
    }

    /** The same from another file; where it comes from none, the same. */
    default Content withFile(String media) {
        return this;
    }

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

        /** Some of its words in its look, about a middle of their own. */
        public Text part(String some) {
            return new Text(
                    some,
                    font,
                    Align.CENTRE,
                    kerning,
                    size,
                    tracking,
                    leading,
                    fill,
                    fillOpacity,
                    edge,
                    edgeWidth,
                    edgeOpacity);
        }

        /** These words in the look of others. */
        public Text styledAs(Text other) {
            return new Text(
                    words,
                    other.font,
                    other.align,
                    other.kerning,
                    other.size,
                    other.tracking,
                    other.leading,
                    other.fill,
                    other.fillOpacity,
                    other.edge,
                    other.edgeWidth,
                    other.edgeOpacity);
        }

        public Text withSize(Animated<Double> other) {
            return with(d -> d.size = other);
        }

        public Text withTracking(Animated<Double> other) {
            return with(d -> d.tracking = other);
        }

        public Text withLeading(Animated<Double> other) {
            return with(d -> d.leading = other);
        }

        public Text withFill(Animated<Colour> other) {
            return with(d -> d.fill = other);
        }

        public Text withFillOpacity(Animated<Double> other) {
            return with(d -> d.fillOpacity = other);
        }

        public Text withEdge(Animated<Colour> other) {
            return with(d -> d.edge = other);
        }

        public Text withEdgeWidth(Animated<Double> other) {
            return with(d -> d.edgeWidth = other);
        }

        public Text withEdgeOpacity(Animated<Double> other) {
            return with(d -> d.edgeOpacity = other);
        }

        private Text with(Consumer<Draft> change) {
            Draft draft = new Draft(this);
            change.accept(draft);
            return draft.text();
        }

        /** A text in the making. */
        private static final class Draft {
            private final Text of;
            private Animated<Double> size;
            private Animated<Double> tracking;
            private Animated<Double> leading;
            private Animated<Colour> fill;
            private Animated<Double> fillOpacity;
            private Animated<Colour> edge;
            private Animated<Double> edgeWidth;
            private Animated<Double> edgeOpacity;

            private Draft(Text of) {
                this.of = of;
                size = of.size;
                tracking = of.tracking;
                leading = of.leading;
                fill = of.fill;
                fillOpacity = of.fillOpacity;
                edge = of.edge;
                edgeWidth = of.edgeWidth;
                edgeOpacity = of.edgeOpacity;
            }

            private Text text() {
                return new Text(
                        of.words,
                        of.font,
                        of.align,
                        of.kerning,
                        size,
                        tracking,
                        leading,
                        fill,
                        fillOpacity,
                        edge,
                        edgeWidth,
                        edgeOpacity);
            }
        }
    }

    enum Align {
        LEFT,
        CENTRE,
        RIGHT
    }

    /**
     * What comes from a file of pictures, and how it is tamed.
     */
    sealed interface Pictured extends Content {
        /** The id of its media. */
        String media();

        /** By how many stops it is brighter: each doubles the amounts of light. */
        Animated<Double> exposure();

        /** How far its colours are from the grey of the same luma: 0 for none, 1 for as they are. */
        Animated<Double> saturation();

        Pictured with(String media, Animated<Double> exposure, Animated<Double> saturation);

        @Override
        default Optional<String> file() {
            return Optional.of(media());
        }

        @Override
        default Pictured withFile(String other) {
            return with(other, exposure(), saturation());
        }
    }

    /** A moving clip. */
    record Footage(String media, Animated<Double> exposure, Animated<Double> saturation) implements Pictured {
        public Footage(String media) {
            this(media, Animated.of(0.0), Animated.of(1.0));
        }

        @Override
        public Footage with(String other, Animated<Double> otherExposure, Animated<Double> otherSaturation) {
            return new Footage(other, otherExposure, otherSaturation);
        }
    }

    /** A picture that doesn't move. */
    record Still(String media, Animated<Double> exposure, Animated<Double> saturation) implements Pictured {
        public Still(String media) {
            this(media, Animated.of(0.0), Animated.of(1.0));
        }

        @Override
        public Still with(String other, Animated<Double> otherExposure, Animated<Double> otherSaturation) {
            return new Still(other, otherExposure, otherSaturation);
        }
    }

    /**
     * A sound, by the id of its media; it is heard, not seen.
     *
     * @param level in decibels, 0 for as it was recorded
     */
    record Sound(String media, Animated<Double> level) implements Content {
        @Override
        public boolean isSeen() {
            return false;
        }

        @Override
        public Optional<String> file() {
            return Optional.of(media);
        }

        @Override
        public Sound withFile(String other) {
            return new Sound(other, level);
        }
    }

    /**
     * Paths with coats of paint on them.
     *
     * @param coats the first lies on top
     */
    record Shape(List<Path> paths, List<Coat> coats) implements Content {
        public static final int MOST_PATHS = 500;

        public Shape {
            paths = List.copyOf(paths);
            coats = List.copyOf(coats);
            if (paths.size() > MOST_PATHS || coats.size() > 32) {
                throw new IllegalArgumentException(
                        "A shape has at most " + MOST_PATHS + " paths and 32 coats of paint.");
            }
        }

        /** A path by its id, with a name for people; in the layer's own pixels. */
        public record Path(String id, String name, Animated<BezierPath> path) {
            public Path withPath(Animated<BezierPath> other) {
                return new Path(id, name, other);
            }
        }

        public Shape withPaths(List<Path> other) {
            return new Shape(other, coats);
        }

        public Shape withPath(Path path) {
            return withPaths(
                    paths.stream().map(p -> p.id().equals(path.id()) ? path : p).toList());
        }

        public Shape withCoat(Coat coat) {
            return new Shape(
                    paths,
                    coats.stream().map(c -> c.id().equals(coat.id()) ? coat : c).toList());
        }
    }

    /** A rectangle of a size, painted. */
    record Fill(Animated<Point> size, Paint paint) implements Content {}

    /** What lies in a group, once more: whatever is changed there is changed here too. */
    record Again(String group) implements Content {}

    /** Nothing by itself: what is done to it is done to all that lies below it in its group. */
    record Adjustment() implements Content {}

    /** Layers that are put together by themselves first and then behave like one; the first lies on top. */
    record Group(List<Layer> layers) implements Content {
        public Group {
            layers = List.copyOf(layers);
        }

        @Override
        public List<Layer> inside() {
            return layers;
        }
    }
}

package aperta.core.shot;

import aperta.core.colour.Colour;
import aperta.core.recipe.Parameter;
import aperta.core.time.Animated;
import aperta.core.time.Mix;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A coat of paint on the paths of a shape. Colours may be translucent; lengths are in the layer's own pixels. */
public sealed interface Coat {
    String id();

    Paint paint();

    /** 0 to 1, on top of the alpha of the paint. */
    Animated<Double> opacity();

    Coat withPaint(Paint other);

    Coat withOpacity(Animated<Double> other);

    /** What lies inside of the paths, where the winding number is not zero; open paths are closed by a line. */
    record Fill(String id, Paint paint, Animated<Double> opacity) implements Coat {
        public static Fill of(String id, Colour colour) {
            return new Fill(id, Paint.solid(colour), Animated.of(1.0));
        }

        @Override
        public Fill withPaint(Paint other) {
            return new Fill(id, other, opacity);
        }

        @Override
        public Fill withOpacity(Animated<Double> other) {
            return new Fill(id, paint, other);
        }
    }

    /** How a line ends; the words of SVG's {@code stroke-linecap}. */
    enum Cap {
        BUTT,
        ROUND,
        SQUARE
    }

    /** How a line turns at a corner; the words of SVG's {@code stroke-linejoin}. */
    enum Corner {
        MITRE,
        ROUND,
        BEVEL
    }

    /** A number of a stroke. Shares are of each path's own length. */
    enum Measure {
        WIDTH(Parameter.number("width", "Width", "px", 0, 4000, 6)),
        /** The part of each path that is drawn begins at this share of its length. */
        START(Parameter.number("start", "Start", "%", 0, 1, 0)),
        END(Parameter.number("end", "End", "%", 0, 1, 1)),
        /** Moves start and end along; on closed paths round and round. */
        OFFSET(Parameter.number("offset", "Offset", "%", -1000, 1000, 0)),
        /** The share of what is drawn over which the width grows from nothing. */
        TAPER_START(Parameter.number("taperStart", "Taper start", "%", 0, 1, 0)),
        TAPER_END(Parameter.number("taperEnd", "Taper end", "%", 0, 1, 0)),
        /** A mitre longer than this multiple of the width becomes a bevel; 4 is the default of SVG. */
        MITRE_LIMIT(Parameter.number("mitreLimit", "Mitre limit", "×", 1, 1000, 4)),
        /** How far into its pattern the dash begins. */
        DASH_OFFSET(Parameter.number("dashOffset", "Dash offset", "px", -1e6, 1e6, 0)),
        /** The σ of the Gaussian by which the line's edges are softened. */
        SOFTNESS(Parameter.number("softness", "Softness", "px", 0, 200, 0)),
        /** How far the light around the line reaches; 0 for none. */
        HALO(Parameter.number("halo", "Halo", "px", 0, 2000, 0)),
        /** How bright that light is right at the line. */
        HALO_LIGHT(Parameter.number("haloLight", "Halo light", "%", 0, 4, 0.6)),
        /** How wide the dot, or the layer in its place, is that runs at the drawing end; 0 for none. */
        HEAD(Parameter.number("head", "Head", "px", 0, 2000, 0)),
        HEAD_GLOW(Parameter.number("headGlow", "Head glow", "px", 0, 2000, 24)),
        /** How long the tail is that follows the dot. */
        HEAD_TAIL(Parameter.number("headTail", "Head tail", "px", 0, 1e5, 0)),
        /** Over how much of the way before the end of its path the dot fades to nothing. */
        HEAD_FADE(Parameter.number("headFade", "Head fades", "px", 0, 1e5, 60));

        private final Parameter parameter;

        Measure(Parameter parameter) {
            this.parameter = parameter;
        }

        /** Its name in documents, its label, unit and range. */
        public Parameter parameter() {
            return parameter;
        }

        /** Its name in documents. */
        public String word() {
            return parameter.name();
        }

        /** What it is where nothing is said. */
        public double usual() {
            return (Double) parameter.standard();
        }

        /** Whether the usual value does nothing to a line. */
        boolean usuallyDoesNothing() {
            return !DO_SOMETHING.contains(this);
        }

        private static final Set<Measure> DO_SOMETHING =
                EnumSet.of(WIDTH, MITRE_LIMIT, HALO_LIGHT, HEAD_GLOW, HEAD_FADE);
    }

    /** How the paths share the start and the end of a stroke. */
    enum Turns {
        /** Each is drawn from its own start to its own end: all begin and end together. */
        TOGETHER,
        /** The pen is as fast on all: all begin together, and the longest ends last. */
        EVEN,
        /** One after another, as if all were one line. */
        IN_TURN,
        /** Only on that path where the stroke starts; shares are of the length of all. */
        ON_ONE
    }

    /** In which order paths take their turns. */
    enum Order {
        DRAWN,
        ACROSS,
        DOWN,
        SHORTEST,
        LONGEST,
        RANDOM
    }

    /**
     * @param seed of the order where that is random, from 0 to 9999
     */
    record Pacing(Turns turns, Order order, long seed) {
        public static final Pacing TOGETHER = new Pacing(Turns.TOGETHER, Order.DRAWN, 1);

        public Pacing {
            if (seed < 0 || seed > 9999) {
                throw new IllegalArgumentException("A seed is a whole number from 0 to 9999.");
            }
        }
    }

    /**
     * A layer that runs at the drawing end of a line, its longer side as long as the head is wide.
     *
     * @param turns whether it turns with the line; what points right points along it
     */
    record Rider(String layer, boolean turns) {
        public Rider withLayer(String other) {
            return new Rider(other, turns);
        }
    }

    /**
     * A line along the paths.
     *
     * @param dash lengths of lines and gaps by turns, in pixels; empty for a whole line
     * @param pacing how several paths are drawn
     * @param head the colour of what runs at the drawing end
     * @param rider a layer that runs there in place of a dot
     * @param measures those that aren't as usual
     */
    record Stroke(
            String id,
            Paint paint,
            Animated<Double> opacity,
            Cap cap,
            Corner corner,
            List<Double> dash,
            Pacing pacing,
            Animated<Colour> head,
            Optional<Rider> rider,
            Map<Measure, Animated<Double>> measures)
            implements Coat {
        public static final int MOST_DASHES = 32;

        public Stroke {
            dash = List.copyOf(dash);
            boolean good = dash.stream().allMatch(d -> d >= 0 && d <= 1e6)
                    && (dash.isEmpty() || dash.stream().anyMatch(d -> d > 0));
            if (!good || dash.size() > MOST_DASHES) {
                throw new IllegalArgumentException(
                        "A dash is a list of at most " + MOST_DASHES + " lengths from 0 pixels, not all of them 0.");
            }
            measures = Map.copyOf(measures);
        }

        /** A plain line. */
        public static Stroke of(String id, Colour colour, double width) {
            return of(id, Paint.solid(colour)).with(Measure.WIDTH, Animated.of(width));
        }

        /** A line whose numbers are as usual. */
        public static Stroke of(String id, Paint paint) {
            return new Stroke(
                    id,
                    paint,
                    Animated.of(1.0),
                    Cap.BUTT,
                    Corner.MITRE,
                    List.of(),
                    Pacing.TOGETHER,
                    Animated.of(Colour.WHITE),
                    Optional.empty(),
                    Map.of());
        }

        public Animated<Double> measure(Measure measure) {
            Animated<Double> said = measures.get(measure);
            return said == null ? Animated.of(measure.usual()) : said;
        }

        /** A number of a stroke whose values are fixed. */
        public double fixed(Measure measure) {
            return measure(measure).at(0, Mix.NUMBER);
        }

        public Stroke with(Measure measure, Animated<Double> value) {
            Map<Measure, Animated<Double>> next = new EnumMap<>(Measure.class);
            next.putAll(measures);
            next.put(measure, value);
            return new Stroke(id, paint, opacity, cap, corner, dash, pacing, head, rider, next);
        }

        @Override
        public Stroke withPaint(Paint other) {
            return new Stroke(id, other, opacity, cap, corner, dash, pacing, head, rider, measures);
        }

        @Override
        public Stroke withOpacity(Animated<Double> other) {
            return new Stroke(id, paint, other, cap, corner, dash, pacing, head, rider, measures);
        }

        public Stroke withDash(List<Double> other) {
            return new Stroke(id, paint, opacity, cap, corner, other, pacing, head, rider, measures);
        }

        public Stroke withEnds(Cap otherCap, Corner otherCorner) {
            return new Stroke(id, paint, opacity, otherCap, otherCorner, dash, pacing, head, rider, measures);
        }

        public Stroke withPacing(Pacing other) {
            return new Stroke(id, paint, opacity, cap, corner, dash, other, head, rider, measures);
        }

        public Stroke withHead(Animated<Colour> other) {
            return new Stroke(id, paint, opacity, cap, corner, dash, pacing, other, rider, measures);
        }

        public Stroke withRider(Optional<Rider> other) {
            return new Stroke(id, paint, opacity, cap, corner, dash, pacing, head, other, measures);
        }
    }
}

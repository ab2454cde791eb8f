package aperta.core.shot;

import aperta.core.colour.Colour;
import aperta.core.recipe.Parameter;
import aperta.core.time.Animated;
import aperta.core.time.Mix;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How letters look, in part or as a whole; what isn't said is as around them.
 *
 * @param font the id of one
 * @param edge the colour of a stroke that is centred on the outline
 */
public record LetterLook(
        Optional<String> font,
        Map<Measure, Animated<Double>> measures,
        Optional<Paint> fill,
        Optional<Animated<Colour>> edge) {

    /** A number of letters. */
    public enum Measure {
        /** The em. */
        SIZE(Parameter.number("size", "Size", "px", 1, 4000, 100)),
        /** Extra space between letters. */
        TRACKING(Parameter.number("tracking", "Tracking", "‰ em", -1000, 10_000, 0)),
        /** From the baseline above to the own one, in ems; of a line, the largest of its letters' counts. */
        LEADING(Parameter.number("leading", "Leading", "×", 0, 10, 1.1)),
        FILL_OPACITY(Parameter.number("fillOpacity", "Fill opacity", "%", 0, 1, 1)),
        /** Of the edge's stroke; 0 for none. */
        EDGE_WIDTH(Parameter.number("edgeWidth", "Edge width", "px", 0, 1000, 0)),
        EDGE_OPACITY(Parameter.number("edgeOpacity", "Edge opacity", "%", 0, 1, 1));

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

        /** What it is on new letters. */
        public double usual() {
            return (Double) parameter.standard();
        }

        /** Whether the usual value does nothing. */
        boolean usuallyDoesNothing() {
            return this != SIZE && this != LEADING;
        }

        /** Whether it changes where letters stand. */
        public boolean setsType() {
            return this == SIZE || this == TRACKING || this == LEADING;
        }
    }

    public static final LetterLook NOTHING =
            new LetterLook(Optional.empty(), Map.of(), Optional.empty(), Optional.empty());

    public LetterLook {
        measures = Map.copyOf(measures);
    }

    /** Plain white letters, every part said. */
    public static LetterLook plain(String font, double size) {
        Map<Measure, Animated<Double>> measures = new EnumMap<>(Measure.class);
        for (Measure m : Measure.values()) {
            measures.put(m, Animated.of(m == Measure.SIZE ? size : m.usual()));
        }
        return new LetterLook(
                Optional.of(font),
                measures,
                Optional.of(Paint.solid(Colour.WHITE)),
                Optional.of(Animated.of(Colour.BLACK)));
    }

    /** @throws IllegalArgumentException where a part isn't said */
    void demandWhole() {
        if (font.isEmpty() || fill.isEmpty() || edge.isEmpty() || measures.size() < Measure.values().length) {
            throw new IllegalArgumentException("The look of a text says every part of it.");
        }
    }

    public boolean isEmpty() {
        return equals(NOTHING);
    }

    /** What another says, and for the rest what this says. */
    public LetterLook and(LetterLook over) {
        Map<Measure, Animated<Double>> both = new EnumMap<>(Measure.class);
        both.putAll(measures);
        both.putAll(over.measures);
        return new LetterLook(over.font.or(() -> font), both, over.fill.or(() -> fill), over.edge.or(() -> edge));
    }

    /** This but for some parts, by their names in documents. */
    public LetterLook without(List<String> parts) {
        Map<Measure, Animated<Double>> left = new EnumMap<>(Measure.class);
        measures.forEach((m, v) -> {
            if (!parts.contains(m.word())) {
                left.put(m, v);
            }
        });
        return new LetterLook(
                font.filter(f -> !parts.contains("font")),
                left,
                fill.filter(f -> !parts.contains("fill")),
                edge.filter(e -> !parts.contains("edge")));
    }

    public LetterLook with(Measure measure, Animated<Double> value) {
        return and(new LetterLook(Optional.empty(), Map.of(measure, value), Optional.empty(), Optional.empty()));
    }

    public LetterLook withFont(Optional<String> other) {
        return new LetterLook(other, measures, fill, edge);
    }

    public LetterLook withFill(Paint other) {
        return new LetterLook(font, measures, Optional.of(other), edge);
    }

    public LetterLook withEdge(Animated<Colour> other) {
        return new LetterLook(font, measures, fill, Optional.of(other));
    }

    /** A number of a look that says it, and whose values are fixed. */
    public double fixed(Measure measure) {
        return measures.get(measure).at(0, Mix.NUMBER);
    }

    /** Whether none of what changes where letters stand changes over time. */
    public boolean standsStill() {
        return measures.entrySet().stream()
                .allMatch(e -> !e.getKey().setsType() || e.getValue().isStill());
    }
}

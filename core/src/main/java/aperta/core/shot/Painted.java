package aperta.core.shot;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;

/**
 * A part of a layer that is painted, with a colour or a gradient.
 *
 * @param name unique within a layer, such as {@code text.fill}; the properties of a gradient begin with it and a dot
 * @param colour the name of the property that is the colour where there is only one
 * @param part of the layer that it belongs to; empty for the layer itself
 */
public record Painted(
        String name,
        String colour,
        String label,
        String part,
        Function<Layer, Paint> get,
        BiFunction<Layer, Paint, Layer> set) {

    /** Everything of a layer that is painted. */
    public static List<Painted> of(Layer layer) {
        List<Painted> all = new ArrayList<>();
        if (layer.content() instanceof Content.Fill) {
            all.add(FILL);
        } else if (layer.content() instanceof Content.Coated coated) {
            coated.coats().forEach(c -> all.add(coat(c)));
        } else if (layer.content() instanceof Content.Text text) {
            all.add(LETTERS);
            text.runs().stream().filter(r -> r.look().fill().isPresent()).forEach(r -> all.add(run(text, r)));
        }
        return all;
    }

    /** @throws IllegalArgumentException where the layer has no such part */
    public static Painted named(Layer layer, String name) {
        return of(layer).stream()
                .filter(p -> p.name.equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(
                        "'" + layer.name() + "' has nothing painted that is called '" + name + "'."));
    }

    static final Painted FILL = new Painted(
            "fill",
            "fill.colour",
            "Colour",
            "",
            l -> ((Content.Fill) l.content()).paint(),
            (l, v) -> l.withContent(new Content.Fill(((Content.Fill) l.content()).size(), v)));

    static final Painted LETTERS = new Painted(
            "text.fill",
            "text.fill",
            "Fill",
            "",
            l -> text(l).fill(),
            (l, v) -> l.withContent(text(l).withLook(text(l).look().withFill(v))));

    /** Of a run whose look has a fill. */
    static Painted run(Content.Text text, LetterRun run) {
        String id = run.id();
        String name = "run." + id + ".fill";
        return new Painted(
                name,
                name,
                "Fill",
                run.title(text.words()),
                l -> text(l).run(id).look().fill().orElseThrow(),
                (l, v) -> l.withContent(text(l).withRun(
                                text(l).run(id).withLook(text(l).run(id).look().withFill(v)))));
    }

    static Painted coat(Coat coat) {
        String name = "coat." + coat.id() + ".colour";
        return new Painted(
                name,
                name,
                "Colour",
                coat instanceof Coat.Fill ? "Fill" : "Stroke",
                l -> coated(l).coat(coat.id()).paint(),
                (l, v) -> l.withContent(
                        coated(l).withCoat(coated(l).coat(coat.id()).withPaint(v))));
    }

    private static Content.Text text(Layer layer) {
        return (Content.Text) layer.content();
    }

    private static Content.Coated coated(Layer layer) {
        return (Content.Coated) layer.content();
    }
}

package aperta.core.shot;

import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/** Shots that are shown inside others. */
public final class Nesting {
    private Nesting() {}

    /** The ids of the shots that a shot shows itself. */
    public static Set<String> of(Shot shot) {
        Set<String> all = new LinkedHashSet<>();
        for (Layer layer : shot.everyLayer()) {
            if (layer.content() instanceof Content.Nested nested) {
                all.add(nested.shot());
            }
        }
        return all;
    }

    /**
     * The same shot with what the shots that it shows are now.
     *
     * @param named a shot by its id, with all that it shows itself; nothing where there is none
     */
    public static Shot filled(Shot shot, Function<String, Optional<Shot>> named) {
        Shot next = shot;
        for (Layer layer : shot.everyLayer()) {
            if (layer.content() instanceof Content.Nested nested) {
                Content now = new Content.Nested(nested.shot(), named.apply(nested.shot()));
                next = next.changing(layer.id(), l -> l.withContent(now));
            }
        }
        return next;
    }

    /** The same with other ids for the shots that it shows. */
    public static Shot renamed(Shot shot, Function<String, String> name) {
        Shot next = shot;
        for (Layer layer : shot.everyLayer()) {
            if (layer.content() instanceof Content.Nested nested) {
                Content now = new Content.Nested(name.apply(nested.shot()), nested.found());
                next = next.changing(layer.id(), l -> l.withContent(now));
            }
        }
        return next;
    }

    /** How many layers a shot has with all that is shown in it. */
    public static int layers(Shot shot) {
        int count = 0;
        for (Layer layer : shot.everyLayer()) {
            count += 1
                    + (layer.content() instanceof Content.Nested n
                            ? n.found().map(Nesting::layers).orElse(0)
                            : 0);
        }
        return count;
    }
}

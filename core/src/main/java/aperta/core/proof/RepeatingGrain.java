package aperta.core.proof;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Moment;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Grain, dust and noise are other ones on each frame: they don't stand still over several, and none comes again. Common practice, no source.
 */
public final class RepeatingGrain implements Check {
    private static final Set<String> BY_FRAME = Set.of("grain", "old-film", "tape");

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "repeating-grain",
                "Grain never repeats",
                "Grain, dust and noise stand still for no longer than is meant, and don't come again.",
                List.of(Parameter.whole("frames", "May stand for", "frames", 1, 48, 3)));
    }

    @Override
    public Watch watch(Recipe recipe) {
        int most = (int) recipe.number("frames");
        return new Watch() {
            private final Spells<Long> spells = new Spells<>("repeating-grain");
            /** When each grain was seen first, and how often. */
            private final Map<List<Object>, long[]> known = new HashMap<>();

            @Override
            public void see(Look look) {
                for (Layer layer : look.moment().shot().everyLayer()) {
                    Moment.Seen seen = look.moment().of(layer.id());
                    if (seen.exists() && look.moment().shows(layer)) {
                        seen.still().effects().forEach(e -> grain(look, seen, e));
                    }
                }
            }

            private void grain(Look look, Moment.Seen seen, LayerEffect e) {
                boolean works = e.on() && e.amount().at(0, Mix.NUMBER) > 0;
                if (!works || !BY_FRAME.contains(e.recipe().kind())) {
                    return;
                }
                Recipe values = e.recipe().rest();
                double hold = values.descriptor().parameter("hold").isPresent() ? values.number("hold") : 1;
                long frame = (long) Math.floor(Math.floor(seen.frame() + 1e-9) / hold + 1e-9);
                long[] first = known.computeIfAbsent(
                        List.of(seen.layer().id(), e.id(), values, frame), k -> new long[] {look.frame(), 0});
                first[1]++;
                if (first[1] > most) {
                    spells.note(
                            List.of(seen.layer().id()),
                            look.frame(),
                            first[0],
                            first[1],
                            look.moment().shot().format().frame());
                }
            }

            @Override
            public List<Finding> findings() {
                return new ArrayList<>(spells.findings(
                        first -> "Its grain is the very one of frame " + first + ", and stands still or comes again."));
            }
        };
    }
}

package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.Writing;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * A pen doesn't write faster than one reads: at most 18 letters a second, which is the 3 words a second of {@link ReadingTime},
 * of 6 letters each. Counted over the whole of a writing, pauses included.
 */
public final class WrittenTooFast implements Check {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "written-too-fast",
                "Written so that it can be followed",
                "A pen doesn't write faster than one reads.",
                List.of(Parameter.number("letters", "Letters", "a second", 1, 200, 18)));
    }

    private record Run(long first, long last, double from, double to, long letters, Box place) {}

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Map<String, Run> running = new LinkedHashMap<>();
            private final List<Finding> all = new ArrayList<>();
            private double rate;

            @Override
            public void see(Look look) {
                rate = look.moment().shot().format().rate().framesPerSecond();
                for (Share s : look.words()) {
                    double share = s.seen().writings().stream()
                            .mapToDouble(Writing::share)
                            .min()
                            .orElse(1);
                    follow(look, s, Math.min(1, Math.max(0, share)));
                }
            }

            private void follow(Look look, Share s, double share) {
                String id = Look.id(s);
                Run run = running.get(id);
                if (run == null || share < run.to) {
                    finish(id);
                    long letters =
                            Look.said(s).codePoints().filter(c -> c != ' ').count();
                    running.put(id, new Run(look.frame(), look.frame(), share, share, letters, place(look, s)));
                } else if (share > run.to) {
                    long first = run.to == run.from ? look.frame() - 1 : run.first;
                    running.put(id, new Run(first, look.frame(), run.from, share, run.letters, place(look, s)));
                }
            }

            private Box place(Look look, Share s) {
                return Visibility.box(Look.seen(s), look.scale());
            }

            private void finish(String id) {
                Run run = running.remove(id);
                if (run == null || run.to - run.from < 0.05) {
                    return;
                }
                double seconds = (run.last - run.first) / rate;
                double speed = run.letters * (run.to - run.from) / seconds;
                if (speed > recipe.number("letters")) {
                    all.add(new Finding(
                            "written-too-fast",
                            List.of(id),
                            run.first,
                            run.last,
                            run.place,
                            String.format(
                                    Locale.ROOT,
                                    "It is written at %.0f letters a second; one reads %.0f.",
                                    speed,
                                    recipe.number("letters"))));
                }
            }

            @Override
            public List<Finding> findings() {
                List.copyOf(running.keySet()).forEach(this::finish);
                return all;
            }
        };
    }
}

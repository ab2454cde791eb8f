package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import java.util.List;

/**
 * Words that stand still lie inside the title-safe frame of SMPTE ST 2046-1 and EBU R 95, 90 % of width and height (from
 * memory). Those that touch the frame's edge are found by {@link FrameEdge}.
 */
public final class TitleSafe implements Check {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "title-safe",
                "Inside title safe",
                "Words that stand still lie inside the title-safe frame.",
                List.of(Parameter.number("slack", "Slack", "px", 0, 100, 6)));
    }

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Spells<Double> spells = new Spells<>("title-safe");

            @Override
            public void see(Look look) {
                Box safe = look.moment().shot().format().titleSafe();
                for (Share s : look.standingWords()) {
                    if (FrameEdge.touches(Look.seen(s), s.frame(), 0.04)) {
                        continue;
                    }
                    Box box = Visibility.box(Look.seen(s), look.scale());
                    double out = box.isEmpty() ? 0 : beyond(box, safe);
                    // What is measured in pixels of the small picture is known to within one of them.
                    if (out > Math.max(recipe.number("slack"), 1 / look.scale())) {
                        spells.note(List.of(Look.id(s)), look.frame(), out, out, box);
                    }
                }
            }

            @Override
            public List<Finding> findings() {
                return spells.findings(out -> "It reaches " + Math.round(out) + " px beyond title safe.");
            }
        };
    }

    private static double beyond(Box box, Box safe) {
        return Math.max(
                Math.max(safe.x0() - box.x0(), box.x1() - safe.x1()),
                Math.max(safe.y0() - box.y0(), box.y1() - safe.y1()));
    }
}

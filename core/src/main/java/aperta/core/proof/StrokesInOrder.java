package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Curve;
import aperta.core.shot.Stroke;
import aperta.core.shot.Writing;
import java.util.List;
import java.util.Optional;

/**
 * A limb isn't written before the pen could be there: a stroke that starts on another one comes after it. Asked of strokes that
 * were set by hand. Common practice, no source.
 */
public final class StrokesInOrder implements Check {
    private static final int STEPS = 24;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "strokes-in-order",
                "Strokes in their order",
                "A stroke that starts on another one is written after it.",
                List.of(Parameter.number("ends", "From the ends of the other", "% of its length", 0, 0.5, 0.15)));
    }

    private record Wrong(int first, int on) {}

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Spells<Wrong> spells = new Spells<>("strokes-in-order");

            @Override
            public void see(Look look) {
                for (Share s : look.layers()) {
                    boolean writing = s.seen().writings().stream()
                            .mapToDouble(Writing::share)
                            .anyMatch(share -> share > 0 && share < 1);
                    boolean byHand = s.seen()
                            .still()
                            .ink()
                            .filter(i -> i.fits(s.seen().still().content()))
                            .isPresent();
                    if (writing && byHand) {
                        strokes(look, s);
                    }
                }
            }

            private void strokes(Look look, Share s) {
                List<Stroke> all = look.planner().strokes(look.moment(), Look.id(s));
                for (int i = 0; i < all.size(); i++) {
                    // Where a word or a letter begins the pen comes down anew, often on what it writes later.
                    boolean goesOn = all.get(i).begins() == Stroke.Begins.STROKE;
                    for (int k = 0; k < all.size() && goesOn; k++) {
                        if (k != i && begins(all, i) < begins(all, k) && startsOn(all.get(i), all.get(k))) {
                            Point at = s.seen().toShot().apply(start(all.get(i)));
                            Box place = new Box(at.x(), at.y(), at.x(), at.y()).grown(20);
                            spells.note(List.of(Look.id(s)), look.frame(), new Wrong(i + 1, k + 1), 1, place);
                            return;
                        }
                    }
                }
            }

            /** Whether a stroke starts within the line of another one, away from its ends. */
            private boolean startsOn(Stroke one, Stroke other) {
                Point start = start(one);
                BezierPath line = other.line();
                double margin = recipe.number("ends");
                int n = line.segments();
                for (int i = 0; i < n; i++) {
                    Curve c = line.curve(i);
                    double width = line.knots().get(i).feather();
                    for (int step = 0; step <= STEPS; step++) {
                        double share = (i + step / (double) STEPS) / n;
                        boolean within = share > margin && share < 1 - margin;
                        if (within && c.at(step / (double) STEPS).minus(start).length() < width / 4) {
                            return true;
                        }
                    }
                }
                return false;
            }

            @Override
            public List<Finding> findings() {
                return spells.findings(
                        w -> "Stroke " + w.first + " starts on stroke " + w.on + ", which is written later.");
            }
        };
    }

    private static Point start(Stroke stroke) {
        return stroke.line().knots().get(0).at();
    }

    /** When a stroke begins: by its own time, or by its place among all. */
    private static double begins(List<Stroke> all, int i) {
        Optional<Stroke.Time> time = all.get(i).time();
        return time.map(Stroke.Time::from).orElse(i / (double) all.size());
    }
}

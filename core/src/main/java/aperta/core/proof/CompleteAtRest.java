package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Words that have been revealed are whole: the most that is ever seen of them while they stand still is all of what lies in
 * the frame. How translucent they are doesn't count. Common practice, no source.
 */
public final class CompleteAtRest implements Check {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "complete-at-rest",
                "Complete at rest",
                "Words that have been revealed are seen whole.",
                List.of(
                        Parameter.number("whole", "Whole from", "%", 0, 1, 0.985),
                        Parameter.number("meant", "Meant to be seen from", "%", 0, 1, 0.3)));
    }

    private record Most(long from, long to, double share, Box missing) {}

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Map<String, Most> most = new LinkedHashMap<>();

            @Override
            public void see(Look look) {
                for (Share s : look.leadingWords()) {
                    if (!s.shows() || isBlurred(s) || s.opacity() <= 0 || !look.stands(s)) {
                        continue;
                    }
                    double share = share(s);
                    Most now = most.get(Look.id(s));
                    if (now == null || share > now.share + 0.002) {
                        Box missing = Visibility.box(missing(s), look.scale());
                        most.put(Look.id(s), new Most(look.frame(), look.frame(), share, missing));
                    } else if (share > now.share - 0.002) {
                        most.put(Look.id(s), new Most(now.from, look.frame(), now.share, now.missing));
                    }
                }
            }

            @Override
            public List<Finding> findings() {
                List<Finding> all = new ArrayList<>();
                most.forEach((layer, m) -> {
                    if (m.share >= recipe.number("meant") && m.share < recipe.number("whole")) {
                        all.add(new Finding(
                                "complete-at-rest",
                                List.of(layer),
                                m.from,
                                m.to,
                                m.missing,
                                "It never stands whole: at most " + HiddenBefore.percent(m.share) + " of it is seen."));
                    }
                });
                return all;
            }
        };
    }

    /** A blurred word has no edge up to which it could be whole. */
    private static boolean isBlurred(Share s) {
        return s.seen().still().place().blur().at(0, Mix.NUMBER) >= 1;
    }

    /** How much of what lies in the frame is seen, to more than half of its own opacity. */
    private static double share(Share s) {
        double whole = MatteMath.sum(s.own().view(s.frame()));
        return whole < 1e-6 ? 0 : 1 - MatteMath.sum(missing(s)) / whole;
    }

    private static Matte missing(Share s) {
        Region r = s.own().domain().intersect(s.frame());
        Matte missing = new Matte(r);
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right(); x++) {
                float own = s.own().at(x, y);
                missing.set(x, y, s.visible().at(x, y) < 0.5 * s.opacity() * own ? own : 0);
            }
        }
        return missing;
    }
}

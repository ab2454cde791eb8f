package aperta.core.proof;

import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What fills letters reaches to all of their edges: no part of the letters in the frame lies outside of everything that they
 * cut. Common practice, no source.
 */
public final class FillCovers implements Check {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "fill-covers",
                "The fill covers the letters",
                "What fills letters reaches to all of their edges.",
                List.of(Parameter.number("bare", "Bare from", "%", 0, 1, 0.01)));
    }

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Spells<Double> spells = new Spells<>("fill-covers");

            @Override
            public void see(Look look) {
                Map<String, Matte> bare = new LinkedHashMap<>();
                Map<String, List<String>> together = new LinkedHashMap<>();
                for (Share fill : look.layers()) {
                    fill.seen()
                            .layer()
                            .cut()
                            .filter(c -> c.keep() == Cut.Keep.INSIDE && c.with() == Cut.With.SHAPE && fill.shows())
                            .flatMap(c -> look.layer(c.by()))
                            .filter(c -> c.seen().layer().content() instanceof Content.Text
                                    && c.covers().isPresent())
                            .ifPresent(letters -> {
                                String id = Look.id(letters);
                                bare.merge(id, outside(letters.covers().get(), fill), FillCovers::less);
                                together.computeIfAbsent(id, k -> new ArrayList<>(List.of(id)))
                                        .add(Look.id(fill));
                            });
                }
                bare.forEach((id, left) -> {
                    double whole =
                            MatteMath.sum(look.layer(id).orElseThrow().covers().orElseThrow());
                    double share = whole < 1e-6 ? 0 : MatteMath.sum(left) / whole;
                    if (share > recipe.number("bare")) {
                        spells.note(together.get(id), look.frame(), share, share, Visibility.box(left, look.scale()));
                    }
                });
            }

            @Override
            public List<Finding> findings() {
                return spells.findings(
                        share -> HiddenBefore.percent(share) + " of the letters isn't covered by what fills them.");
            }
        };
    }

    private static Matte outside(Matte letters, Share fill) {
        Region r = letters.domain();
        Matte left = new Matte(r);
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right(); x++) {
                left.set(x, y, letters.at(x, y) * (1 - fill.own().at(x, y)));
            }
        }
        return left;
    }

    /** Where two fill the same letters, bare is what neither covers. */
    private static Matte less(Matte a, Matte b) {
        Region r = a.domain();
        Matte least = new Matte(r);
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right(); x++) {
                least.set(x, y, Math.min(a.at(x, y), b.at(x, y)));
            }
        }
        return least;
    }
}

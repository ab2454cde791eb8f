package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.Content;
import java.util.List;

/**
 * A mask that uncovers one letter doesn't uncover a part of another: where words stand still, each letter is seen whole or
 * not at all. Common practice, no source.
 */
public final class StrayLetter implements Check {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "stray-letter",
                "No part of another letter",
                "A mask that uncovers one letter doesn't uncover a part of another.",
                List.of(
                        Parameter.number("part", "A part from", "%", 0, 1, 0.03),
                        Parameter.number("whole", "Whole from", "%", 0, 1, 0.97)));
    }

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Spells<Double> spells = new Spells<>("stray-letter");

            @Override
            public void see(Look look) {
                for (Share s : look.words()) {
                    boolean masked = !s.seen().still().masks().isEmpty()
                            || !s.seen().windows().isEmpty()
                            || !s.seen().writings().isEmpty()
                            || !s.seen().own().isEmpty();
                    if (masked && s.covers().isPresent() && look.isStill(s) && s.opacity() > 0) {
                        letters(look, s);
                    }
                }
            }

            /** The letters that are seen in part, if another one is whole and another is hidden. */
            private void letters(Look look, Share s) {
                boolean anyWhole = false;
                boolean anyOther = false;
                Matte part = null;
                double share = 0;
                for (Outline letter :
                        look.planner().letters((Content.Text) s.seen().still().content())) {
                    Matte all = Visibility.coverage(letter.transformed(s.seen().toShot()), look.moment());
                    double seen = seen(all, s.covers().orElseThrow(), s.seen().opacity());
                    if (seen >= recipe.number("whole")) {
                        anyWhole = true;
                    } else if (seen >= recipe.number("part")) {
                        anyOther |= part != null;
                        part = all;
                        share = seen;
                    } else {
                        anyOther = true;
                    }
                }
                boolean stray = part != null && anyWhole && (anyOther || share < 0.5);
                if (stray) {
                    Box box = Visibility.box(part, look.scale());
                    spells.note(List.of(Look.id(s)), look.frame(), share, share, box);
                }
            }

            @Override
            public List<Finding> findings() {
                return spells.findings(share ->
                        "A mask uncovers " + HiddenBefore.percent(share) + " of another letter while it stands still.");
            }
        };
    }

    private static double seen(Matte letter, Matte covers, double opacity) {
        Region r = letter.domain();
        double all = 0;
        double there = 0;
        for (int y = r.y(); y < r.bottom(); y++) {
            for (int x = r.x(); x < r.right(); x++) {
                float a = letter.at(x, y);
                all += a;
                there += Math.min(a, covers.at(x, y) / (float) opacity);
            }
        }
        return all < 1e-6 ? 0 : there / all;
    }
}

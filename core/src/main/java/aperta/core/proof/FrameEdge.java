package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import java.util.List;

/**
 * Words that stand still are not cut by the edge of the frame, nor is their soft edge: what is blurred or glows ends inside.
 * Common practice, no source.
 */
public final class FrameEdge implements Check {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "frame-edge",
                "Clear of the frame's edge",
                "Words that stand still don't touch the edge of the frame.",
                List.of(Parameter.number("seen", "Seen from", "%", 0, 1, 0.04)));
    }

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Spells<Box> spells = new Spells<>("frame-edge");

            @Override
            public void see(Look look) {
                for (Share s : look.standingWords()) {
                    if (touches(Look.seen(s), s.frame(), recipe.number("seen"))) {
                        Box box = Visibility.box(Look.seen(s), look.scale());
                        spells.note(List.of(Look.id(s)), look.frame(), box, 1, box);
                    }
                }
            }

            @Override
            public List<Finding> findings() {
                return spells.findings(box -> "It touches the edge of the frame.");
            }
        };
    }

    /** Whether any of a matte lies in the outermost pixels of the frame. */
    static boolean touches(Matte m, Region f, double seen) {
        Region r = m.domain().intersect(f);
        for (int x = r.x(); x < r.right(); x++) {
            if (m.at(x, f.y()) > seen || m.at(x, f.bottom() - 1) > seen) {
                return true;
            }
        }
        for (int y = r.y(); y < r.bottom(); y++) {
            if (m.at(f.x(), y) > seen || m.at(f.right() - 1, y) > seen) {
                return true;
            }
        }
        return false;
    }
}

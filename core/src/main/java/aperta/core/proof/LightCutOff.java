package aperta.core.proof;

import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Box;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.LayerEffect;
import aperta.core.time.Mix;
import java.util.List;

/**
 * The light and the shadow of a layer that itself keeps clear of the frame's edge end inside the frame: they are not cut off by it, and don't
 * peek in from a layer that is outside. Common practice, no source.
 */
public final class LightCutOff implements Check {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "light-cut-off",
                "Light ends inside the frame",
                "Glow, rays and shadows of what is clear of the frame's edge aren't cut off by it.",
                List.of(Parameter.number("seen", "Seen from", "%", 0, 1, 0.04)));
    }

    @Override
    public Watch watch(Recipe recipe) {
        double seen = recipe.number("seen");
        return new Watch() {
            private final Spells<Boolean> spells = new Spells<>("light-cut-off");

            @Override
            public void see(Look look) {
                for (Share s : look.layers()) {
                    boolean outside = !reaches(s.own(), s.frame());
                    if (s.shows()
                            && spreads(s)
                            && !FrameEdge.touches(s.own(), s.frame(), 0.5)
                            && FrameEdge.touches(s.visible(), s.frame(), seen)) {
                        Box box = Visibility.box(s.visible(), look.scale());
                        spells.note(List.of(Look.id(s)), look.frame(), outside, 1, box);
                    }
                }
            }

            @Override
            public List<Finding> findings() {
                return spells.findings(outside -> outside
                        ? "Its light peeks in at the edge of the frame, and it is outside."
                        : "Its light or shadow is cut off by the edge of the frame.");
            }
        };
    }

    /** Whether it has an effect of light at work that reaches beyond it. */
    private static boolean spreads(Share s) {
        for (LayerEffect e : s.seen().still().effects()) {
            boolean light = Effects.find(e.recipe().kind())
                    .filter(f -> f.purpose() == Effect.Purpose.LIGHT)
                    .isPresent();
            if (light && e.on() && e.amount().at(0, Mix.NUMBER) > 0) {
                return true;
            }
        }
        return false;
    }

    private static boolean reaches(Matte m, Region frame) {
        return !m.domain().intersect(frame).isEmpty();
    }
}

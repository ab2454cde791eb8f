package aperta.core.opening;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import java.util.List;
import java.util.Map;

/** A strong lens bends the layer, and relaxes until there is none. */
final class Bend implements Opening {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "bend",
                "Bend",
                "A lens bends it, and relaxes.",
                List.of(
                        Parameter.number("view", "Angle of view", "°", -170, 170, 150),
                        Travel.X,
                        Travel.Y,
                        Parameter.truth("fade", "Fades", true)));
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        Box box = subject.box();
        Point centre =
                new Point(box.x0() + box.width() * recipe.number("x"), box.y0() + box.height() * recipe.number("y"));
        double left = Math.min(1, Math.max(-1, 1 - way.share()));
        Pose pose = recipe.truth("fade") ? Pose.faded(Math.min(1, Math.max(0, 3 * way.share()))) : Pose.REST;
        return Opened.of(pose)
                .withEffects(
                        List.of(OwnEffect.of("lens", Map.of("centre", centre, "angle", recipe.number("view") * left))));
    }
}

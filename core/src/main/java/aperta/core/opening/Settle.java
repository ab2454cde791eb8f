package aperta.core.opening;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Front;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import aperta.core.time.Signal;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Strong turbulence lets go of the layer: it swings through zero to the other side and back, each time less far, until nothing is left,
 * while a feathered edge uncovers it. With n swings the strength is s · (1 − t)² · cos(π n t), t from 0 in its pose to 1 at rest.
 */
final class Settle implements Opening {
    private static final double SEEN = 2;
    private static final String PASSED = "where a layer was bright";

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "settle",
                "Settle",
                "Settles out of turbulence, swinging to and fro.",
                List.of(
                        Parameter.number("strength", "Strength", "px", 0, 1000, 70),
                        Parameter.number("ratio", "Up and down", "%", 0, 4, 1),
                        Parameter.number("wavelength", "Wavelength", "px", 2, 4000, 170),
                        Parameter.whole("swings", "Swings", "", 0, 12, 3),
                        Parameter.number("pace", "Pace", "a second", 0, 100, 0.35),
                        Parameter.choice(
                                "from", "Uncovered from", "one side", "a line", "the middle", "a point", PASSED),
                        Travel.ANGLE,
                        Travel.X,
                        Travel.Y,
                        Parameter.number("feather", "Feather", "px", 0, 4000, 240),
                        Parameter.reference("layer", "That layer", Parameter.Kind.LAYER),
                        Parameter.number("threshold", "As bright as", "%", 0.01, 1, 0.22),
                        Parameter.number("speed", "Goes on by", "px a frame", 0.1, 1000, 26),
                        Parameter.number("early", "Uncovered after", "%", 0.05, 1, 0.7),
                        Signal.SEED));
    }

    /** How strong the turbulence is, as a share of what is set; t may lie outside 0 to 1 where an ease does. */
    static double swing(double t, double swings) {
        double left = Math.min(1, Math.max(0, 1 - t));
        return left * left * StrictMath.cos(Math.PI * swings * t);
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        double feather = recipe.number("feather");
        double share = way.share();
        double swing = swing(share, recipe.number("swings"));
        double strength = recipe.number("strength") * swing;
        double seconds = way.frame() / subject.format().rate().framesPerSecond();
        LayerEffect bend = OwnEffect.of(
                "turbulence",
                Map.of(
                        "across",
                        strength,
                        "down",
                        strength * Math.min(1000 / Math.max(1, Math.abs(strength)), recipe.number("ratio")),
                        "wavelength",
                        recipe.number("wavelength"),
                        "phase",
                        seconds * recipe.number("pace"),
                        "seed",
                        Math.floor(recipe.number("seed"))));
        Front.Shape shape = shape(recipe, way, subject, share / recipe.number("early"));
        return Opened.of(Pose.REST)
                .withFront(new Front(shape, Optional.empty(), Optional.of(feather)))
                .withEffects(List.of(bend));
    }

    private static Front.Shape shape(Recipe recipe, Passage.Way way, Opener.Subject subject, double share) {
        double spare = SEEN * recipe.number("feather");
        if (!recipe.text("from").equals(PASSED) || recipe.text("layer").isEmpty()) {
            return Travel.at(recipe, share, way.arriving(), subject.box(), spare);
        }
        double speed = recipe.number("speed");
        // In the last third what was never passed follows.
        double late = Math.min(1, Math.max(0, 3 * (way.arriving() ? share : 1 - share) - 2));
        return new Front.Passed(
                recipe.text("layer"),
                recipe.number("threshold"),
                speed,
                (long) Math.floor(Math.max(0, way.frame()) + 1e-9),
                late * (2 * spare + 2 * speed) - spare,
                !way.arriving());
    }
}

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
 * A soft edge travels over the layer, and near it fine turbulence bends what it uncovers, more sideways than up and down. How far it bends
 * falls off evenly ahead of the edge and behind it, so that there is no line between what is bent and what is still.
 */
final class Shimmer implements Opening {
    /** What is visible ahead of the edge's middle, as a multiple of the feather: four times σ. */
    private static final double SEEN = 2;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "shimmer",
                "Shimmer",
                "An edge travels over it, and what it uncovers shimmers for a while.",
                List.of(
                        Travel.FROM,
                        Travel.ANGLE,
                        Travel.X,
                        Travel.Y,
                        Parameter.number("feather", "Feather", "px", 0, 2000, 60),
                        Parameter.number("strength", "Strength", "px", 0, 500, 9),
                        Parameter.number("ratio", "Up and down", "%", 0, 4, 0.35),
                        Parameter.number("wavelength", "Wavelength", "px", 2, 2000, 34),
                        Parameter.number("ahead", "Begins ahead by", "px", 0, 4000, 90),
                        Parameter.number("behind", "Ends behind by", "px", 0, 4000, 260),
                        Parameter.number("pace", "Pace", "a second", 0, 100, 2.4),
                        Signal.SEED));
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        double feather = recipe.number("feather");
        double ahead = recipe.number("ahead");
        double behind = recipe.number("behind");
        double spare = Math.max(SEEN * feather, behind);
        Front front = new Front(Travel.at(recipe, way, subject.box(), spare), Optional.empty(), Optional.of(feather));
        double seconds = way.frame() / subject.format().rate().framesPerSecond();
        double strength = recipe.number("strength");
        LayerEffect bend = OwnEffect.of(
                        "turbulence",
                        Map.of(
                                "across",
                                strength,
                                "down",
                                strength * recipe.number("ratio"),
                                "wavelength",
                                recipe.number("wavelength"),
                                "octaves",
                                2.0,
                                "phase",
                                seconds * recipe.number("pace"),
                                "seed",
                                Math.floor(recipe.number("seed"))))
                .withNear(Optional.of(new LayerEffect.Near(0, ahead, behind)));
        return Opened.of(Pose.REST).withFront(front).withEffects(List.of(bend));
    }
}

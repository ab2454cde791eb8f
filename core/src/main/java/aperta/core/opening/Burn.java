package aperta.core.opening;

import aperta.core.colour.Colour;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Front;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import aperta.core.time.Signal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A rough edge with a rim of embers burns the layer away, and ash crawls and fades where it was; the other way round it brings it. */
final class Burn implements Opening {
    /** How far noise leads beyond its root mean square. */
    private static final double MOST_OF_RMS = 4;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "burn",
                "Burn",
                "A rough edge of embers burns over it and leaves ash.",
                List.of(
                        Parameter.choice("from", "Starts from", "one side", "a line", "the middle", "a point"),
                        Travel.ANGLE,
                        Travel.X,
                        Travel.Y,
                        Parameter.number("rough", "Roughness", "px", 0, 500, 16),
                        Parameter.number("wavelength", "Wavelength", "px", 2, 2000, 90),
                        Parameter.number("width", "Rim", "px", 0, 400, 9),
                        Parameter.colour("hot", "At the edge", Colour.parse("#fff3c4")),
                        Parameter.colour("cool", "Behind it", Colour.parse("#e2571a")),
                        Parameter.number("char", "Charred", "px", 0, 1000, 26),
                        Parameter.number("ash", "Ash", "px", 0, 2000, 70),
                        Parameter.number("dense", "Density of the ash", "%", 0, 1, 0.7),
                        Signal.SEED));
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        double rough = recipe.number("rough");
        double spare = MOST_OF_RMS * rough
                + Math.max(recipe.number("width") + recipe.number("char"), recipe.number("ash"))
                + 2;
        Optional<Front.Rough> noise = rough == 0
                ? Optional.empty()
                : Optional.of(new Front.Rough(rough, recipe.number("wavelength"), (long) recipe.number("seed")));
        Front front = new Front(Travel.at(recipe, way, subject.box(), spare), noise, Optional.empty());
        Map<String, Object> values = new HashMap<>();
        for (String same : List.of("width", "hot", "cool", "char", "ash", "dense")) {
            values.put(same, recipe.value(same));
        }
        return Opened.of(Pose.REST).withFront(front).withEffects(List.of(OwnEffect.of("embers", values)));
    }
}

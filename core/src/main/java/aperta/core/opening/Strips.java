package aperta.core.opening;

import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Mask;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import aperta.core.time.Signal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Strips of the layer are uncovered, each by an edge of its own, all at once or one after another. */
public final class Strips implements Opening {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "strips",
                "Strips",
                "Strips of it are uncovered, at once or one after another.",
                List.of(
                        Parameter.number("angle", "Towards", "°", -3600, 3600, 90),
                        Parameter.whole("count", "Strips", "", 1, 200, 8),
                        Stagger.ORDER,
                        Stagger.OVERLAP,
                        Parameter.number("feather", "Feather", "px", 0, 2000, 0),
                        Signal.SEED));
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        Point along = Edges.towards(recipe.number("angle"));
        double feather = recipe.number("feather");
        int count = (int) recipe.number("count");
        Stagger stagger = Stagger.of(recipe);
        Edges.Stretch all = Edges.stretch(subject.box(), along);
        double width = all.length() / count;
        double spare = Edges.REACH * feather;
        List<Edges.Stretch> open = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double share = Math.min(1, Math.max(0, stagger.share(way, i, count)));
            double from = all.from() + i * width - spare;
            double to = from + width + 2 * spare;
            double far = share * (to - from);
            if (share > 0) {
                open.add(way.arriving() ? new Edges.Stretch(from, from + far) : new Edges.Stretch(to - far, to));
            }
        }
        List<Mask> masks = Edges.united(open).stream()
                .map(s -> Edges.strip(along, s, feather))
                .toList();
        return new Opened(masks.isEmpty() ? Pose.faded(0) : Pose.REST, masks, List.of(), Optional.empty());
    }
}

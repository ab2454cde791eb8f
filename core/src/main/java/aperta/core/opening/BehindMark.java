package aperta.core.opening;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Mask;
import aperta.core.shot.Opener;
import java.util.List;
import java.util.OptionalDouble;

/**
 * What a mark of a clip has passed, or has still to pass. The edge goes along with the mark in one direction and never back;
 * before the mark's first frame it hasn't come, and after its last it goes on.
 */
final class BehindMark implements Window {
    static final String PASSED = "what it has passed";
    static final String AHEAD = "what lies ahead";

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                Windows.BEHIND_MARK,
                "Behind a mark",
                "Uncovered, or covered, by something that walks past in a clip.",
                List.of(
                        Parameter.reference("layer", "Clip", Parameter.Kind.LAYER),
                        Parameter.reference("track", "Track", Parameter.Kind.TRACK),
                        Parameter.choice("shows", "Shows", PASSED, AHEAD),
                        Parameter.angle("angle", "Towards", 0),
                        Parameter.number("offset", "Ahead by", "px", -4000, 4000, 0),
                        Parameter.number("feather", "Feather", "px", 0, 2000, 24)));
    }

    @Override
    public Opener.Window at(Recipe recipe, Opener.Subject subject) {
        Point towards = Edges.towards(recipe.number("angle"));
        OptionalDouble edge = subject.marks().edge(recipe.text("layer"), recipe.text("track"), towards);
        boolean passed = recipe.text("shows").equals(PASSED);
        if (edge.isEmpty()) {
            return passed && !recipe.text("layer").isEmpty() ? Opener.Window.of(Edges.nothing()) : Opener.Window.OPEN;
        }
        Affine toShot = subject.toParent().then(subject.parentToShot());
        double at = edge.getAsDouble() + recipe.number("offset");
        Mask shows = passed
                ? Edges.before(towards, at, recipe.number("feather"))
                : Edges.before(towards.times(-1), -at, recipe.number("feather"));
        return toShot.inverse()
                .map(back -> Opener.Window.of(shows.transformed(back)))
                .orElse(Opener.Window.OPEN);
    }
}

package aperta.core.opening;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import aperta.core.time.Chance;
import aperta.core.time.Signal;
import java.util.List;

/** On and off in pieces of one and two frames (common practice, no source), dark first, until it stays. */
public final class Flicker implements Opening {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "flicker",
                "Flicker",
                "Flickers on in pieces of one and two frames.",
                List.of(Parameter.number("dark", "When off", "%", 0, 1, 0), Signal.SEED));
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        long length = way.passage().length();
        long frame = (long) Math.floor(way.frame());
        // A departure is an arrival run backwards: dark on its last frame.
        long since = way.arriving() ? frame : length - frame;
        return lit((int) recipe.number("seed"), since) ? Opened.REST : Opened.of(Pose.faded(recipe.number("dark")));
    }

    /** Pieces take turns, off first; each lasts one or two frames. */
    static boolean lit(int seed, long frame) {
        long begins = 0;
        boolean on = false;
        for (long piece = 0; ; piece++) {
            long lasts = Chance.unit(seed, piece, 0) < 0.5 ? 1 : 2;
            if (frame < begins + lasts) {
                return on;
            }
            begins += lasts;
            on = !on;
        }
    }
}

package aperta.core.render;

import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Scratch;
import java.util.Optional;
import java.util.function.Consumer;

/** One thread's way through a plan: the results that were made before, and scratch planes. */
public final class Tile {
    private final Scratch scratch;
    private final Results results;

    /** The results of the steps that are made once. */
    interface Results {
        /** Nothing where nobody needs any of the step. */
        <T> Optional<T> of(Step.Made<T> step);
    }

    Tile(Scratch scratch, Results results) {
        this.scratch = scratch;
        this.results = results;
    }

    Scratch scratch() {
        return scratch;
    }

    <T> T made(Step.Made<T> step) {
        return results.of(step).orElseThrow(() -> new IllegalStateException("A step was painted that nobody needs."));
    }

    /** Nothing where nobody needs any of the step. */
    <T> Optional<T> ifMade(Step.Made<T> step) {
        return results.of(step);
    }

    /** Paints a part of a step on borrowed planes and hands it on. */
    void withPicture(Step.Paints step, Region part, Consumer<Picture> use) {
        Picture picture = scratch.picture(part);
        step.paint(picture, this);
        use.accept(picture);
        scratch.give(picture);
    }

    /** Shades a part of a step on a borrowed plane and hands it on. */
    void withMatte(Step.Shades step, Region part, Consumer<Matte> use) {
        Matte matte = scratch.matte(part);
        step.shade(matte, this);
        use.accept(matte);
        scratch.give(matte);
    }
}

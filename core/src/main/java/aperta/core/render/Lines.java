package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.shot.PathLength;
import java.util.List;

/** Paths that coats of paint lie on: known when a picture is planned, or found in another picture while it is made. */
sealed interface Lines {
    /** The box around all of them, or around where they may be found. */
    Box bounds();

    record Known(List<PathLength> paths) implements Lines {
        @Override
        public Box bounds() {
            Box box = Box.EMPTY;
            for (PathLength path : paths) {
                box = box.union(Outline.of(path.path()).bounds());
            }
            return box;
        }
    }

    record Found(Traced traced, Box bounds) implements Lines {}
}

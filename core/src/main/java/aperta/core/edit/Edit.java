package aperta.core.edit;

import aperta.core.geometry.Box;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;

/** One change of a shot that follows rules of its own. */
public interface Edit {
    /**
     * The changed shot.
     *
     * @throws IllegalArgumentException with a plain sentence where the change isn't possible
     */
    Shot apply(Shot shot, Extents extents);

    /** How large layers are, which needs fonts and media. */
    interface Extents {
        /** A layer's box in its own space. */
        Box of(Moment moment, String layer);
    }
}

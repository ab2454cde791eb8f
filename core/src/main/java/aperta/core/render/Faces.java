package aperta.core.render;

import aperta.core.type.Typeface;

/** The fonts that a shot is set in. */
public interface Faces {
    /** @throws IllegalArgumentException with a plain sentence where there is no such font */
    Typeface face(String id);
}

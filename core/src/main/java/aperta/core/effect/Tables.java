package aperta.core.effect;

import java.util.Optional;

/** The colour tables that the project has. */
public interface Tables {
    /** A project without any. */
    Tables NONE = id -> Optional.empty();

    /** Nothing where there is no such file, or it can't be read as one. */
    Optional<CubeTable> table(String id);
}

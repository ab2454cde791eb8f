package aperta.core.edit;

import aperta.core.shot.Shot;
import java.util.List;

/** Edits one after another, as one step. */
public record Several(List<Edit> edits) implements Edit {
    @Override
    public Shot apply(Shot shot, Extents extents) {
        Shot next = shot;
        for (Edit edit : edits) {
            next = edit.apply(next, extents);
        }
        return next;
    }
}

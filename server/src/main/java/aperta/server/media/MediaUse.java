package aperta.server.media;

import java.util.List;
import java.util.UUID;

/** Who shows or lets hear a medium. */
public interface MediaUse {
    /** The names of the shots that use it now. */
    List<String> shotsWith(UUID media);

    /** Whether any state that undo or redo lead to has used it. */
    boolean wasEverUsed(UUID media);
}

package aperta.server.shot;

import aperta.server.media.MediaUse;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Documents and their changes name media by their ids, which occur nowhere else. */
@Component
class ShotsWithMedia implements MediaUse {
    private final ShotRows shots;
    private final EditRows edits;

    ShotsWithMedia(ShotRows shots, EditRows edits) {
        this.shots = shots;
        this.edits = edits;
    }

    @Override
    public List<String> shotsWith(UUID media) {
        return shots.namesOfThoseWith(media.toString());
    }

    @Override
    public boolean wasEverUsed(UUID media) {
        return shots.anyWith(media.toString()) || edits.anyWith(media.toString());
    }
}

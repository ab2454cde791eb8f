package aperta.core.render;

import aperta.core.effect.CubeTable;
import aperta.core.picture.Pixels;
import java.util.Optional;

/** The same clips for small pictures: frames are reduced as they come, before they are turned into colours. */
final class Reduced implements Sources {
    private static final int MOST = 8;

    private final Sources sources;

    Reduced(Sources sources) {
        this.sources = sources;
    }

    @Override
    public Info info(String media) {
        return sources.info(media);
    }

    @Override
    public int level(double scale) {
        int level = 1;
        while (level < MOST && scale * level * 2 <= 1 + 1e-9) {
            level *= 2;
        }
        return level;
    }

    @Override
    public Pixels frame(String media, long frame, int level) {
        return level <= 2
                ? sources.frame(media, frame, level)
                : sources.frame(media, frame, 2).reduced(level / 2);
    }

    @Override
    public Optional<CubeTable> table(String id) {
        return sources.table(id);
    }
}

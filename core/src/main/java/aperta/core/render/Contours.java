package aperta.core.render;

import aperta.core.outline.Outline;
import aperta.core.shot.BezierPath;
import aperta.core.shot.PathLength;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The last few outlines taken apart into their contours. */
final class Contours {
    private static final int MOST = 64;

    private final Map<ContentKey, List<PathLength>> kept = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<ContentKey, List<PathLength>> eldest) {
            return size() > MOST;
        }
    };

    /** The contours of what an outline goes round; where none overlap, just as they are. */
    synchronized List<PathLength> of(Outline outline) {
        ContentKey key = ContentKey.of("contours").numbers(outline.numbers()).key();
        return kept.computeIfAbsent(key, k -> {
            List<BezierPath> own = outline.paths();
            List<BezierPath> united = outline.merged().paths();
            return PathLength.ofEach(united.size() == own.size() ? own : united);
        });
    }
}

package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.ink.StrokeFinder;
import aperta.core.outline.Outline;
import aperta.core.shot.Stroke;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleConsumer;

/** The last few inks whose strokes were found, since most words stand still while they are written. */
final class Inks {
    private static final int MOST = 64;

    private volatile DoubleConsumer progress = share -> {};

    /**
     * What a pen writes, and how.
     *
     * @param shape all that is written, in the layer's own space
     */
    record Ink(Outline shape, List<Stroke> strokes) {}

    private final Map<ContentKey, Ink> kept = new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<ContentKey, Ink> eldest) {
            return size() > MOST;
        }
    };

    /** Who is told which share of some strokes has been found, while that lasts. */
    void progress(DoubleConsumer told) {
        progress = told;
    }

    /**
     * Finds the strokes of some outlines.
     *
     * @param box what is written where there are none
     */
    synchronized Ink of(List<Outline> words, Box box) {
        List<Outline> all = words.isEmpty() ? List.of(Outline.of(box)) : words;
        ContentKey.Builder key = ContentKey.of("ink");
        all.forEach(o -> key.numbers(o.numbers()));
        return kept.computeIfAbsent(key.key(), k -> {
            Outline shape = Outline.NOTHING;
            for (Outline word : all) {
                shape = shape.and(word);
            }
            return new Ink(shape, StrokeFinder.of(all, progress));
        });
    }
}

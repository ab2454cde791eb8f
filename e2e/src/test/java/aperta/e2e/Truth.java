package aperta.e2e;

import aperta.core.picture.Picture;
import aperta.core.render.Cache;
import aperta.core.render.Planner;
import aperta.core.render.Renderer;
import aperta.core.render.Workers;
import aperta.core.shot.Shot;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.ClipSources;
import java.util.Optional;

/** Where letters are, from the engine itself, for what is counted in decoded frames. */
final class Truth {
    private static final int AROUND = 5;

    private Truth() {}

    /** A layer that needs no media, alone on a frame. */
    static Picture alone(Shot shot, String layer, long frame) {
        Planner planner = new Planner(new ClipSources(id -> Optional.empty()), new FontShelf(id -> Optional.empty()));
        try (Workers workers = new Workers(2)) {
            return new Renderer(Cache.NONE, workers)
                    .show(planner.plan(planner.moment(shot, frame), layer, 1), frame)
                    .picture();
        }
    }

    /** Whether the alpha is as wanted around a pixel, too, so that what coding does to edges doesn't count. */
    static boolean eroded(Picture p, int x, int y, float wanted) {
        for (int dy = -AROUND; dy <= AROUND; dy++) {
            for (int dx = -AROUND; dx <= AROUND; dx++) {
                if (p.at(x + dx, y + dy)[3] != wanted) {
                    return false;
                }
            }
        }
        return true;
    }
}

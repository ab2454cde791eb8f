package aperta.core.render;

import aperta.core.effect.CubeTable;
import aperta.core.effect.Tables;
import aperta.core.picture.Pixels;
import aperta.core.time.Rate;
import java.util.Optional;

/** The clips and stills that a shot shows, and the colour tables that it uses. */
public interface Sources extends Tables {
    /**
     * @param content names what the file holds, so that equal names mean equal frames
     * @param frames how many there are; 1 for a still
     */
    record Info(String content, int width, int height, Rate rate, long frames, boolean alpha) {}

    /** @throws IllegalArgumentException with a plain sentence where there is no such media */
    Info info(String media);

    /** By how much the sides of frames are reduced that are shown at a scale; a finer frame is never enlarged for it. */
    default int level(double scale) {
        return scale <= 0.5 + 1e-9 ? 2 : 1;
    }

    /**
     * A frame by number, as it is in the file (level 1) or with sides that many times as short, rounded up.
     *
     * @throws RenderException where the frame can't be read
     */
    Pixels frame(String media, long frame, int level);

    @Override
    default Optional<CubeTable> table(String id) {
        return Optional.empty();
    }
}

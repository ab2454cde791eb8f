package aperta.core.render;

import aperta.core.picture.Region;
import aperta.core.shot.Light;

/**
 * All that is to be painted of a moment.
 *
 * @param picture in the values of {@code light}
 * @param frame the pixels that are asked for
 */
public record Plan(Step.Paints picture, Region frame, Light light) {
    /** Equal keys mean equal pixels as they are shown. */
    public ContentKey key() {
        return ContentKey.of("plan")
                .step(picture)
                .region(frame)
                .number((long) light.ordinal())
                .key();
    }
}

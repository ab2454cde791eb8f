package aperta.core.effect;

import aperta.core.picture.Compose;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;

/** The alpha of pictures where they may have none. */
final class Alpha {
    private Alpha() {}

    /** On a whole region: 0 where the picture has nothing. */
    static Matte on(Region region, Picture picture) {
        Matte alpha = new Matte(region);
        Compose.alpha(picture, alpha);
        return alpha;
    }
}

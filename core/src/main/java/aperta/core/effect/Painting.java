package aperta.core.effect;

import aperta.core.colour.Colour;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;

/** A colour seen through a matte. */
final class Painting {
    private Painting() {}

    /** @param colour in the values of the picture */
    static Picture with(Matte matte, Colour colour) {
        Region d = matte.domain();
        Picture result = new Picture(d);
        float[] c = {(float) colour.red(), (float) colour.green(), (float) colour.blue(), 1};
        for (int y = d.y(); y < d.bottom(); y++) {
            int from = matte.index(d.x(), y);
            int at = result.index(d.x(), y);
            for (int k = 0; k < 4; k++) {
                float[] p = result.planes()[k];
                float by = c[k] * (float) colour.alpha();
                for (int i = 0; i < d.width(); i++) {
                    p[at + i] = matte.values()[from + i] * by;
                }
            }
        }
        return result;
    }
}

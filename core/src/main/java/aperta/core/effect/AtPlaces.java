package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;

/** Changes the colour of each pixel by itself and by where it lies, not premultiplied and as the display is told it. */
abstract class AtPlaces implements Worked.ByPixel {
    private final double[] numbers;
    private final Affine back;
    private final Transfer transfer;

    AtPlaces(Effect.Setting setting, Numbers numbers) {
        this.numbers =
                numbers.and(setting.toRaster()).and(setting.light().ordinal()).array();
        this.back = setting.toRaster().inverse().orElseThrow();
        this.transfer = Transfer.of(setting.light());
    }

    /**
     * Changes a pixel.
     *
     * @param c red, green, blue
     * @param u and {@code v}: its place, in the layer's own pixels
     */
    abstract void change(float[] c, double u, double v);

    @Override
    public double[] numbers() {
        return numbers;
    }

    @Override
    public final void change(Picture picture) {
        Region d = picture.domain();
        float[][] p = picture.planes();
        float[] c = new float[3];
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = picture.index(d.x(), y);
            for (int x = d.x(); x < d.right(); x++, at++) {
                float a = p[3][at];
                if (a > 0) {
                    float by = a == 1 ? 1 : 1 / a;
                    for (int k = 0; k < 3; k++) {
                        c[k] = transfer.toDisplay(p[k][at] * by);
                    }
                    change(
                            c,
                            back.a() * (x + 0.5) + back.c() * (y + 0.5) + back.e(),
                            back.b() * (x + 0.5) + back.d() * (y + 0.5) + back.f());
                    for (int k = 0; k < 3; k++) {
                        p[k][at] = transfer.toLight(OnColours.clamped(c[k])) * a;
                    }
                }
            }
        }
    }
}

package aperta.core.effect;

import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Light;

/** Changes the colour of each pixel by itself, not premultiplied and as the display is told it. */
abstract class OnColours implements Worked.ByPixel {
    static final float[] LUMA = {0.2126f, 0.7152f, 0.0722f};

    private final double[] numbers;
    private final Transfer transfer;

    OnColours(Recipe values, Light light) {
        this.numbers = Numbers.of(values).and(light.ordinal()).array();
        this.transfer = Transfer.of(light);
    }

    /**
     * Changes a pixel.
     *
     * @param c red, green, blue, and its alpha, over 0
     */
    abstract void change(float[] c);

    @Override
    public double[] numbers() {
        return numbers;
    }

    @Override
    public final void change(Picture picture) {
        Region d = picture.domain();
        float[][] p = picture.planes();
        float[] c = new float[4];
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = picture.index(d.x(), y);
            for (int i = at; i < at + d.width(); i++) {
                float a = p[3][i];
                if (a > 0) {
                    float by = a == 1 ? 1 : 1 / a;
                    c[0] = transfer.toDisplay(p[0][i] * by);
                    c[1] = transfer.toDisplay(p[1][i] * by);
                    c[2] = transfer.toDisplay(p[2][i] * by);
                    c[3] = a;
                    change(c);
                    p[0][i] = transfer.toLight(c[0]) * c[3];
                    p[1][i] = transfer.toLight(c[1]) * c[3];
                    p[2][i] = transfer.toLight(c[2]) * c[3];
                    p[3][i] = c[3];
                }
            }
        }
    }

    static float clamped(float v) {
        return v > 1 ? 1 : v < 0 ? 0 : v;
    }

    /** Luma by the weights of BT.709. */
    static float luma(float[] c) {
        return LUMA[0] * c[0] + LUMA[1] * c[1] + LUMA[2] * c[2];
    }
}

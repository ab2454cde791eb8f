package aperta.core.picture;

import aperta.core.shot.Light;

/**
 * Exposure, then saturation. Exposure multiplies amounts of light by a power of two, by the curve of IEC 61966-2-1 where the
 * shot's values are display-encoded. Saturation moves each colour along the line to the grey of its ITU-R BT.709 luma, in the shot's
 * values, as the saturate matrix of W3C Filter Effects, §9.6, does.
 */
public final class Taming {
    private static final int STEPS = 4096;

    private final float factor;
    private final float saturation;
    private final Transfer transfer;
    /** What display-encoded values become by exposure, in even steps from 0 to 1. */
    private final float[] exposed;

    /** @param exposure in stops */
    public Taming(double exposure, double saturation, Light light) {
        this.factor = (float) StrictMath.pow(2, exposure);
        this.saturation = (float) saturation;
        this.transfer = light == Light.DISPLAY ? Transfer.of(Light.LINEAR_SRGB) : Transfer.of(Light.DISPLAY);
        this.exposed = new float[STEPS + 2];
        for (int i = 0; i < exposed.length; i++) {
            exposed[i] = exposed((float) i / STEPS);
        }
    }

    private float exposed(float value) {
        return transfer.toDisplay(transfer.toLight(value) * factor);
    }

    private float read(float value) {
        if (value < 0 || value > 1) {
            return exposed(value);
        }
        float at = value * STEPS;
        int i = (int) at;
        return exposed[i] + (exposed[i + 1] - exposed[i]) * (at - i);
    }

    /** Changes every pixel of a premultiplied picture. */
    public void apply(Picture p) {
        Region d = p.domain();
        for (int y = d.y(); y < d.bottom(); y++) {
            int from = p.index(d.x(), y);
            for (int i = from; i < from + d.width(); i++) {
                float alpha = p.alpha[i];
                if (alpha > 0) {
                    pixel(p, i, alpha);
                }
            }
        }
    }

    private void pixel(Picture p, int i, float alpha) {
        float r = p.red[i] / alpha;
        float g = p.green[i] / alpha;
        float b = p.blue[i] / alpha;
        if (factor != 1) {
            r = read(r);
            g = read(g);
            b = read(b);
        }
        float luma = 0.2126f * r + 0.7152f * g + 0.0722f * b;
        p.red[i] = Math.max(0, luma + (r - luma) * saturation) * alpha;
        p.green[i] = Math.max(0, luma + (g - luma) * saturation) * alpha;
        p.blue[i] = Math.max(0, luma + (b - luma) * saturation) * alpha;
    }
}

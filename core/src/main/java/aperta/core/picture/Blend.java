package aperta.core.picture;

import aperta.core.shot.BlendMode;

/**
 * The blend functions B(Cb, Cs) of W3C Compositing and Blending Level 1, §10, on straight colours, and their
 * compositing with source-over (§5.8.1): {@code co = αs(1−αb)·Cs + (1−αs)αb·Cb + αs·αb·B(Cb, Cs)}.
 */
final class Blend {
    private Blend() {}

    /** Puts {@code count} pixels of a source over a backdrop, in place. */
    static void row(BlendMode mode, Picture over, int at, Picture source, int from, int count) {
        float[] b = new float[3];
        float[] s = new float[3];
        float[] o = new float[3];
        for (int k = 0; k < count; k++) {
            int i = at + k;
            int j = from + k;
            float as = source.alpha[j];
            float ab = over.alpha[i];
            if (as == 0) {
                // Light without cover adds itself, as the formula's first term does in premultiplied form.
                over.red[i] += source.red[j];
                over.green[i] += source.green[j];
                over.blue[i] += source.blue[j];
                continue;
            }
            straight(source, j, as, s);
            if (ab > 0) {
                straight(over, i, ab, b);
            }
            mix(mode, b, s, o);
            float both = as * ab;
            over.red[i] = source.red[j] * (1 - ab) + over.red[i] * (1 - as) + both * o[0];
            over.green[i] = source.green[j] * (1 - ab) + over.green[i] * (1 - as) + both * o[1];
            over.blue[i] = source.blue[j] * (1 - ab) + over.blue[i] * (1 - as) + both * o[2];
            over.alpha[i] = as + ab - both;
        }
    }

    private static void straight(Picture p, int i, float alpha, float[] into) {
        into[0] = inDomain(p.red[i] / alpha);
        into[1] = inDomain(p.green[i] / alpha);
        into[2] = inDomain(p.blue[i] / alpha);
    }

    /** The functions are defined for colours of 0 to 1; light beyond them takes part as the brightest there is. */
    private static float inDomain(float value) {
        return value < 0 ? 0 : value > 1 ? 1 : value;
    }

    /** B(Cb, Cs) of the mode. */
    static void mix(BlendMode mode, float[] b, float[] s, float[] o) {
        switch (mode) {
            case HUE -> {
                setSaturation(s, saturation(b), o);
                setLuminosity(o, luminosity(b), o);
            }
            case SATURATION -> {
                setSaturation(b, saturation(s), o);
                setLuminosity(o, luminosity(b), o);
            }
            case COLOR -> setLuminosity(s, luminosity(b), o);
            case LUMINOSITY -> setLuminosity(b, luminosity(s), o);
            default -> {
                for (int c = 0; c < 3; c++) {
                    o[c] = separable(mode, b[c], s[c]);
                }
            }
        }
    }

    private static float separable(BlendMode mode, float b, float s) {
        return switch (mode) {
            case MULTIPLY -> b * s;
            case SCREEN -> b + s - b * s;
            case OVERLAY -> separable(BlendMode.HARD_LIGHT, s, b);
            case DARKEN -> Math.min(b, s);
            case LIGHTEN -> Math.max(b, s);
            case COLOR_DODGE -> b <= 0 ? 0 : s >= 1 ? 1 : Math.min(1, b / (1 - s));
            case COLOR_BURN -> b >= 1 ? 1 : s <= 0 ? 0 : 1 - Math.min(1, (1 - b) / s);
            case HARD_LIGHT -> s <= 0.5f ? b * 2 * s : b + (2 * s - 1) - b * (2 * s - 1);
            case SOFT_LIGHT -> softLight(b, s);
            case DIFFERENCE -> Math.abs(b - s);
            case EXCLUSION -> b + s - 2 * b * s;
            case SUBTRACT -> Math.max(0, b - s);
            default -> s;
        };
    }

    private static float softLight(float b, float s) {
        if (s <= 0.5f) {
            return b - (1 - 2 * s) * b * (1 - b);
        }
        float d = b <= 0.25f ? ((16 * b - 12) * b + 4) * b : (float) Math.sqrt(b);
        return b + (2 * s - 1) * (d - b);
    }

    private static float luminosity(float[] c) {
        return 0.3f * c[0] + 0.59f * c[1] + 0.11f * c[2];
    }

    private static float saturation(float[] c) {
        return Math.max(c[0], Math.max(c[1], c[2])) - Math.min(c[0], Math.min(c[1], c[2]));
    }

    private static void setLuminosity(float[] c, float l, float[] o) {
        float d = l - luminosity(c);
        for (int i = 0; i < 3; i++) {
            o[i] = c[i] + d;
        }
        float lum = luminosity(o);
        float low = Math.min(o[0], Math.min(o[1], o[2]));
        float high = Math.max(o[0], Math.max(o[1], o[2]));
        for (int i = 0; i < 3; i++) {
            if (low < 0) {
                o[i] = lum + (o[i] - lum) * lum / (lum - low);
            }
            if (high > 1) {
                o[i] = lum + (o[i] - lum) * (1 - lum) / (high - lum);
            }
        }
    }

    private static void setSaturation(float[] c, float s, float[] o) {
        float low = Math.min(c[0], Math.min(c[1], c[2]));
        float span = saturation(c);
        for (int i = 0; i < 3; i++) {
            o[i] = span > 0 ? (c[i] - low) * s / span : 0;
        }
    }
}

package aperta.core.picture;

import aperta.core.shot.BlendMode;
import java.util.Optional;

/** Pictures laid on pictures, and pictures weighed by mattes; all in place, on the pixels that both domains share. */
public final class Compose {
    private Compose() {}

    /** Lays {@code source} over {@code backdrop}. */
    public static void over(Picture backdrop, Picture source, BlendMode mode) {
        Region both = backdrop.domain().intersect(source.domain());
        for (int y = both.y(); y < both.bottom(); y++) {
            int at = backdrop.index(both.x(), y);
            int from = source.index(both.x(), y);
            switch (mode) {
                case NORMAL -> sourceOver(backdrop, at, source, from, both.width());
                case PLUS_LIGHTER -> plusLighter(backdrop, at, source, from, both.width());
                default -> Blend.row(mode, backdrop, at, source, from, both.width());
            }
        }
    }

    /** Porter and Duff 1984: {@code Fa = 1, Fb = 1 − αa}. */
    private static void sourceOver(Picture backdrop, int at, Picture source, int from, int count) {
        float[] alpha = source.alpha;
        float[][] under = backdrop.planes();
        float[][] above = source.planes();
        for (int c = 0; c < 4; c++) {
            float[] u = under[c];
            float[] a = above[c];
            for (int k = 0; k < count; k++) {
                u[at + k] = a[from + k] + u[at + k] * (1 - alpha[from + k]);
            }
        }
    }

    /** W3C Compositing and Blending Level 1, §9.1.14: {@code min(1, αs·Cs + αb·Cb)}; light beyond 1 is kept. */
    private static void plusLighter(Picture backdrop, int at, Picture source, int from, int count) {
        for (int k = 0; k < count; k++) {
            int i = at + k;
            int j = from + k;
            backdrop.red[i] += source.red[j];
            backdrop.green[i] += source.green[j];
            backdrop.blue[i] += source.blue[j];
            backdrop.alpha[i] = Math.min(1, backdrop.alpha[i] + source.alpha[j]);
        }
    }

    /**
     * Adds a picture's light to another only as far as there is something: each sum {@code αb·Cb + αb·αs·Cs}, and the alpha
     * stays what it was.
     */
    public static void addInside(Picture backdrop, Picture source) {
        Region both = backdrop.domain().intersect(source.domain());
        for (int y = both.y(); y < both.bottom(); y++) {
            int at = backdrop.index(both.x(), y);
            int from = source.index(both.x(), y);
            for (int k = 0; k < both.width(); k++) {
                float alpha = backdrop.alpha[at + k];
                backdrop.red[at + k] += alpha * source.red[from + k];
                backdrop.green[at + k] += alpha * source.green[from + k];
                backdrop.blue[at + k] += alpha * source.blue[from + k];
            }
        }
    }

    /**
     * Takes back what a picture that was laid over another shows beside it: Porter and Duff's <em>atop</em>,
     * {@code Fa = αb, Fb = 1 − αa}, with whichever colours it was laid over.
     *
     * @param result of laying {@code source} over {@code below}
     */
    public static void stayInside(Picture result, Picture source, Picture below) {
        Region both = result.domain().intersect(source.domain());
        float[][] now = result.planes();
        float[][] before = below.planes();
        for (int y = both.y(); y < both.bottom(); y++) {
            int at = result.index(both.x(), y);
            int from = source.index(both.x(), y);
            int old = below.index(both.x(), y);
            for (int c = 0; c < 4; c++) {
                for (int k = 0; k < both.width(); k++) {
                    float kept = before[c][old + k] * (1 - source.alpha[from + k]);
                    now[c][at + k] = kept + below.alpha[old + k] * (now[c][at + k] - kept);
                }
            }
        }
    }

    /** Copies the pixels that both have. */
    public static void copy(Picture into, Picture source) {
        Region both = into.domain().intersect(source.domain());
        float[][] to = into.planes();
        float[][] from = source.planes();
        for (int y = both.y(); y < both.bottom(); y++) {
            int at = into.index(both.x(), y);
            int start = source.index(both.x(), y);
            for (int c = 0; c < 4; c++) {
                System.arraycopy(from[c], start, to[c], at, both.width());
            }
        }
    }

    /** Multiplies every pixel by the matte's value: Porter and Duff's <em>in</em>; outside the matte nothing stays. */
    public static void inside(Picture picture, Matte matte) {
        weigh(picture, matte, true);
    }

    /** Multiplies every pixel by 1 minus the matte's value: Porter and Duff's <em>out</em>. */
    public static void outside(Picture picture, Matte matte) {
        weigh(picture, matte, false);
    }

    private static void weigh(Picture picture, Matte matte, boolean inside) {
        Region d = picture.domain();
        Region both = d.intersect(matte.domain());
        if (inside) {
            clearOutside(picture, both);
        }
        float[][] planes = picture.planes();
        for (int y = both.y(); y < both.bottom(); y++) {
            int at = picture.index(both.x(), y);
            int from = matte.index(both.x(), y);
            for (float[] p : planes) {
                weighRow(p, at, matte.value, from, both.width(), inside);
            }
        }
    }

    private static void weighRow(float[] p, int at, float[] m, int from, int count, boolean inside) {
        if (inside) {
            for (int k = 0; k < count; k++) {
                p[at + k] *= m[from + k];
            }
        } else {
            for (int k = 0; k < count; k++) {
                p[at + k] *= 1 - m[from + k];
            }
        }
    }

    private static void clearOutside(Picture picture, Region kept) {
        Region d = picture.domain();
        if (kept.isEmpty()) {
            picture.clear();
            return;
        }
        picture.view(new Region(d.x(), d.y(), d.width(), kept.y() - d.y())).clear();
        picture.view(new Region(d.x(), kept.bottom(), d.width(), d.bottom() - kept.bottom()))
                .clear();
        picture.view(new Region(d.x(), kept.y(), kept.x() - d.x(), kept.height()))
                .clear();
        picture.view(new Region(kept.right(), kept.y(), d.right() - kept.right(), kept.height()))
                .clear();
    }

    /** Multiplies all by one number. */
    public static void fade(Picture picture, float opacity) {
        Region d = picture.domain();
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = picture.index(d.x(), y);
            for (float[] p : picture.planes()) {
                for (int k = 0; k < d.width(); k++) {
                    p[at + k] *= opacity;
                }
            }
        }
    }

    /** Adds a share of every pixel that both have. */
    public static void add(Picture into, Picture source, float share) {
        Region both = into.domain().intersect(source.domain());
        float[][] to = into.planes();
        float[][] from = source.planes();
        for (int y = both.y(); y < both.bottom(); y++) {
            int at = into.index(both.x(), y);
            int start = source.index(both.x(), y);
            for (int c = 0; c < 4; c++) {
                for (int k = 0; k < both.width(); k++) {
                    to[c][at + k] += from[c][start + k] * share;
                }
            }
        }
    }

    /** The alpha of a picture as a matte. */
    public static void alpha(Picture picture, Matte into) {
        Region both = picture.domain().intersect(into.domain());
        for (int y = both.y(); y < both.bottom(); y++) {
            System.arraycopy(
                    picture.alpha, picture.index(both.x(), y), into.value, into.index(both.x(), y), both.width());
        }
    }

    /**
     * The brightness of a picture on black as a matte: ITU-R BT.709 luma {@code 0.2126 R′ + 0.7152 G′ + 0.0722 B′} of
     * the display-encoded values, kept between 0 and 1.
     *
     * @param transfer of the picture's values
     */
    public static void brightness(Picture picture, Transfer transfer, Matte into) {
        Region both = picture.domain().intersect(into.domain());
        for (int y = both.y(); y < both.bottom(); y++) {
            int i = picture.index(both.x(), y);
            int at = into.index(both.x(), y);
            for (int k = 0; k < both.width(); k++) {
                float luma = 0.2126f * transfer.toDisplay(picture.red[i + k])
                        + 0.7152f * transfer.toDisplay(picture.green[i + k])
                        + 0.0722f * transfer.toDisplay(picture.blue[i + k]);
                into.value[at + k] = Math.min(1, Math.max(0, luma));
            }
        }
    }

    /**
     * Goes from a picture towards another: {@code into + share · (other − into)}, where a share is given by a matte, too,
     * times that. Both lie on the same domain.
     */
    public static void towards(Picture into, Picture other, float share, Optional<Matte> where) {
        Region d = into.domain();
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = into.index(d.x(), y);
            int from = other.index(d.x(), y);
            for (int x = 0; x < d.width(); x++, at++, from++) {
                float w = share * (where.isPresent() ? where.get().at(d.x() + x, y) : 1);
                into.red[at] += w * (other.red[from] - into.red[at]);
                into.green[at] += w * (other.green[from] - into.green[at]);
                into.blue[at] += w * (other.blue[from] - into.blue[at]);
                into.alpha[at] += w * (other.alpha[from] - into.alpha[at]);
            }
        }
    }
}

package aperta.vision;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/**
 * What one frame shows where a figure is, kept small: its coverage as it was carried there, the picture, and the plate behind
 * it; and the same at half the size, by which frames are compared.
 */
final class FigureFrame {
    /** How far the picture around the figure is kept, in pixels. */
    private static final int AROUND = 20;
    /** What of a frame is kept at most for each pixel, in bytes: coverage, colours, plate, known, and a quarter of three floats. */
    static final int BYTES = 11;

    private static final int WHOLE = 255;

    final long frame;
    /** Its sides are even. */
    final Region part;

    final byte[] coverage;
    final byte[][] picture;
    final byte[][] plate;
    final boolean[] known;
    final Half half;

    /**
     * At half the size.
     *
     * @param seen the brightness of the picture, below 0 where the plate isn't known
     * @param empty the brightness of the plate
     */
    record Half(int x, int y, int width, int height, float[] coverage, float[] seen, float[] empty) {}

    FigureFrame(long frame, Region part, Matte alpha, byte[][] picture, byte[][] plate, boolean[] known) {
        this.frame = frame;
        this.part = part;
        this.coverage = new byte[part.width() * part.height()];
        for (int y = 0; y < part.height(); y++) {
            for (int x = 0; x < part.width(); x++) {
                float a = alpha.at(part.x() + x, part.y() + y);
                coverage[y * part.width() + x] = (byte) Math.round(WHOLE * Math.max(0, Math.min(1, a)));
            }
        }
        this.picture = picture;
        this.plate = plate;
        this.known = known;
        this.half = half();
    }

    /** @param alpha the coverage of a figure of which something is in the picture */
    static FigureFrame of(long frame, Matte alpha, EvenLight film, CleanPlate plate) {
        Region there = part(alpha, film.frame());
        CleanPlate.Part empty = plate.full(frame, () -> film.reduced(frame), there);
        boolean[] known = new boolean[there.width() * there.height()];
        for (int i = 0; i < known.length; i++) {
            known[i] = empty.known(i);
        }
        return new FigureFrame(frame, there, alpha, bytes(film.colours(frame, there)), bytes(empty.colours()), known);
    }

    /** The same with another coverage. */
    FigureFrame with(Matte alpha) {
        return new FigureFrame(frame, part, alpha, picture, plate, known);
    }

    /** Where there is anything of a figure, and what is around it; nothing where there is no figure. */
    static Region part(Matte alpha, Region picture) {
        Region there = alpha.where(1f / WHOLE);
        if (there.isEmpty()) {
            return Region.NOTHING;
        }
        Region around = there.grown(AROUND).intersect(picture);
        int left = (around.x() + 1) / 2 * 2;
        int top = (around.y() + 1) / 2 * 2;
        return new Region(left, top, (around.right() - left) / 2 * 2, (around.bottom() - top) / 2 * 2);
    }

    private static byte[][] bytes(Colours colours) {
        byte[][] to = new byte[3][colours.width() * colours.height()];
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < to[c].length; i++) {
                to[c][i] = (byte) Math.round(Math.max(0, Math.min(WHOLE, colours.channels()[c][i])));
            }
        }
        return to;
    }

    private Half half() {
        int w = part.width() / 2;
        int h = part.height() / 2;
        Half to = new Half(part.x() / 2, part.y() / 2, w, h, new float[w * h], new float[w * h], new float[w * h]);
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int i = y * w + x;
                boolean all = true;
                for (int k = 0; k < 4; k++) {
                    int at = (2 * y + k / 2) * part.width() + 2 * x + k % 2;
                    all &= known[at];
                    to.coverage[i] += (coverage[at] & 255) / (4f * WHOLE);
                    for (int c = 0; c < 3; c++) {
                        to.seen[i] += (picture[c][at] & 255) / 12f;
                        to.empty[i] += (plate[c][at] & 255) / 12f;
                    }
                }
                to.seen[i] = all ? to.seen[i] : -1;
            }
        }
        return to;
    }
}

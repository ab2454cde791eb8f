package aperta.vision;

import aperta.core.picture.Picture;
import aperta.core.picture.Pixels;
import aperta.core.picture.Region;
import aperta.core.render.Sources;
import java.util.LinkedHashMap;
import java.util.Map;

/** A clip's frames, kept for a while: whoever goes backwards wants those before the one just read, which come first. */
public final class ClipFilm implements Film {
    /** How many frames are read on before the one that is wanted, where the film runs backwards. */
    private static final int STRETCH = 32;

    private static final int KEPT = STRETCH + 4;
    /** The weights of BT.709. */
    private static final float RED = 0.2126f;

    private static final float GREEN = 0.7152f;
    private static final float BLUE = 0.0722f;

    /** What colours are counted up to. */
    private static final float WHITE = 255;

    private final Sources sources;
    private final String media;
    private final int level;
    private final Sources.Info info;
    private final Map<Long, Pixels> kept = new LinkedHashMap<>(KEPT, 0.75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, Pixels> eldest) {
            return size() > KEPT;
        }
    };
    private long last = Long.MIN_VALUE;
    private Reduced reduced = new Reduced(-1, 1, null);

    private record Reduced(long frame, int by, Colours colours) {}

    /** @param level 1 for the clip's own pictures, 2 for those of half its size */
    public ClipFilm(Sources sources, String media, int level) {
        this.sources = sources;
        this.media = media;
        this.level = level;
        this.info = sources.info(media);
    }

    @Override
    public int width() {
        return (info.width() + level - 1) / level;
    }

    @Override
    public int height() {
        return (info.height() + level - 1) / level;
    }

    @Override
    public long frames() {
        return info.frames();
    }

    @Override
    public int level() {
        return level;
    }

    /** A frame as it is decoded. */
    public Pixels pixels(long frame) {
        Pixels known = kept.get(frame);
        if (known == null) {
            long from = frame < last ? Math.max(0, frame - STRETCH + 1) : frame;
            for (long f = from; f <= frame; f++) {
                known = sources.frame(media, f, level);
                kept.put(f, known);
            }
        }
        last = frame;
        return known;
    }

    @Override
    public float[] grey(long frame, Region part) {
        Pixels pixels = pixels(frame);
        int w = pixels.width();
        int h = pixels.height();
        float[] all = new float[part.width() * part.height()];
        int x0 = Math.min(w - 1, Math.max(0, part.x()));
        int x1 = Math.max(x0 + 1, Math.min(w, part.right()));
        Picture row = new Picture(new Region(x0, 0, x1 - x0, 1));
        float[][] planes = row.planes();
        int read = Integer.MIN_VALUE;
        for (int y = 0; y < part.height(); y++) {
            int wanted = Math.min(h - 1, Math.max(0, part.y() + y));
            if (wanted != read) {
                pixels.row(wanted, x0, x1 - x0, row, row.index(x0, 0));
                read = wanted;
            }
            for (int x = 0; x < part.width(); x++) {
                int i = row.index(Math.min(x1 - 1, Math.max(x0, part.x() + x)), 0);
                all[y * part.width() + x] = RED * planes[0][i] + GREEN * planes[1][i] + BLUE * planes[2][i];
            }
        }
        return all;
    }

    /** The colours of a part of a frame, which lies inside the picture. */
    Colours colours(long frame, Region part) {
        return colours(pixels(frame), part);
    }

    /** All of a frame. */
    Colours colours(long frame) {
        return colours(frame, new Region(0, 0, width(), height()));
    }

    /** The opponent colours of all of a frame with sides so many times as short, rounded up. */
    Colours reduced(long frame, int by) {
        if (reduced.frame != frame || reduced.by != by) {
            reduced = new Reduced(frame, by, reduced(pixels(frame), by));
        }
        return reduced.colours;
    }

    /** The opponent colours of a frame, as they are {@link #reduced}. */
    static Colours reduced(Pixels pixels, int by) {
        Pixels small = by == 1 ? pixels : pixels.reduced(by);
        return colours(small, new Region(0, 0, small.width(), small.height())).opponent();
    }

    /** Red, green and blue of each pixel of a frame in turn. */
    static byte[] bytes(Pixels pixels) {
        int w = pixels.width();
        byte[] all = new byte[3 * w * pixels.height()];
        Picture row = new Picture(new Region(0, 0, w, 1));
        int first = row.index(0, 0);
        for (int y = 0; y < pixels.height(); y++) {
            pixels.row(y, 0, w, row, first);
            for (int c = 0; c < 3; c++) {
                float[] values = row.planes()[c];
                int at = 3 * w * y + c;
                for (int x = 0; x < w; x++) {
                    all[at + 3 * x] = (byte) Math.max(0, Math.min(WHITE, Math.rint(values[first + x] * WHITE)));
                }
            }
        }
        return all;
    }

    private static Colours colours(Pixels pixels, Region part) {
        Picture all = new Picture(part);
        for (int y = part.y(); y < part.bottom(); y++) {
            pixels.row(y, part.x(), part.width(), all, all.index(part.x(), y));
        }
        float[][] rgb = {all.planes()[0], all.planes()[1], all.planes()[2]};
        for (float[] plane : rgb) {
            for (int i = 0; i < plane.length; i++) {
                plane[i] *= WHITE;
            }
        }
        return new Colours(part.width(), part.height(), rgb);
    }
}

package aperta.core.render;

import aperta.core.picture.Bands;
import aperta.core.picture.Bytes;
import aperta.core.picture.Picture;
import aperta.core.picture.Planar;
import aperta.core.picture.Region;
import aperta.core.picture.Scratch;
import aperta.core.picture.Transfer;
import aperta.core.picture.Yuv;
import aperta.core.shot.Light;
import java.util.Optional;

/**
 * A frame whose lasting parts are made, ready to be painted as whatever is wanted. It is painted in bands of rows on all
 * threads, and in blocks within them, so that a layer costs nothing where none of it is seen.
 */
public final class PreparedFrame {
    /** Even, since a row of chroma stands for two of luma. */
    private static final int BAND = 16;
    /** How wide the blocks are in which layers that aren't seen are left out. */
    private static final int BLOCK = 64;
    /** How wide the blocks are that are looked at for samples to go through; even too. */
    private static final int SAMPLES = 16;

    private static final Tile.Results NOTHING_MADE = new Tile.Results() {
        @Override
        public <T> Optional<T> of(Step.Made<T> step) {
            return Optional.empty();
        }
    };

    private final Plan plan;
    private final long number;
    private final Tile.Results results;
    private final ThreadLocal<Scratch> scratch;
    private final Bands bands;

    PreparedFrame(Plan plan, long number, Tile.Results results, ThreadLocal<Scratch> scratch, Bands bands) {
        this.plan = plan;
        this.number = number;
        this.results = results;
        this.scratch = scratch;
        this.bands = bands;
    }

    /** A picture that is there already, with display-encoded values; its domain is the frame. */
    public static PreparedFrame of(Picture picture, long number, Bands bands) {
        Plan plan = new Plan(new FinishedPicture(picture), picture.domain(), Light.DISPLAY);
        return new PreparedFrame(plan, number, NOTHING_MADE, ThreadLocal.withInitial(Scratch::new), bands);
    }

    public Region frame() {
        return plan.frame();
    }

    /** All of it, in the values of the shot's light. */
    public Picture picture() {
        Picture whole = new Picture(frame());
        eachBand(band -> paint(whole.view(band), BLOCK));
        return whole;
    }

    /** Rows of red, green, blue and straight alpha, 8 bits each, dithered. */
    public byte[] rgba(Bytes.See see) {
        Region frame = frame();
        byte[] out = new byte[Math.toIntExact(frame.area() * 4)];
        Transfer transfer = Transfer.of(plan.light());
        eachBand(band -> {
            Picture rows = scratch.get().picture(band);
            paint(rows, BLOCK);
            Bytes.rgba(rows, frame, transfer, number, see, out);
            scratch.get().give(rows);
        });
        return out;
    }

    /**
     * The planes Y′, Cb, Cr as {@link Yuv} describes them, on black, dithered. Where nothing but samples of the same kind
     * is seen, unmoved or moved by an even number of pixels, they go through as they are.
     *
     * @param out at least {@link Yuv#size} long
     */
    public void planar420(byte[] out) {
        Region frame = frame();
        Yuv yuv = new Yuv(frame, Transfer.of(plan.light()), number, out);
        eachBand(band -> {
            Tile tile = new Tile(scratch.get(), results);
            int from = band.x();
            for (int x = band.x(); x < band.right(); x += SAMPLES) {
                Region block = new Region(x, band.y(), Math.min(SAMPLES, band.right() - x), band.height());
                Optional<DecodedSamples> straight = plan.picture().decodedSamples(block, tile);
                if (straight.isPresent()
                        && straight.get().pixels() instanceof Planar planar
                        && yuv.copy(planar, straight.get().dx(), straight.get().dy(), block)) {
                    convert(yuv, new Region(from, band.y(), x - from, band.height()));
                    from = block.right();
                }
            }
            convert(yuv, new Region(from, band.y(), band.right() - from, band.height()));
        });
    }

    private void convert(Yuv yuv, Region part) {
        if (part.isEmpty()) {
            return;
        }
        Picture values = scratch.get().picture(yuv.needs(part));
        paint(values, part.width() + 1);
        yuv.convert(values, part);
        scratch.get().give(values);
    }

    private interface Band {
        void use(Region band);
    }

    private void eachBand(Band use) {
        Region f = frame();
        bands.run(f.height(), BAND, (from, to) -> use.use(new Region(f.x(), f.y() + from, f.width(), to - from)));
    }

    /** Writes every pixel of {@code into}, in blocks of a width. */
    private void paint(Picture into, int width) {
        Region part = into.domain();
        Tile tile = new Tile(scratch.get(), results);
        for (int x = part.x(); x < part.right(); x += width) {
            Picture block = into.view(new Region(x, part.y(), width, part.height()));
            Region seen = block.domain().intersect(plan.picture().domain());
            if (!seen.equals(block.domain())) {
                block.clear();
            }
            if (!seen.isEmpty()) {
                plan.picture().paint(block.view(seen), tile);
            }
        }
    }
}

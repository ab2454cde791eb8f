package aperta.core.render;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Bands;
import aperta.core.picture.Packed;
import aperta.core.picture.Picture;
import aperta.core.picture.Pixels;
import aperta.core.picture.Region;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Paint;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Rate;
import aperta.core.type.Typeface;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;

/** What the tests of pictures share: small clips made of numbers, one font, and a renderer. */
public final class Studio {
    public static final Format SMALL = new Format(160, 90, Rate.of(24));
    public static final Region FRAME = new Region(0, 0, 160, 90);

    /** A clip without details as fine as a pixel. */
    public static final String SMOOTH = "smooth";

    /** The coverage of a figure: whole from 40 + its frame on, for 60 pixels, then half for 20, down all of the picture. */
    public static final String COVERAGE = "coverage";

    /** One that is whole from 40 + its frame on for 60 pixels, with faults: on frame 10 it lacks a corner. */
    public static final String FAULTY = "faulty";

    /** Counts how often a frame was decoded. */
    public final AtomicInteger decoded = new AtomicInteger();

    public final Planner planner = new Planner(new Clips(), id -> anton());

    private final class Clips implements Sources {
        @Override
        public Info info(String media) {
            return new Info(media, 160, 90, Rate.of(24), 48, false);
        }

        @Override
        public Pixels frame(String media, long frame, int level) {
            decoded.incrementAndGet();
            int w = (160 + level - 1) / level;
            int h = (90 + level - 1) / level;
            byte[] data = new byte[w * h * 3];
            if (media.equals(SMOOTH)) {
                for (int i = 0; i < w * h; i++) {
                    double x = (i % w + 0.5) * level;
                    double y = (i / w + 0.5) * level;
                    data[3 * i] = (byte) Math.round(128 + 90 * Math.sin(x / 19 + frame * 0.3));
                    data[3 * i + 1] = (byte) Math.round(128 + 90 * Math.sin(y / 13 + x / 40));
                    data[3 * i + 2] = (byte) Math.round(128 + 90 * Math.cos((x - y) / 27));
                }
                return new Packed(w, h, 3, 8, data);
            }
            if (media.equals(COVERAGE)) {
                for (int i = 0; i < data.length; i++) {
                    double x = (i / 3 % w + 0.5) * level - 40 - frame;
                    data[i] = (byte) (x < 0 || x >= 80 ? 0 : x < 60 ? 255 : 128);
                }
                return new Packed(w, h, 3, 8, data);
            }
            if (media.equals(FAULTY)) {
                for (int i = 0; i < data.length; i++) {
                    int x = (i / 3 % w) * level;
                    int y = (i / 3 / w) * level;
                    boolean across = x >= 40 + frame && x < 100 + frame && y >= 6 && y < 84;
                    boolean missing = frame == 10 && y < 30 && x >= 80 + frame;
                    boolean low = y >= 70 && y < 74;
                    boolean hole = low && x >= 60 + frame && x < 64 + frame;
                    boolean speck = low && x >= frame && x < 4 + frame;
                    data[i] = (byte) (across && !missing && !hole || speck ? 255 : 0);
                }
                return new Packed(w, h, 3, 8, data);
            }
            int base = media.hashCode();
            for (int i = 0; i < data.length; i++) {
                data[i] = (byte) ((i * 7 + base + frame * 31) % 251);
            }
            return new Packed(w, h, 3, 8, data);
        }
    }

    public static Typeface anton() {
        try {
            return Typeface.of(Files.readAllBytes(Path.of("../media/src/main/resources/fonts/anton.ttf")));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static Shot shot(Layer... layers) {
        return new Shot("test", SMALL, 48, List.of(layers));
    }

    public static Layer clip(String id) {
        return Layer.of(id, id, new Content.Footage(id), Span.of(0, 48), Place.at(SMALL.centre()));
    }

    public static Layer word(String id, String words, double size) {
        return Layer.of(id, id, Content.Text.of(words, "anton", size), Span.of(0, 48), Place.at(SMALL.centre()));
    }

    public static Layer box(String id, double x, double y, double w, double h, Colour colour) {
        return Layer.of(
                id,
                id,
                new Content.Fill(Animated.of(new Point(w, h)), new Paint.Solid(Animated.of(colour))),
                Span.of(0, 48),
                Place.at(new Point(x, y)));
    }

    /** How far two pictures of the same size lie apart where they do most. */
    public static float furthest(Picture a, Picture b) {
        float most = 0;
        Region d = a.domain();
        for (int y = d.y(); y < d.bottom(); y++) {
            for (int x = d.x(); x < d.right(); x++) {
                for (int c = 0; c < 4; c++) {
                    most = Math.max(most, Math.abs(a.at(x, y)[c] - b.at(x, y)[c]));
                }
            }
        }
        return most;
    }

    public Picture render(Shot shot, double frame) {
        return render(shot, frame, 1, 1, Cache.NONE);
    }

    public Picture render(Shot shot, double frame, double scale, int threads, Cache cache) {
        try (Workers workers = new Workers(threads)) {
            return show(shot, frame, scale, workers, cache).picture();
        }
    }

    public PreparedFrame show(Shot shot, double frame, double scale, Bands bands, Cache cache) {
        return new Renderer(cache, bands).show(planner.plan(planner.moment(shot, frame), scale), (long) frame);
    }
}

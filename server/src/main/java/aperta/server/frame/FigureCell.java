package aperta.server.frame;

import aperta.core.geometry.Point;
import aperta.core.picture.Bytes;
import aperta.core.picture.Picture;
import aperta.core.picture.Pixels;
import aperta.core.picture.Region;
import aperta.core.render.Planner;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.CutOut;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.shot.Track;
import java.util.List;
import java.util.Optional;

/**
 * What was found of a figure on one frame, for a strip of small pictures: the figure alone, as large as fits.
 *
 * @param shot of the figure alone
 * @param frame of it
 * @param scale at which it is as high as {@link #HEIGHT}
 */
record FigureCell(Shot shot, long frame, double scale) {
    static final int HEIGHT = 112;

    private static final double NARROW = 0.75;
    /** Room around the figure, as a share of its height. */
    private static final double ROOM = 0.12;
    /** What is covered by more than this is seen of it. */
    private static final float SEEN = 0.1f;
    /** Brighter than this is bright, of 255 (Rec. 709's weights of display-encoded red, green and blue). */
    private static final double MIDDLE = 100;

    /**
     * @param frame of the shot that the figure belongs to
     * @throws IllegalArgumentException where nothing is known of a figure
     */
    static FigureCell of(Planner planner, Shot shot, String id, long frame) {
        Layer layer = shot.layer(id)
                .orElseThrow(() -> new IllegalArgumentException("There is no layer '" + id + "' in this shot."));
        if (!(layer.content() instanceof Content.Footage footage)) {
            throw new IllegalArgumentException(layer.name() + " is no figure cut out of a clip.");
        }
        Track.Clip clip = planner.clip(footage);
        long on = (long) Math.floor(planner.moment(shot, frame).clipFrame(id, clip) + 1e-9);
        CutOut cutOut = footage.cutOut()
                .filter(c -> c.carried().filter(k -> k.covers(on)).isPresent())
                .orElseThrow(() -> new IllegalArgumentException("Nothing is known of " + layer.name() + " there."));
        CutOut.Carried carried = cutOut.carried().orElseThrow();
        Region part = around(planner.sources().frame(carried.media(), on - carried.first(), 1), clip);
        Place place = Place.at(new Point(clip.width() / 2.0 - part.x(), clip.height() / 2.0 - part.y()));
        Span all = new Span(0, on + 1, 0);
        Content.Footage found =
                footage.withCutOut(Optional.of(cutOut.withTone(Cut.Tone.PLAIN).withTidy(CutOut.Tidy.NOTHING)));
        Format format = new Format(
                part.width(), part.height(), clip.rate(), shot.format().light());
        Shot alone = new Shot("Figure", format, on + 1, List.of(Layer.of("figure", "Figure", found, all, place)));
        return new FigureCell(alone, on, Math.min(1, (double) HEIGHT / part.height()));
    }

    /** What a figure is told from best: white where it is dark on the average, else black. */
    static Bytes.See seeOn(byte[] rgba) {
        double sum = 0;
        double covered = 0;
        for (int i = 0; i < rgba.length; i += 4) {
            int alpha = rgba[i + 3] & 0xff;
            sum += alpha * (0.2126 * (rgba[i] & 0xff) + 0.7152 * (rgba[i + 1] & 0xff) + 0.0722 * (rgba[i + 2] & 0xff));
            covered += alpha;
        }
        return sum < covered * MIDDLE ? Bytes.See.ON_WHITE : Bytes.See.ON_BLACK;
    }

    private static Region around(Pixels coverage, Track.Clip clip) {
        int left = clip.width();
        int top = clip.height();
        int right = 0;
        int bottom = 0;
        Picture row = new Picture(new Region(0, 0, coverage.width(), 1));
        for (int y = 0; y < coverage.height(); y++) {
            coverage.row(y, 0, coverage.width(), row, 0);
            for (int x = 0; x < coverage.width(); x++) {
                if (row.planes()[1][x] > SEEN) {
                    left = Math.min(left, x);
                    right = Math.max(right, x + 1);
                    top = Math.min(top, y);
                    bottom = y + 1;
                }
            }
        }
        if (right <= left) {
            return new Region(0, 0, (int) (clip.height() * NARROW), clip.height());
        }
        double high = Math.max(bottom - top, (right - left) / NARROW) * (1 + 2 * ROOM);
        int h = Math.max(Format.SMALLEST * 2, (int) Math.ceil(high));
        int w = Math.max(Format.SMALLEST, (int) Math.ceil(high * NARROW));
        return new Region((left + right - w) / 2, (top + bottom - h) / 2, w, h);
    }
}

package aperta.vision;

import aperta.core.picture.Region;
import java.util.Optional;

/**
 * A figure that stays in its place hides the ground behind it on most frames, so that the clean plate shows the figure itself.
 * Then it is cut roughly out of the frames of which the plate is made, and what it covers there doesn't count. What it never
 * uncovers is unknown.
 */
final class StayingFigure {
    /** What the plate explains as well as this is what it shows: a squared distance. */
    private static final double SAME = 9;
    /** A larger share of a figure that the plate shows, and it stays. */
    private static final double MUCH = 0.1;
    /** What is covered by more than this is the figure. */
    private static final float COVERED = 0.9f;
    /** Where the ground of a frame isn't that of the frame that was brushed, something is in front of it: a squared distance. */
    private static final double OTHER = 15;
    /** Light and grain may differ by so many times as much as elsewhere. */
    private static final double WIDER = 3;
    /** How far around the figure the ground may be darker or mixed with it, in pixels. */
    private static final int BESIDE = 3;

    private final ClipFilm film;
    private final PlateFrames frames;

    StayingFigure(ClipFilm film, PlateFrames frames) {
        this.film = film;
        this.frames = frames;
    }

    /**
     * Whether a plate shows much of a figure.
     *
     * @param picture the part of the frame in which the figure lies, and {@code plate} the same part
     */
    static boolean stays(Shape shape, Colours picture, CleanPlate.Part plate) {
        float[] far = Evidence.far(picture, plate);
        int all = 0;
        int same = 0;
        for (int i = 0; i < far.length; i++) {
            if (shape.remembered().value()[i] > COVERED) {
                all++;
                same += far[i] < SAME ? 1 : 0;
            }
        }
        return same > MUCH * all;
    }

    /** The frames without a figure that is known on one frame of the clip. */
    PlateFrames without(long start, Shape shape) {
        int nearest = frames.nearest(start);
        CleanPlate known = new CleanPlate(frames.without(unlike(nearest, covered(nearest, Optional.of(shape)))));
        ShapeCarrier carrier = new ShapeCarrier(new EvenLight(film, known, frames.by()), known);
        byte[][] covered = new byte[frames.count()][];
        for (int way = 1; way >= -1; way -= 2) {
            Optional<Shape> there = Optional.of(shape);
            for (int k = way == 1 ? nearest : nearest - 1; k >= 0 && k < covered.length; k += way) {
                if (frames.number(k) != start) {
                    long number = frames.number(k);
                    int towards = way;
                    there = there.flatMap(s -> carrier.step(s.unpaced(), number, towards, Optional.empty()));
                }
                covered[k] = covered(k, there);
            }
        }
        return frames.without(covered);
    }

    /** Of each frame, where it doesn't show the same ground as the one that was brushed, or what the figure hides there. */
    private byte[][] unlike(int brushed, byte[] figure) {
        Colours ground = frames.small(brushed);
        byte[][] unlike = new byte[frames.count()][];
        for (int k = 0; k < unlike.length; k++) {
            unlike[k] = figure.clone();
            Colours frame = frames.small(k);
            for (int i = 0; i < figure.length; i++) {
                double rare = 1;
                for (int c = 0; c < 3; c++) {
                    double difference = frame.channels()[c][i] - ground.channels()[c][i];
                    rare *= Evidence.rare(difference, WIDER * Evidence.NOISE[c]);
                }
                unlike[k][i] |= (byte) (Evidence.far(rare) > OTHER ? 1 : 0);
            }
        }
        return unlike;
    }

    /** What a figure covers of the plate on a frame, and what lies beside it. */
    private byte[] covered(int k, Optional<Shape> figure) {
        byte[] marks = new byte[frames.width() * frames.height()];
        figure.ifPresent(s -> {
            Region all = new Region(0, 0, frames.width(), frames.height());
            Plane inside = s.remembered().moved(s.part(), all, 0, 0, 0).signedDistance();
            for (int i = 0; i < marks.length; i++) {
                marks[i] = (byte) (inside.value()[i] > -BESIDE ? 1 : 0);
            }
        });
        return frames.onPlate(k, marks);
    }
}

package aperta.vision;

import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import java.util.List;
import org.opencv.core.Mat;
import org.opencv.imgproc.Imgproc;
import org.opencv.video.Video;

/**
 * One mark. It is looked for with what it looked like last, by normalised cross-correlation, and its exact place is found
 * against the first patch, so that small errors don't add up; only where that has changed too much, against the last one.
 */
final class PointFollower implements Follower {
    /** From here on the first patch counts. */
    private static final double LIKE_FIRST = 0.75;
    /** What is as sure becomes what is looked for next. */
    private static final double LIKE_LAST = 0.8;
    /** How far the exact place may lie from the one that was found roughly, as a share of the patch. */
    private static final double NEAR = 0.25;
    /** How much less a place counts at the end of the reach. */
    private static final double FAR_COUNTS_LESS = 0.15;
    /** By what share of the reach is looked farther for each frame on which the mark wasn't seen. */
    private static final double WIDER = 0.35;

    private static final double WIDEST = 3;
    /** Of each number of the linear part of its map, from frame to frame. */
    private static final double MOST_CHANGE = 0.15;

    private final Film film;
    private final double size;
    private final double reach;
    private final Patch first;
    private Patch last;
    private double[] shape = Patch.UPRIGHT;

    /** @param size and {@code reach}: in pixels of the film */
    PointFollower(Film film, long frame, Point at, double size, double reach) {
        this.film = film;
        this.size = size;
        this.reach = reach;
        this.first = Patch.around(film, frame, at, size);
        this.last = Patch.around(film, frame, at, size);
    }

    @Override
    public Look look(long frame, List<Point> expected, int wider) {
        Point near = expected.get(0);
        double far = reach * Math.min(WIDEST, 1 + WIDER * wider);
        int spare = (int) Math.ceil(size / 2 + far) + 2;
        Region part = new Region(
                (int) Math.floor(near.x()) - spare, (int) Math.floor(near.y()) - spare, 2 * spare + 1, 2 * spare + 1);
        try (Mats mats = new Mats()) {
            Mat in = mats.floats(part.width(), part.height(), film.grey(frame, part));
            Patch.Found found = find(in, new Point(near.x() - part.x(), near.y() - part.y()), far);
            Point at = new Point(found.at().x() + part.x(), found.at().y() + part.y());
            boolean inside = at.x() >= 0 && at.y() >= 0 && at.x() <= film.width() && at.y() <= film.height();
            double sure = inside ? found.sure() : 0;
            if (sure >= LIKE_LAST) {
                last = Patch.around(film, frame, at, size);
            }
            return new Look(List.of(at), sure);
        }
    }

    private Patch.Found find(Mat in, Point near, double far) {
        Point rough = rough(in, near, far);
        Patch.Found best = first.align(in, rough, shape, Video.MOTION_AFFINE);
        if (isNear(best, rough) && isAlike(best.shape(), shape) && best.sure() >= LIKE_FIRST) {
            shape = best.shape();
            return best;
        }
        Patch.Found moved = first.align(in, rough, Patch.UPRIGHT, Video.MOTION_TRANSLATION);
        if (isNear(moved, rough) && moved.sure() >= LIKE_FIRST) {
            shape = Patch.UPRIGHT;
            return moved;
        }
        Patch.Found changed = last.align(in, rough, Patch.UPRIGHT, Video.MOTION_TRANSLATION);
        double least = Math.max(best.sure(), moved.sure());
        return isNear(changed, rough) && changed.sure() > least
                ? changed
                : isNear(moved, rough) ? moved : new Patch.Found(near, 0, Patch.UPRIGHT);
    }

    /** What is seen doesn't turn or grow by much from one frame to the next. */
    private static boolean isAlike(double[] one, double[] other) {
        for (int i = 0; i < one.length; i++) {
            if (Math.abs(one[i] - other[i]) > MOST_CHANGE) {
                return false;
            }
        }
        return true;
    }

    private boolean isNear(Patch.Found found, Point rough) {
        return found.at().minus(rough).length() <= Math.max(2, NEAR * size);
    }

    /** The best place in whole pixels. */
    private Point rough(Mat in, Point near, double far) {
        try (Mats mats = new Mats()) {
            Mat scores = mats.empty();
            Imgproc.matchTemplate(in, last.picture(mats), scores, Imgproc.TM_CCOEFF_NORMED);
            int w = scores.cols();
            int h = scores.rows();
            float[] all = new float[w * h];
            scores.get(0, 0, all);
            Point corner = last.corner(near);
            double best = Double.NEGATIVE_INFINITY;
            Point at = near;
            for (int y = 0; y < h; y++) {
                for (int x = 0; x < w; x++) {
                    double dx = x - corner.x();
                    double dy = y - corner.y();
                    double away = (dx * dx + dy * dy) / Math.max(1, far * far);
                    double score = all[y * w + x] - FAR_COUNTS_LESS * away;
                    if (away <= 1.5 && score > best) {
                        best = score;
                        at = last.from(x, y);
                    }
                }
            }
            return at;
        }
    }
}

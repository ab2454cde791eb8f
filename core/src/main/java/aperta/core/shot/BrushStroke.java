package aperta.core.shot;

import aperta.core.geometry.Point;
import java.util.List;

/**
 * A stroke of a brush on one frame of a clip that says what belongs to the figure and what doesn't.
 *
 * @param frame of the clip
 * @param inside whether what lies under it belongs to the figure
 * @param radius of the brush, in pixels of the clip
 * @param path through which its middle went, in pixels of the clip; one point is a dab
 */
public record BrushStroke(long frame, boolean inside, double radius, List<Point> path) {
    public static final double LEAST_RADIUS = 1;
    public static final double MOST_RADIUS = 400;
    public static final int MOST_POINTS = 2000;

    public BrushStroke {
        path = List.copyOf(path);
        if (frame < 0) {
            throw new IllegalArgumentException("A brush stroke lies on a frame of the clip, from 0 on.");
        }
        if (!(radius >= LEAST_RADIUS && radius <= MOST_RADIUS)) {
            throw new IllegalArgumentException("A brush has a radius from 1 to 400 pixels.");
        }
        if (path.isEmpty() || path.size() > MOST_POINTS) {
            throw new IllegalArgumentException("A brush stroke has from 1 to " + MOST_POINTS + " points.");
        }
        if (path.stream().anyMatch(p -> !Double.isFinite(p.x()) || !Double.isFinite(p.y()))) {
            throw new IllegalArgumentException("The points of a brush stroke are numbers.");
        }
    }
}

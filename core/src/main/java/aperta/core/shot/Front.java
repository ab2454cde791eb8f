package aperta.core.shot;

import aperta.core.geometry.Point;
import java.util.Optional;

/**
 * The edge of an opening on its way over a layer: for every place its distance behind the edge, in the layer's pixels, positive where it is
 * uncovered. The mask, what bends at the edge, embers and ash are all made from this one number.
 *
 * @param rough noise by which the edge is roughened; distances are then measured anew
 * @param shows the width over which the layer passes from covered to uncovered; nothing where something else lets it be seen
 */
public record Front(Shape shape, Optional<Rough> rough, Optional<Double> shows) {
    /** The shape of an edge. */
    public sealed interface Shape {
        /** All that it is made from, beside pictures. */
        double[] numbers();
    }

    /** A shape whose distance is exact. */
    public sealed interface Geometric extends Shape {
        double distance(double x, double y);
    }

    /**
     * What another layer has passed over is uncovered: from the frame on when it was as bright as a threshold, at each place.
     *
     * @param pace by how many pixels a frame the edge is taken to have gone on since
     * @param frames since the way began
     * @param more what is added to the distance everywhere, so that at last all is uncovered
     * @param covers whether what was passed over is covered instead
     */
    public record Passed(String layer, double threshold, double pace, long frames, double more, boolean covers)
            implements Shape {
        @Override
        public double[] numbers() {
            return new double[] {3, threshold, pace, frames, more, covers ? 1 : 0};
        }
    }

    /** What lies before a line is uncovered. */
    public record Line(Point along, double at) implements Geometric {
        @Override
        public double distance(double x, double y) {
            return at - x * along.x() - y * along.y();
        }

        @Override
        public double[] numbers() {
            return new double[] {0, along.x(), along.y(), at};
        }
    }

    /** What lies within a distance of a line is uncovered. */
    public record Strip(Point along, double middle, double half) implements Geometric {
        @Override
        public double distance(double x, double y) {
            return half - Math.abs(x * along.x() + y * along.y() - middle);
        }

        @Override
        public double[] numbers() {
            return new double[] {1, along.x(), along.y(), middle, half};
        }
    }

    /** What lies within a circle is uncovered. */
    public record Circle(Point centre, double radius) implements Geometric {
        @Override
        public double distance(double x, double y) {
            double dx = x - centre.x();
            double dy = y - centre.y();
            return radius - Math.sqrt(dx * dx + dy * dy);
        }

        @Override
        public double[] numbers() {
            return new double[] {2, centre.x(), centre.y(), radius};
        }
    }

    /**
     * Noise that is added to the distance.
     *
     * @param depth its root mean square, in the layer's pixels
     * @param wavelength of its first of three octaves
     */
    public record Rough(double depth, double wavelength, long seed) {}

    /** One that something else lets the layer be seen by. */
    public static Front of(Shape shape) {
        return new Front(shape, Optional.empty(), Optional.empty());
    }
}

package aperta.core.shot;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.time.Animated;
import java.util.List;

/** What a fill layer is filled with; lengths in the layer's own pixels, whose origin is its centre. */
public sealed interface Paint {
    /** One colour everywhere. */
    record Solid(Animated<Colour> colour) implements Paint {}

    /** Colours along a line; before its start and after its end the outer colours go on. */
    record Linear(Animated<Point> from, Animated<Point> to, List<Stop> stops) implements Paint {
        public Linear {
            stops = Stop.inOrder(stops);
        }
    }

    /** Colours from a centre outwards; beyond the radius the last colour goes on. */
    record Radial(Animated<Point> centre, Animated<Double> radius, List<Stop> stops) implements Paint {
        public Radial {
            stops = Stop.inOrder(stops);
        }
    }

    /** A colour at a share (0 to 1) of the way; between two stops premultiplied colours are mixed evenly. */
    record Stop(double at, Colour colour) {
        static List<Stop> inOrder(List<Stop> stops) {
            if (stops.size() < 2 || stops.size() > 64) {
                throw new IllegalArgumentException("A gradient has between 2 and 64 stops.");
            }
            for (int i = 0; i < stops.size(); i++) {
                double at = stops.get(i).at;
                if (!(at >= 0 && at <= 1) || i > 0 && at < stops.get(i - 1).at) {
                    throw new IllegalArgumentException("The stops of a gradient rise from 0 to 1.");
                }
            }
            return List.copyOf(stops);
        }
    }
}

package aperta.core.edit;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Paint;
import aperta.core.shot.Painted;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.List;

/** Colours that become gradients, and their stops. What is painted is named as {@link Painted} names it. */
public final class GradientEdits {
    private GradientEdits() {}

    /** What something is painted with. */
    public enum Form {
        SOLID,
        LINEAR,
        RADIAL,
        CONIC
    }

    /** The end of a gradient that is held: where it begins, or where it ends or points to. */
    public enum End {
        FROM,
        TO
    }

    /**
     * Makes a colour a gradient, or a gradient one of another form; stops stay, and it lies about where it lay. A colour
     * fades into its own dark; a gradient becomes the colour of its first stop.
     */
    public record SetForm(String layer, String paint, long frame, Form form) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            Painted painted = Painted.named(now, paint);
            Paint was = painted.get().apply(now);
            if (form == Form.SOLID) {
                Paint next = was instanceof Paint.Gradient g
                        ? new Paint.Solid(g.stops().get(0).colour())
                        : was;
                return shot.changing(layer, l -> painted.set().apply(l, next));
            }
            Moment moment = new Moment(shot, frame, extents.opener());
            long own = PlaceEdits.ownFrame(moment, layer);
            Lie lie = lie(was, extents.extent(moment, layer), own);
            List<Paint.Stop> stops = was instanceof Paint.Gradient g ? g.stops() : dark(((Paint.Solid) was).colour());
            Paint next = painted(lie, own, stops, form);
            return shot.changing(layer, l -> painted.set().apply(l, next));
        }
    }

    /**
     * Where a gradient lies, whatever its form.
     *
     * @param centre of its length, or of its circle
     * @param arm from the centre to where it ends, or to where it begins to turn
     */
    private record Lie(Animated<Point> centre, Point arm) {}

    private static Lie lie(Paint paint, Box box, long own) {
        if (paint instanceof Paint.Linear linear) {
            Point from = linear.from().at(own, Mix.POINT);
            Point to = linear.to().at(own, Mix.POINT);
            return new Lie(Animated.of(from.mix(to, 0.5)), to.minus(from).times(0.5));
        }
        if (paint instanceof Paint.Radial radial) {
            return new Lie(radial.centre(), new Point(0, radial.radius().at(own, Mix.NUMBER)));
        }
        if (paint instanceof Paint.Conic conic) {
            Affine turn = Affine.rotation(conic.angle().at(own, Mix.NUMBER));
            return new Lie(conic.centre(), turn.applyVector(new Point(box.height() / 2, 0)));
        }
        return new Lie(Animated.of(box.centre()), new Point(0, box.height() / 2));
    }

    private static double direction(Point from, Point to) {
        return Math.toDegrees(StrictMath.atan2(to.y() - from.y(), to.x() - from.x()));
    }

    private static List<Paint.Stop> dark(Animated<Colour> colour) {
        Colour c = colour.rest();
        return List.of(
                new Paint.Stop("s1", Animated.of(0.0), colour),
                Paint.Stop.of("s2", 1, new Colour(c.red() * 0.25, c.green() * 0.25, c.blue() * 0.25, c.alpha())));
    }

    private static Paint painted(Lie lie, long own, List<Paint.Stop> stops, Form form) {
        Point centre = lie.centre.at(own, Mix.POINT);
        return switch (form) {
            case LINEAR ->
                new Paint.Linear(Animated.of(centre.minus(lie.arm)), Animated.of(centre.plus(lie.arm)), stops);
            case RADIAL -> new Paint.Radial(lie.centre, Animated.of(Math.max(1, lie.arm.length())), stops);
            case CONIC -> new Paint.Conic(lie.centre, Animated.of(direction(Point.ORIGIN, lie.arm)), stops);
            case SOLID -> throw new IllegalArgumentException("One colour has no stops.");
        };
    }

    /** Adds a stop; as long as it isn't changed, the gradient looks as before. */
    public record AddStop(String layer, String paint, long frame, String newId, double at) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            Painted painted = Painted.named(now, paint);
            Paint.Gradient gradient = demand(now, painted);
            if (gradient.stops().size() >= Paint.MOST_STOPS) {
                throw new IllegalArgumentException("A gradient has at most " + Paint.MOST_STOPS + " stops.");
            }
            long own = PlaceEdits.ownFrame(new Moment(shot, frame), layer);
            Colour colour = Paint.colour(Paint.ramp(gradient.stops(), own), at);
            List<Paint.Stop> stops = new ArrayList<>(gradient.stops());
            int place = (int)
                    stops.stream().filter(s -> s.at().at(own, Mix.NUMBER) <= at).count();
            stops.add(place, Paint.Stop.of(newId, at, colour));
            return shot.changing(layer, l -> painted.set().apply(l, gradient.withStops(stops)));
        }
    }

    /** Takes a stop away. */
    public record RemoveStop(String layer, String paint, String stop) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            Painted painted = Painted.named(now, paint);
            Paint.Gradient gradient = demand(now, painted);
            String id = gradient.stop(stop).id();
            List<Paint.Stop> stops =
                    gradient.stops().stream().filter(s -> !s.id().equals(id)).toList();
            if (stops.size() < 2) {
                throw new IllegalArgumentException("A gradient has at least two stops; make it one colour instead.");
            }
            return shot.changing(layer, l -> painted.set().apply(l, gradient.withStops(stops)));
        }
    }

    /**
     * Moves an end of a gradient to a point of the shot: as a resting value, or as a key where there are keys or one is
     * asked for. With the centre its whole circle moves.
     */
    public record MoveEnd(String layer, String paint, long frame, End end, Point to, boolean key) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Layer now = LayerEdits.demand(shot, layer);
            Paint.Gradient gradient = demand(now, Painted.named(now, paint));
            Moment moment = new Moment(shot, frame, extents.opener());
            Point there = PlaceEdits.toOwn(moment, layer).apply(to);
            long own = PlaceEdits.ownFrame(moment, layer);
            if (gradient instanceof Paint.Linear) {
                return set(shot, extents, end == End.FROM ? "from" : "to", there);
            }
            if (end == End.FROM) {
                return set(shot, extents, "centre", there);
            }
            if (gradient instanceof Paint.Radial radial) {
                return set(
                        shot,
                        extents,
                        "radius",
                        there.minus(radial.centre().at(own, Mix.POINT)).length());
            }
            Paint.Conic conic = (Paint.Conic) gradient;
            double was = conic.angle().at(own, Mix.NUMBER);
            double next = direction(conic.centre().at(own, Mix.POINT), there);
            // The shorter way round from where it was.
            return set(shot, extents, "angle", was + Math.IEEEremainder(next - was, 360));
        }

        private Shot set(Shot shot, Extents extents, String property, Object value) {
            return new KeyEdits.SetValue(layer, paint + "." + property, frame, value, key).apply(shot, extents);
        }
    }

    private static Paint.Gradient demand(Layer layer, Painted painted) {
        if (painted.get().apply(layer) instanceof Paint.Gradient gradient) {
            return gradient;
        }
        throw new IllegalArgumentException("The " + painted.label() + " of '" + layer.name() + "' is no gradient.");
    }
}

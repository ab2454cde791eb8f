package aperta.core.proof;

import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Moment;
import aperta.core.time.Mix;
import java.util.List;
import java.util.Optional;

/**
 * The light and the shadow of a layer that itself keeps clear of the frame's edge end inside the frame: they are not cut off by it, and don't
 * peek in from a layer that is outside. Nor are they cut off by the edge of a shot that the layer lies in, nor is steam by its own rectangle.
 * Common practice, no source.
 */
public final class LightCutOff implements Check {
    /** An alpha from which on it is the content itself. */
    private static final double CONTENT = 0.5;
    /** How far inside an edge it is looked, and along how many pixels nothing is said. */
    private static final double INSIDE = 1.5;

    private static final int FEW = 6;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "light-cut-off",
                "Light ends inside the frame",
                "Glow, rays, shadows and steam aren't cut off by the frame's edge, nor by bounds of their own.",
                List.of(Parameter.number("seen", "Seen from", "%", 0, 1, 0.04)));
    }

    @Override
    public Watch watch(Recipe recipe) {
        double seen = recipe.number("seen");
        return new Watch() {
            private final Spells<String> spells = new Spells<>("light-cut-off");

            @Override
            public void see(Look look) {
                for (Share s : look.layers()) {
                    fault(look, s)
                            .ifPresent(f -> spells.note(
                                    List.of(Look.id(s)),
                                    look.frame(),
                                    f,
                                    1,
                                    Visibility.box(s.visible(), look.scale())));
                }
            }

            private Optional<String> fault(Look look, Share s) {
                if (!s.shows()) {
                    return Optional.empty();
                }
                boolean light = spreads(s);
                if (light
                        && !FrameEdge.touches(s.own(), s.frame(), CONTENT)
                        && FrameEdge.touches(s.visible(), s.frame(), seen)) {
                    return Optional.of(
                            s.own().domain().intersect(s.frame()).isEmpty()
                                    ? "Its light peeks in at the edge of the frame, and it is outside."
                                    : "Its light or shadow is cut off by the edge of the frame.");
                }
                Moment moment = look.moment();
                Layer layer = s.seen().layer();
                if (thinsOut(s)) {
                    Box box = look.planner().extent(moment, layer.id());
                    return isCut(s, corners(box, s.seen().toShot(), look.scale()), seen)
                            ? Optional.of("It is cut off by the edge of its own rectangle.")
                            : Optional.empty();
                }
                return Optional.of(layer)
                        .filter(l -> light)
                        .flatMap(l -> frameAround(moment, l.id(), look.scale()))
                        .filter(around -> isCut(s, around, seen))
                        .map(around -> "Its light or shadow is cut off by the edge of the shot that it lies in.");
            }

            @Override
            public List<Finding> findings() {
                return spells.findings(says -> says);
            }
        };
    }

    /** Whether it is a texture that is clear where it is thin, so that it is meant to have no edge. */
    private static boolean thinsOut(Share s) {
        return s.seen().still().content() instanceof Content.Texture texture
                && texture.recipe().descriptor().parameter("thin").isPresent()
                && texture.recipe().rest().colour("thin").alpha() == 0
                && texture.recipe().kind().equals("steam");
    }

    /** The corners on the raster of the frame of the shot inside a shot that a layer lies in. */
    private static Optional<List<Point>> frameAround(Moment moment, String id, double scale) {
        List<Layer> line = moment.shot().lineTo(id);
        for (int i = line.size() - 2; i >= 0; i--) {
            if (line.get(i).content() instanceof Content.Group group
                    && group.format().isPresent()) {
                Format f = group.format().get();
                Affine toShot = moment.of(line.get(i).id()).toShot();
                return Optional.of(corners(new Box(0, 0, f.width(), f.height()), toShot, scale));
            }
        }
        return Optional.empty();
    }

    private static List<Point> corners(Box box, Affine toShot, double scale) {
        return box.corners().stream().map(p -> toShot.apply(p).times(scale)).toList();
    }

    /** Whether what is seen, but isn't the content itself, runs up to an edge inside the frame for more than a few pixels. */
    private static boolean isCut(Share s, List<Point> corners, double seen) {
        Point middle = corners.get(0).mix(corners.get(2), 0.5);
        Region inner = s.frame().grown(-2);
        boolean texture = s.seen().still().content() instanceof Content.Texture;
        int cut = 0;
        for (int i = 0; i < 4; i++) {
            Point from = corners.get(i);
            Point to = corners.get((i + 1) % 4);
            int steps = (int) Math.ceil(to.minus(from).length());
            for (int k = 0; k < steps; k++) {
                Point edge = from.mix(to, (k + 0.5) / steps);
                Point in = edge.plus(
                        middle.minus(edge).times(INSIDE / middle.minus(edge).length()));
                int x = (int) Math.floor(in.x());
                int y = (int) Math.floor(in.y());
                boolean light = texture || s.own().at(x, y) < CONTENT;
                cut += light && inner.contains(x, y) && s.visible().at(x, y) > seen ? 1 : 0;
            }
        }
        return cut > FEW;
    }

    /** Whether it has an effect of light at work that reaches beyond it. */
    private static boolean spreads(Share s) {
        for (LayerEffect e : s.seen().still().effects()) {
            boolean light = Effects.find(e.recipe().kind())
                    .filter(f -> f.purpose() == Effect.Purpose.LIGHT)
                    .isPresent();
            if (light && e.on() && e.amount().at(0, Mix.NUMBER) > 0) {
                return true;
            }
        }
        return false;
    }
}

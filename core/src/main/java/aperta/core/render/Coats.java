package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.outline.Stroking;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Coat;
import aperta.core.shot.Coat.Measure;
import aperta.core.shot.Cut;
import aperta.core.shot.Paint;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Coats of paint laid along paths: of a stroke first its halo, then its line, then what runs at its end. */
final class Coats {
    /** The light around a head, at the head. */
    private static final double GLOW = 1;

    /** How far a layer reaches out from its middle, where its longer side is 1 and effects widen it. */
    private static final double REACH = 1;

    private final Lines lines;
    private final Affine map;
    private final Drawing.Canvas canvas;
    private final List<Stack.Entry> all = new ArrayList<>();

    private Coats(Lines lines, Affine map, Drawing.Canvas canvas) {
        this.lines = lines;
        this.map = map;
        this.canvas = canvas;
    }

    /**
     * @param coats whose values are fixed; the first lies on top
     * @param map from the paths to raster pixels
     */
    static Optional<Step.Paints> of(List<Coat> coats, Lines lines, Affine map, Drawing.Canvas canvas) {
        Coats c = new Coats(lines, map, canvas);
        for (int i = coats.size() - 1; i >= 0; i--) {
            c.lay(coats.get(i));
        }
        return switch (c.all.size()) {
            case 0 -> Optional.empty();
            case 1 -> Optional.of(c.all.get(0).picture());
            default -> Optional.of(new Stack(c.all));
        };
    }

    /** How far a coat reaches out from its paths, at most, in pixels. */
    static double reach(Coat coat) {
        if (!(coat instanceof Coat.Stroke stroke)) {
            return 0;
        }
        double line =
                Stroking.reach(stroke) + Math.max(2 * stroke.fixed(Measure.HALO), 4 * stroke.fixed(Measure.SOFTNESS));
        double head = stroke.fixed(Measure.HEAD);
        return Math.max(
                line,
                head > 0 ? head * (stroke.rider().isPresent() ? REACH : 0.5) + 2 * stroke.fixed(Measure.HEAD_GLOW) : 0);
    }

    private void lay(Coat coat) {
        Step.Shades band = Laid.band(lines, coat, map);
        double opacity = coat.opacity().at(0, Mix.NUMBER);
        if (!(coat instanceof Coat.Stroke stroke)) {
            painted(band, coat.paint(), opacity);
            return;
        }
        double scale = map.meanScale();
        double halo = stroke.fixed(Measure.HALO);
        double width = stroke.fixed(Measure.WIDTH);
        if (halo > 0 && width > 0 && !band.domain().isEmpty() && stroke.fixed(Measure.HALO_LIGHT) > 0) {
            Step.Shades around = Halo.ofLine(band, halo * scale, width * scale, stroke.fixed(Measure.HALO_LIGHT));
            painted(around, stroke.paint(), opacity);
        }
        painted(Feathered.of(band, stroke.fixed(Measure.SOFTNESS) * scale), stroke.paint(), opacity);
        double head = stroke.fixed(Measure.HEAD);
        if (head > 0) {
            Step.Shades heads = Laid.heads(lines, stroke, map);
            double glow = stroke.fixed(Measure.HEAD_GLOW);
            Paint colour = new Paint.Solid(stroke.head());
            Optional<Step.Paints> rider = stroke.rider()
                    .flatMap(r -> canvas.rider(r.layer(), head * scale))
                    .map(picture -> new Riders(picture, lines, stroke, map));
            if (glow > 0) {
                // A layer shines by its own shape.
                Step.Shades shines = rider.<Step.Shades>map(p -> new PictureMatte(p, Cut.With.SHAPE, canvas.light()))
                        .orElse(heads);
                painted(Halo.ofDot(shines, glow * scale, head * scale, GLOW), colour, opacity);
            }
            painted(heads, colour, opacity);
            rider.ifPresent(p -> all.add(new Stack.Entry(Faded.of(p, opacity), BlendMode.NORMAL)));
        }
    }

    private void painted(Step.Shades matte, Paint paint, double opacity) {
        if (!matte.domain().isEmpty()) {
            all.add(new Stack.Entry(Filled.of(matte, map, paint, opacity, canvas.light()), BlendMode.NORMAL));
        }
    }
}

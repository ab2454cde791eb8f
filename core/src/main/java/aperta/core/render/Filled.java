package aperta.core.render;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.picture.Compose;
import aperta.core.picture.Gradient;
import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.shot.Light;
import aperta.core.shot.Paint;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A shape filled with a colour or a gradient. */
final class Filled implements Step.Paints, Step.Shades {
    private final Step.Shades shape;
    private final Colour colour;
    private final Optional<Gradient> gradient;
    private final ContentKey key;

    Filled(Step.Shades shape, Colour colour) {
        this.shape = shape;
        this.colour = colour;
        this.gradient = Optional.empty();
        this.key = ContentKey.of("filled")
                .step(shape)
                .number(colour.red())
                .number(colour.green())
                .number(colour.blue())
                .number(colour.alpha())
                .key();
    }

    /**
     * An outline in one colour.
     *
     * @param inRaster in raster pixels
     * @param opacity on top of the colour's own alpha; beyond 0 to 1 it counts as 0 or 1
     */
    static Filled of(Outline inRaster, Colour colour, double opacity, Light light) {
        return of(new Covered(inRaster), colour, opacity, light);
    }

    private static Filled of(Step.Shades shape, Colour colour, double opacity, Light light) {
        Colour lit = Transfer.of(light).toLight(colour);
        double alpha = lit.alpha() * Math.min(1, Math.max(0, opacity));
        return new Filled(shape, new Colour(lit.red(), lit.green(), lit.blue(), alpha));
    }

    /**
     * An outline painted with a paint whose values are fixed.
     *
     * @param outline in the space of the paint
     * @param map from there to raster pixels
     * @param opacity on top of the alpha of the paint; beyond 0 to 1 it counts as 0 or 1
     */
    static Filled of(Outline outline, Affine map, Paint paint, double opacity, Light light) {
        return of(new Covered(outline.transformed(map)), map, paint, opacity, light);
    }

    /**
     * A matte painted with a paint whose values are fixed.
     *
     * @param map from the space of the paint to raster pixels
     * @param opacity on top of the alpha of the paint; beyond 0 to 1 it counts as 0 or 1
     */
    static Filled of(Step.Shades shape, Affine map, Paint paint, double opacity, Light light) {
        if (paint instanceof Paint.Solid solid) {
            return of(shape, solid.colour().at(0, Mix.COLOUR), opacity, light);
        }
        Transfer transfer = Transfer.of(light);
        double share = Math.min(1, Math.max(0, opacity));
        List<Paint.At> ramp = Paint.ramp(((Paint.Gradient) paint).stops(), 0, c -> {
            Colour lit = transfer.toLight(c);
            return new Colour(lit.red(), lit.green(), lit.blue(), lit.alpha() * share);
        });
        List<Double> numbers = new ArrayList<>(List.of(map.a(), map.b(), map.c(), map.d(), map.e(), map.f()));
        Gradient gradient = gradient((Paint.Gradient) paint, ramp, map, numbers);
        for (Paint.At s : ramp) {
            Colour c = s.colour();
            numbers.addAll(List.of(s.at(), c.red(), c.green(), c.blue(), c.alpha()));
        }
        return new Filled(
                shape,
                gradient,
                numbers.stream().mapToDouble(Double::doubleValue).toArray());
    }

    private static Gradient gradient(Paint.Gradient paint, List<Paint.At> ramp, Affine map, List<Double> numbers) {
        if (paint instanceof Paint.Linear linear) {
            Point from = linear.from().at(0, Mix.POINT);
            Point to = linear.to().at(0, Mix.POINT);
            numbers.addAll(List.of(0.0, from.x(), from.y(), to.x(), to.y()));
            return Gradient.linear(from, to, ramp, map);
        }
        if (paint instanceof Paint.Radial radial) {
            Point centre = radial.centre().at(0, Mix.POINT);
            double radius = radial.radius().at(0, Mix.NUMBER);
            numbers.addAll(List.of(1.0, centre.x(), centre.y(), radius));
            return Gradient.radial(centre, radius, ramp, map);
        }
        Paint.Conic conic = (Paint.Conic) paint;
        Point centre = conic.centre().at(0, Mix.POINT);
        double angle = conic.angle().at(0, Mix.NUMBER);
        numbers.addAll(List.of(2.0, centre.x(), centre.y(), angle));
        return Gradient.conic(centre, angle, ramp, map);
    }

    /** @param numbers all that the gradient was made from */
    Filled(Step.Shades shape, Gradient gradient, double[] numbers) {
        this.shape = shape;
        this.colour = Colour.WHITE;
        this.gradient = Optional.of(gradient);
        this.key = ContentKey.of("gradient").step(shape).numbers(numbers).key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return shape.domain();
    }

    @Override
    public List<Step> inputs() {
        return List.of(shape);
    }

    @Override
    public void paint(Picture into, Tile tile) {
        if (gradient.isPresent()) {
            gradient.get().paint(into);
        } else {
            float a = (float) colour.alpha();
            into.fill((float) colour.red() * a, (float) colour.green() * a, (float) colour.blue() * a, a);
        }
        tile.withMatte(shape, into.domain(), m -> Compose.inside(into, m));
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        Cover whole = shape.cover(part, tile);
        return whole == Cover.ALL && (gradient.isPresent() || colour.alpha() < 1) ? Cover.SOME : whole;
    }

    /** Whether alpha is the shape times one number, so that it can be had without the colour. */
    boolean plainAlpha() {
        return gradient.isEmpty();
    }

    @Override
    public void shade(Matte into, Tile tile) {
        shape.shade(into, tile);
        MatteMath.scale(into, (float) colour.alpha());
    }
}

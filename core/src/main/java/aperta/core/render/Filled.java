package aperta.core.render;

import aperta.core.colour.Colour;
import aperta.core.outline.Outline;
import aperta.core.picture.Compose;
import aperta.core.picture.Gradient;
import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.shot.Light;
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
        Colour lit = Transfer.of(light).toLight(colour);
        double alpha = lit.alpha() * Math.min(1, Math.max(0, opacity));
        return new Filled(new Covered(inRaster), new Colour(lit.red(), lit.green(), lit.blue(), alpha));
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

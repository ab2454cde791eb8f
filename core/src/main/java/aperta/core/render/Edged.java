package aperta.core.render;

import aperta.core.outline.Contour;
import aperta.core.picture.Falloff;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/** What a contour holds, moved outwards or inwards, with an edge that falls off differently from place to place. */
final class Edged implements MadeMatte {
    private final Contour contour;
    private final double outset;
    private final double width;
    private final Region domain;
    private final ContentKey key;

    /**
     * @param contour in raster pixels
     * @param outset in raster pixels
     * @param width over which the edge falls off everywhere, in raster pixels
     */
    Edged(Contour contour, double outset, double width) {
        this.contour = contour;
        this.outset = outset;
        this.width = width;
        double out = Falloff.reach(contour, outset, width) - Math.abs(outset) + Math.max(0, outset);
        this.domain = Region.around(contour.bounds().grown(out));
        this.key = ContentKey.of("edged")
                .numbers(contour.places())
                .numbers(contour.widths())
                .number(outset)
                .number(width)
                .key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return domain;
    }

    @Override
    public Matte make(Region needed, Making making) {
        return new Falloff(contour, outset, width).on(needed, making.bands());
    }
}

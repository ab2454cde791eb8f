package aperta.core.render;

import aperta.core.outline.Contour;
import aperta.core.picture.Falloff;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/** What a contour holds, moved outwards or inwards, with an edge that falls off differently from place to place. */
final class Edged implements Step.Made<Matte>, Step.Shades {
    private final Contour contour;
    private final double expand;
    private final double width;
    private final Region domain;
    private final ContentKey key;

    /**
     * @param contour in raster pixels
     * @param expand in raster pixels
     * @param width over which the edge falls off everywhere, in raster pixels
     */
    Edged(Contour contour, double expand, double width) {
        this.contour = contour;
        this.expand = expand;
        this.width = width;
        double out = Falloff.reach(contour, expand, width) - Math.abs(expand) + Math.max(0, expand);
        this.domain = Region.around(contour.bounds().grown(out));
        this.key = ContentKey.of("edged")
                .numbers(contour.places())
                .numbers(contour.widths())
                .number(expand)
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
        return new Falloff(contour, expand, width).on(needed, making.bands());
    }

    @Override
    public long bytes(Matte result) {
        return result.bytes();
    }

    @Override
    public void shade(Matte into, Tile tile) {
        MatteRows.copy(tile, this, into);
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return MatteRows.cover(tile, this, part);
    }
}

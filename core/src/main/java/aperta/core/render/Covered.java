package aperta.core.render;

import aperta.core.outline.Outline;
import aperta.core.picture.Coverage;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;

/** How much of each pixel an outline covers. */
final class Covered implements MadeMatte {
    private final Outline outline;
    private final Region domain;
    private final ContentKey key;

    /** @param outline in raster pixels */
    Covered(Outline outline) {
        this.outline = outline;
        this.domain = Region.around(outline.bounds());
        this.key = ContentKey.of("covered").numbers(outline.numbers()).key();
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
        return Coverage.of(outline, needed, making.bands());
    }
}

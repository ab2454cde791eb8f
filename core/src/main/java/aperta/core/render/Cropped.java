package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.List;

/** A picture of which only a region is seen. */
final class Cropped implements Step.Paints {
    private final Step.Paints picture;
    private final Region region;
    private final ContentKey key;

    /** The picture itself where nothing of it lies outside. */
    static Step.Paints of(Step.Paints picture, Region region) {
        return region.contains(picture.domain()) ? picture : new Cropped(picture, region);
    }

    Cropped(Step.Paints picture, Region region) {
        this.picture = picture;
        this.region = region;
        this.key = ContentKey.of("cropped").step(picture).region(region).key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return picture.domain().intersect(region);
    }

    @Override
    public List<Step> inputs() {
        return List.of(picture);
    }

    @Override
    public Region needs(int input, Region wanted) {
        return wanted.intersect(region);
    }

    @Override
    public void paint(Picture into, Tile tile) {
        if (region.contains(into.domain())) {
            picture.paint(into, tile);
            return;
        }
        into.clear();
        Region part = into.domain().intersect(domain());
        if (!part.isEmpty()) {
            tile.withPicture(picture, part, p -> Compose.copy(into, p));
        }
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        Cover inside = picture.cover(part.intersect(region), tile);
        return region.contains(part) || inside == Cover.NONE ? inside : Cover.SOME;
    }
}

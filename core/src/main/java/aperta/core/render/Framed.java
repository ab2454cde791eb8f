package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.List;

/** A picture in a frame: what lies outside isn't seen, and where it has nothing inside, the frame is empty. */
final class Framed implements Step.Paints {
    private final Step.Paints picture;
    private final Region region;
    private final ContentKey key;

    Framed(Step.Paints picture, Region region) {
        this.picture = picture;
        this.region = region;
        this.key = ContentKey.of("framed").step(picture).region(region).key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return region;
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
        Region part = into.domain().intersect(region).intersect(picture.domain());
        if (part.equals(into.domain())) {
            picture.paint(into, tile);
            return;
        }
        into.clear();
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

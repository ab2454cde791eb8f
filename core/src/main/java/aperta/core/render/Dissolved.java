package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.List;

/** Two pictures of the same kind, mixed evenly: {@code (1 − share)·one + share·other}. */
final class Dissolved implements Step.Paints {
    private final Step.Paints one;
    private final Step.Paints other;
    private final float share;
    private final ContentKey key;

    Dissolved(Step.Paints one, Step.Paints other, float share) {
        this.one = one;
        this.other = other;
        this.share = share;
        this.key =
                ContentKey.of("dissolved").step(one).step(other).number(share).key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return one.domain().union(other.domain());
    }

    @Override
    public List<Step> inputs() {
        return List.of(one, other);
    }

    @Override
    public void paint(Picture into, Tile tile) {
        into.clear();
        add(one, 1 - share, into, tile);
        add(other, share, into, tile);
    }

    private static void add(Step.Paints step, float share, Picture into, Tile tile) {
        Region part = into.domain().intersect(step.domain());
        if (!part.isEmpty()) {
            tile.withPicture(step, part, p -> Compose.add(into, p, share));
        }
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        Cover first = one.cover(part, tile);
        return first == other.cover(part, tile) ? first : Cover.SOME;
    }
}

package aperta.core.render;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import java.util.List;

/** A matte that depends on the distance behind the edge of a layer's opening. */
final class FrontMatte implements Step.Shades {
    /** What the matte is at a distance, in the layer's pixels. */
    interface Value {
        float at(float distance);
    }

    private final FrontDistance distance;
    private final Value value;
    private final ContentKey key;

    /** @param numbers all that the value is made from */
    FrontMatte(FrontDistance distance, Value value, double... numbers) {
        this.distance = distance;
        this.value = value;
        this.key = ContentKey.of("at-front").step(distance).numbers(numbers).key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return Region.EVERYWHERE;
    }

    @Override
    public List<Step> inputs() {
        return List.of(distance);
    }

    @Override
    public void shade(Matte into, Tile tile) {
        distance.shade(into, tile);
        Region d = into.domain();
        float[] v = into.values();
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = into.index(d.x(), y);
            for (int i = at; i < at + d.width(); i++) {
                v[i] = value.at(v[i]);
            }
        }
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return Cover.SOME;
    }
}

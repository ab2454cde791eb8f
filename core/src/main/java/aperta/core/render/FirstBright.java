package aperta.core.render;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * For each pixel how many frames ago a matte was first as high as a threshold; −1 where it hasn't been yet. Made from the frame before, so
 * that a shot that plays makes each of them once.
 */
final class FirstBright implements MadeMatte {
    private static final int NEVER = -1;

    private final Optional<FirstBright> before;
    private final Step.Shades matte;
    private final Region region;
    private final double threshold;
    private final ContentKey key;

    FirstBright(Optional<FirstBright> before, Step.Shades matte, Region region, double threshold) {
        this.before = before;
        this.matte = matte;
        this.region = region;
        this.threshold = threshold;
        ContentKey.Builder k =
                ContentKey.of("first bright").step(matte).region(region).number(threshold);
        before.ifPresent(k::step);
        this.key = k.key();
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
        List<Step> all = new ArrayList<>(List.of(matte));
        before.ifPresent(all::add);
        return all;
    }

    @Override
    public Region needs(int input, Region wanted) {
        return region;
    }

    @Override
    public Matte make(Region needed, Making making) {
        Matte result = new Matte(region);
        float[] old = before.map(b -> making.made(b).values()).orElse(null);
        making.shaded(matte, region, m -> {
            for (int i = 0; i < result.values().length; i++) {
                boolean now = m.at(region.x() + i % region.width(), region.y() + i / region.width()) >= threshold;
                boolean known = old != null && old[i] >= 0;
                result.values()[i] = known ? old[i] + 1 : now ? 0 : NEVER;
            }
            return result;
        });
        return result;
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return Cover.SOME;
    }
}

package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;

/** The mean of what a layer looks like at several times: motion blur. */
final class Averaged implements Step.Paints {
    private final List<Step.Paints> samples;
    private final int count;
    private final Region domain;
    private final ContentKey key;

    /**
     * @param samples those that show anything
     * @param count of all samples
     */
    Averaged(List<Step.Paints> samples, int count) {
        this.samples = List.copyOf(samples);
        this.count = count;
        ContentKey.Builder k = ContentKey.of("averaged").number((long) count);
        Region all = Region.NOTHING;
        for (Step.Paints s : samples) {
            k.step(s);
            all = all.union(s.domain());
        }
        this.domain = all;
        this.key = k.key();
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
    public List<Step> inputs() {
        return new ArrayList<>(samples);
    }

    @Override
    public void paint(Picture into, Tile tile) {
        into.clear();
        for (Step.Paints s : samples) {
            Region part = into.domain().intersect(s.domain());
            if (s.cover(part, tile) != Cover.NONE) {
                tile.withPicture(s, part, p -> Compose.add(into, p, 1f / count));
            }
        }
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        Cover all = samples.get(0).cover(part, tile);
        for (Step.Paints s : samples) {
            all = s.cover(part, tile) == all ? all : Cover.SOME;
        }
        return samples.size() < count ? all.times(Cover.SOME) : all;
    }
}

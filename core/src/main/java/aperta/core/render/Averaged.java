package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The mean of what a layer looks like at several times: motion blur. */
final class Averaged implements Step.Paints {
    /** So many samples are painted at once; more are added up a few at a time, so that not all of them have to last. */
    private static final int TOGETHER = 8;

    private final List<Step.Paints> samples;
    private final int count;
    private final Region domain;
    private final ContentKey key;

    /**
     * The mean of samples.
     *
     * @param samples those that show anything, at least one
     * @param count of all samples
     */
    static Step.Paints of(List<Step.Paints> samples, int count) {
        if (samples.size() <= TOGETHER) {
            return new Averaged(samples, count);
        }
        Optional<SampleSum> sum = Optional.empty();
        for (int i = 0; i < samples.size(); i += TOGETHER) {
            List<Step.Paints> some = samples.subList(i, Math.min(samples.size(), i + TOGETHER));
            sum = Optional.of(new SampleSum(sum, some, count, i + TOGETHER >= samples.size()));
        }
        return sum.get();
    }

    private Averaged(List<Step.Paints> samples, int count) {
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
        add(samples, count, into, tile);
    }

    /** Adds samples to a picture, each with its share of all that there are. */
    static void add(List<Step.Paints> samples, int count, Picture into, Tile tile) {
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

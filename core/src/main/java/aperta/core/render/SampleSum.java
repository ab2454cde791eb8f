package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Samples of motion blur added to those before them, each with its share; the results of only these must be there. */
final class SampleSum implements Step.Made<Picture>, Step.Paints {
    private static final int BAND = 16;

    private final Optional<SampleSum> before;
    private final List<Step.Paints> samples;
    private final int count;
    private final boolean last;
    private final Region domain;
    private final ContentKey key;

    /**
     * @param samples those of this part that show anything
     * @param count of all samples
     * @param last whether this sum is the whole
     */
    SampleSum(Optional<SampleSum> before, List<Step.Paints> samples, int count, boolean last) {
        this.before = before;
        this.samples = List.copyOf(samples);
        this.count = count;
        this.last = last;
        ContentKey.Builder k = ContentKey.of("sample sum").number((long) count);
        before.ifPresent(k::step);
        Region all = before.map(SampleSum::domain).orElse(Region.NOTHING);
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
        List<Step> all = new ArrayList<>();
        before.ifPresent(all::add);
        all.addAll(samples);
        return all;
    }

    @Override
    public Picture make(Region needed, Making making) {
        Picture sum = new Picture(needed);
        before.flatMap(making::ifMade).ifPresent(b -> Compose.copy(sum, b));
        making.bands().run(needed.height(), BAND, (from, to) -> {
            Region band = new Region(needed.x(), needed.y() + from, needed.width(), to - from);
            making.tile(tile -> Averaged.add(samples, count, sum.view(band), tile));
        });
        return sum;
    }

    @Override
    public boolean lasts() {
        return last;
    }

    @Override
    public long bytes(Picture result) {
        return result.bytes();
    }

    @Override
    public void paint(Picture into, Tile tile) {
        into.clear();
        tile.ifMade(this).ifPresent(p -> Compose.copy(into, p));
    }
}

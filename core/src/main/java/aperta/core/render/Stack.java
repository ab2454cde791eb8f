package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.shot.BlendMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Pictures laid over one another, isolated: the first of the list lies at the bottom. */
final class Stack implements Step.Paints {
    /** A picture and how it is laid on what lies below. */
    record Entry(Step.Paints picture, BlendMode mode) {}

    private final List<Entry> entries;
    private final Region domain;
    private final ContentKey key;

    Stack(List<Entry> entries) {
        this.entries = List.copyOf(entries);
        ContentKey.Builder k = ContentKey.of("stack");
        Region all = Region.NOTHING;
        for (Entry e : entries) {
            k.step(e.picture).number((long) e.mode.ordinal());
            all = all.union(e.picture.domain());
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
        return new ArrayList<>(entries.stream().map(Entry::picture).toList());
    }

    @Override
    public void paint(Picture into, Tile tile) {
        Region all = into.domain();
        int first = lowestSeen(all, tile);
        if (first >= 0) {
            entries.get(first).picture.paint(into, tile);
        } else {
            into.clear();
        }
        for (Entry e : entries.subList(first + 1, entries.size())) {
            Region part = all.intersect(e.picture.domain());
            if (e.picture.cover(part, tile) != Cover.NONE) {
                tile.withPicture(e.picture, part, p -> Compose.over(into, p, e.mode));
            }
        }
    }

    /** What lies below an opaque picture needn't be painted; −1 where there is none. */
    private int lowestSeen(Region part, Tile tile) {
        for (int i = entries.size() - 1; i >= 0; i--) {
            Entry e = entries.get(i);
            if (e.mode == BlendMode.NORMAL && e.picture.cover(part, tile) == Cover.ALL) {
                return i;
            }
        }
        return -1;
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        Cover all = Cover.NONE;
        for (Entry e : entries) {
            all = all.plus(e.picture.cover(part, tile));
        }
        return all;
    }

    @Override
    public Optional<Straight> straight(Region part, Tile tile) {
        for (int i = entries.size() - 1; i >= 0; i--) {
            Entry e = entries.get(i);
            Optional<Straight> straight =
                    e.mode == BlendMode.NORMAL ? e.picture.straight(part, tile) : Optional.empty();
            if (straight.isPresent() || e.picture.cover(part, tile) != Cover.NONE) {
                return straight;
            }
        }
        return Optional.empty();
    }
}

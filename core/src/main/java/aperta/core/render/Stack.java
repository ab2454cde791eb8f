package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Join;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Pictures laid over one another, isolated: the first of the list lies at the bottom. */
final class Stack implements Step.Paints {
    /** A picture, how its colours are mixed with those below, and what it does with what lies there. */
    record Entry(Step.Paints picture, BlendMode mode, Join join) {
        Entry(Step.Paints picture, BlendMode mode) {
            this(picture, mode, Join.OVER);
        }

        /** Whether it hides what lies below wherever it is opaque. */
        private boolean hides() {
            return mode == BlendMode.NORMAL && join == Join.OVER;
        }
    }

    private final List<Entry> entries;
    private final Region domain;
    private final ContentKey key;

    Stack(List<Entry> entries) {
        this.entries = List.copyOf(entries);
        ContentKey.Builder k = ContentKey.of("stack");
        Region all = Region.NOTHING;
        for (Entry e : entries) {
            k.step(e.picture).number((long) e.mode.ordinal()).number((long) e.join.ordinal());
            all = switch (e.join) {
                case OVER -> all.union(e.picture.domain());
                case KEEP_BELOW -> all.intersect(e.picture.domain());
                case STAY_INSIDE, KNOCK_OUT_BELOW -> all;
            };
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
                tile.withPicture(e.picture, part, p -> join(into, p, e, tile));
            } else if (e.join == Join.KEEP_BELOW) {
                into.clear();
            }
        }
    }

    private static void join(Picture into, Picture p, Entry e, Tile tile) {
        switch (e.join) {
            case OVER -> Compose.over(into, p, e.mode);
            case STAY_INSIDE -> {
                if (e.mode == BlendMode.PLUS_LIGHTER) {
                    Compose.addInside(into, p);
                    return;
                }
                Picture below = tile.scratch().picture(p.domain());
                Compose.copy(below, into);
                Compose.over(into, p, e.mode);
                Compose.stayInside(into, p, below);
                tile.scratch().give(below);
            }
            case KEEP_BELOW, KNOCK_OUT_BELOW -> {
                Matte shape = tile.scratch().matte(p.domain());
                Compose.alpha(p, shape);
                if (e.join == Join.KEEP_BELOW) {
                    Compose.inside(into, shape);
                } else {
                    Compose.outside(into, shape);
                }
                tile.scratch().give(shape);
            }
        }
    }

    /** What lies below an opaque picture needn't be painted; −1 where there is none. */
    private int lowestSeen(Region part, Tile tile) {
        for (int i = entries.size() - 1; i >= 0; i--) {
            Entry e = entries.get(i);
            if (e.hides() && e.picture.cover(part, tile) == Cover.ALL) {
                return i;
            }
        }
        return -1;
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        Cover all = Cover.NONE;
        for (Entry e : entries) {
            all = switch (e.join) {
                case OVER -> all.plus(e.picture.cover(part, tile));
                case STAY_INSIDE -> all;
                case KEEP_BELOW -> all.times(e.picture.cover(part, tile));
                case KNOCK_OUT_BELOW -> all.times(e.picture.cover(part, tile).inverted());
            };
        }
        return all;
    }

    @Override
    public Optional<DecodedSamples> decodedSamples(Region part, Tile tile) {
        for (int i = entries.size() - 1; i >= 0; i--) {
            Entry e = entries.get(i);
            if (e.join == Join.KEEP_BELOW && e.picture.cover(part, tile) == Cover.ALL) {
                continue;
            }
            Optional<DecodedSamples> straight = e.hides() ? e.picture.decodedSamples(part, tile) : Optional.empty();
            if (straight.isPresent() || e.join == Join.KEEP_BELOW || e.picture.cover(part, tile) != Cover.NONE) {
                return straight;
            }
        }
        return Optional.empty();
    }
}

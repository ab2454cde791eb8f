package aperta.core.render;

import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Region;
import aperta.core.shot.Mask;
import java.util.ArrayList;
import java.util.List;

/** The masks of a layer put together, in order. */
final class Masks implements Step.Shades {
    /** One mask: its matte, and how it works on what the ones before it left. */
    record Part(Step.Shades matte, Mask.Mode mode, boolean inverted, float opacity) {
        Part with(Mask.Mode other) {
            return new Part(matte, other, inverted, opacity);
        }
    }

    private final List<Part> parts;
    private final ContentKey key;
    private final Region domain;

    Masks(List<Part> parts) {
        this.parts = parts;
        ContentKey.Builder k = ContentKey.of("masks");
        Region reach = startsFull() ? Region.EVERYWHERE : Region.NOTHING;
        for (Part p : parts) {
            k.step(p.matte).number(p.mode.ordinal()).number(p.inverted ? 1 : 0).number(p.opacity);
            Region own =
                    p.inverted || p.opacity < 1 && p.mode == Mask.Mode.INTERSECT ? Region.EVERYWHERE : p.matte.domain();
            reach = switch (p.mode) {
                case ADD, EXCLUDE -> reach.union(own);
                case SUBTRACT -> reach;
                case INTERSECT -> reach.intersect(own);
            };
        }
        this.key = k.key();
        this.domain = reach;
    }

    private boolean startsFull() {
        Mask.Mode first = parts.get(0).mode();
        return first == Mask.Mode.SUBTRACT || first == Mask.Mode.INTERSECT;
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
        return new ArrayList<>(parts.stream().map(Part::matte).toList());
    }

    @Override
    public void shade(Matte into, Tile tile) {
        into.fill(startsFull() ? 1 : 0);
        for (Part p : parts) {
            tile.withMatte(p.matte, into.domain(), m -> {
                if (p.inverted) {
                    MatteMath.invert(m);
                }
                switch (p.mode) {
                    case ADD -> MatteMath.add(into, m, p.opacity);
                    case SUBTRACT -> MatteMath.subtract(into, m, p.opacity);
                    case INTERSECT -> MatteMath.intersect(into, m, p.opacity);
                    case EXCLUDE -> MatteMath.exclude(into, m, p.opacity);
                }
            });
        }
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        Cover all = startsFull() ? Cover.ALL : Cover.NONE;
        for (Part p : parts) {
            Cover own = p.matte.cover(part, tile);
            Cover turned = p.inverted ? own.inverted() : own;
            Cover seen = p.opacity < 1 ? turned.times(Cover.SOME) : turned;
            all = switch (p.mode) {
                case ADD -> all.plus(seen);
                case SUBTRACT -> all.times(seen.inverted());
                case INTERSECT -> all.times(p.opacity < 1 ? Cover.SOME : turned);
                case EXCLUDE -> all.either(seen);
            };
        }
        return all;
    }
}

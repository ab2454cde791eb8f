package aperta.core.render;

import aperta.core.effect.Worked;
import aperta.core.picture.Compose;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A picture each pixel of which an effect changes by itself. */
final class Changed implements Step.Paints {
    private final Step.Paints input;
    private final Worked.ByPixel effect;
    private final float amount;
    private final Optional<Step.Shades> where;
    private final ContentKey key;

    /** @param kind of the effect */
    Changed(Step.Paints input, String kind, Worked.ByPixel effect, double amount, Optional<Step.Shades> where) {
        this.input = input;
        this.effect = effect;
        this.amount = (float) amount;
        this.where = where;
        this.key = Affected.key(input, kind, effect, amount, where);
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return input.domain();
    }

    @Override
    public List<Step> inputs() {
        List<Step> all = new ArrayList<>(List.of(input));
        where.ifPresent(all::add);
        return all;
    }

    @Override
    public void paint(Picture into, Tile tile) {
        input.paint(into, tile);
        if (amount == 1 && where.isEmpty()) {
            effect.change(into);
            return;
        }
        Picture changed = tile.scratch().picture(into.domain());
        Compose.copy(changed, into);
        effect.change(changed);
        if (where.isEmpty()) {
            Compose.towards(into, changed, amount, Optional.empty());
        } else {
            Matte weights = tile.scratch().matte(into.domain());
            where.get().shade(weights, tile);
            Compose.towards(into, changed, amount, Optional.of(weights));
            tile.scratch().give(weights);
        }
        tile.scratch().give(changed);
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return input.cover(part, tile) == Cover.NONE ? Cover.NONE : Cover.SOME;
    }
}

package aperta.core.render;

import aperta.core.effect.Worked;
import aperta.core.picture.Compose;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A picture that an effect makes from what lies around each pixel. */
final class Affected implements Step.Made<Picture>, Step.Paints {
    private final Step.Paints input;
    private final Worked.Around effect;
    private final float amount;
    private final Optional<Step.Shades> where;
    private final ContentKey key;

    /** @param kind of the effect */
    Affected(Step.Paints input, String kind, Worked.Around effect, double amount, Optional<Step.Shades> where) {
        this.input = input;
        this.effect = effect;
        this.amount = (float) amount;
        this.where = where;
        this.key = key(input, kind, effect, amount, where);
    }

    static ContentKey key(Step input, String kind, Worked effect, double amount, Optional<Step.Shades> where) {
        ContentKey.Builder key = ContentKey.of("effect")
                .text(kind)
                .step(input)
                .numbers(effect.numbers())
                .number(amount);
        where.ifPresent(key::step);
        return key.key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return effect.domain(input.domain()).union(input.domain());
    }

    @Override
    public List<Step> inputs() {
        List<Step> all = new ArrayList<>(List.of(input));
        where.ifPresent(all::add);
        return all;
    }

    @Override
    public Region needs(int place, Region wanted) {
        return place == 0 ? effect.needs(wanted).union(wanted) : wanted;
    }

    @Override
    public Picture make(Region needed, Making making) {
        Region from = effect.needs(needed).intersect(input.domain());
        return making.painted(
                input,
                from,
                p -> effect.moves() && where.isPresent()
                        ? making.shaded(
                                where.get(),
                                needed,
                                m -> effect.made(p, Optional.of(m), needed, making.bands(), making.scratch()))
                        : effect.made(p, Optional.empty(), needed, making.bands(), making.scratch()));
    }

    @Override
    public long bytes(Picture result) {
        return result.bytes();
    }

    @Override
    public void paint(Picture into, Tile tile) {
        boolean mixed = !effect.moves() && (amount < 1 || where.isPresent());
        if (!mixed) {
            into.clear();
            tile.ifMade(this).ifPresent(p -> Compose.copy(into, p));
            return;
        }
        Picture made = tile.scratch().picture(into.domain());
        made.clear();
        tile.ifMade(this).ifPresent(p -> Compose.copy(made, p));
        into.clear();
        Region part = into.domain().intersect(input.domain());
        if (!part.isEmpty()) {
            tile.withPicture(input, part, p -> Compose.copy(into, p));
        }
        if (where.isEmpty()) {
            Compose.towards(into, made, amount, Optional.empty());
        } else {
            Matte weights = tile.scratch().matte(into.domain());
            where.get().shade(weights, tile);
            Compose.towards(into, made, amount, Optional.of(weights));
            tile.scratch().give(weights);
        }
        tile.scratch().give(made);
    }
}

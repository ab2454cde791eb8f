package aperta.core.render;

import aperta.core.effect.Worked;
import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.List;
import java.util.Optional;

/** A picture that an effect makes from what lies around each pixel. */
final class Affected implements Step.Made<Picture>, Step.Paints {
    private final Step.Paints input;
    private final Worked.Around effect;
    private final EffectShare share;
    private final ContentKey key;

    /** @param kind of the effect */
    Affected(Step.Paints input, String kind, Worked.Around effect, EffectShare share) {
        this.input = input;
        this.effect = effect;
        this.share = share;
        this.key = share.key(input, kind, effect);
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
        return share.inputs(input);
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
                p -> effect.moves() && share.where().isPresent()
                        ? making.shaded(
                                share.where().get(),
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
        boolean mixed = !effect.moves() && !share.isWhole();
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
        share.mix(into, made, tile);
        tile.scratch().give(made);
    }
}

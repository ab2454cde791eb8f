package aperta.core.render;

import aperta.core.effect.Worked;
import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;

/** A picture each pixel of which an effect changes by its distance from the edge of the layer's opening. */
final class AtFront implements Step.Paints {
    private final Step.Paints input;
    private final Worked.ByFront effect;
    private final FrontDistance distance;
    private final EffectShare share;
    private final ContentKey key;

    /** @param kind of the effect */
    AtFront(Step.Paints input, String kind, Worked.ByFront effect, FrontDistance distance, EffectShare share) {
        this.input = input;
        this.effect = effect;
        this.distance = distance;
        this.share = share;
        this.key = share.key(input, kind, effect)
                .step(distance)
                .number(effect.reach())
                .key();
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
        List<Step> all = new ArrayList<>(share.inputs(input));
        all.add(distance);
        return all;
    }

    @Override
    public void paint(Picture into, Tile tile) {
        input.paint(into, tile);
        if (share.isWhole()) {
            tile.withMatte(distance, into.domain(), m -> effect.change(into, m));
            return;
        }
        Picture changed = tile.scratch().picture(into.domain());
        Compose.copy(changed, into);
        tile.withMatte(distance, into.domain(), m -> effect.change(changed, m));
        share.mix(into, changed, tile);
        tile.scratch().give(changed);
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return input.cover(part, tile) == Cover.NONE ? Cover.NONE : Cover.SOME;
    }
}

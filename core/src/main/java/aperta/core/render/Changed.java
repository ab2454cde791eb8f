package aperta.core.render;

import aperta.core.effect.Worked;
import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.util.List;

/** A picture each pixel of which an effect changes by itself. */
final class Changed implements Step.Paints {
    private final Step.Paints input;
    private final Worked.ByPixel effect;
    private final EffectShare share;
    private final ContentKey key;

    /** @param kind of the effect */
    Changed(Step.Paints input, String kind, Worked.ByPixel effect, EffectShare share) {
        this.input = input;
        this.effect = effect;
        this.share = share;
        this.key = share.key(input, kind, effect).key();
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
        return share.inputs(input);
    }

    @Override
    public void paint(Picture into, Tile tile) {
        input.paint(into, tile);
        if (share.isWhole()) {
            effect.change(into);
            return;
        }
        Picture changed = tile.scratch().picture(into.domain());
        Compose.copy(changed, into);
        effect.change(changed);
        share.mix(into, changed, tile);
        tile.scratch().give(changed);
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        return input.cover(part, tile) == Cover.NONE ? Cover.NONE : Cover.SOME;
    }
}

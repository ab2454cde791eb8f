package aperta.core.render;

import aperta.core.effect.Worked;
import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.shot.LayerEffect.Border;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A picture that an effect makes from what lies around each pixel. */
final class Affected implements Step.Made<Picture>, Step.Paints {
    /** Without what the effect is made from but the layer's own picture. */
    private static final int OTHERS = 2;

    private final Step.Paints input;
    private final Step.Paints source;
    private final List<Step.Paints> others;
    private final Worked.Around effect;
    private final Border border;
    private final EffectShare share;
    private final Region domain;
    private final ContentKey key;

    /**
     * @param input what the effect is mixed with
     * @param source the same, as fine as the effect asks for
     * @param others what the effect asks for beside it, in order
     * @param kind of the effect
     * @param border what it finds beyond the picture's; if anything, the picture keeps its border
     */
    Affected(
            Step.Paints input,
            Step.Paints source,
            List<Step.Paints> others,
            String kind,
            Worked.Around effect,
            Border border,
            EffectShare share) {
        this.input = input;
        this.source = source;
        this.others = List.copyOf(others);
        this.effect = effect;
        this.border = border;
        this.share = share;
        ContentKey.Builder k = share.key(input, kind, effect).step(source).number((long) border.ordinal());
        others.forEach(k::step);
        this.key = k.key();
        this.domain = border == Border.EMPTY ? reached() : input.domain();
    }

    private Region reached() {
        Region all = effect.domain(input.domain()).union(input.domain());
        for (int i = 0; i < others.size(); i++) {
            if (effect.asks().get(i) instanceof Worked.Ask.Ago) {
                all = all.union(effect.domain(others.get(i).domain()));
            }
        }
        return all;
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
        List<Step> all = new ArrayList<>(List.of(input, source));
        all.addAll(others);
        share.where().ifPresent(all::add);
        return all;
    }

    @Override
    public Region needs(int place, Region wanted) {
        if (place == 0) {
            return isMixed() ? wanted : Region.NOTHING;
        }
        if (place == 1) {
            return effect.needs(wanted);
        }
        return place >= OTHERS && place < OTHERS + others.size() ? effect.needs(place - OTHERS, wanted) : wanted;
    }

    @Override
    public boolean paintsFrom(int place) {
        return isMixed() && (place == 0 || place == OTHERS + others.size());
    }

    private boolean isMixed() {
        return !effect.moves() && !share.isWhole();
    }

    @Override
    public Picture make(Region needed, Making making) {
        Region from = effect.needs(needed).intersect(source.domain());
        return making.painted(
                source,
                from,
                p -> withOthers(needed, making, new ArrayList<>(), others -> {
                    boolean weighed = effect.moves() && share.where().isPresent();
                    return weighed
                            ? making.shaded(
                                    share.where().get(),
                                    needed,
                                    m -> effect.made(new Worked.Given(
                                            p, others, Optional.of(m), needed, making.bands(), making.scratch())))
                            : effect.made(new Worked.Given(
                                    p, others, Optional.empty(), needed, making.bands(), making.scratch()));
                }));
    }

    private interface Use {
        Picture of(List<Picture> others);
    }

    private Picture withOthers(Region needed, Making making, List<Picture> painted, Use use) {
        int place = painted.size();
        if (place == others.size()) {
            return use.of(painted);
        }
        Step.Paints other = others.get(place);
        Region part = effect.needs(place, needed).intersect(other.domain());
        return making.painted(other, part, p -> {
            List<Picture> more = new ArrayList<>(painted);
            more.add(p);
            return withOthers(needed, making, more, use);
        });
    }

    @Override
    public long bytes(Picture result) {
        return result.bytes();
    }

    @Override
    public void paint(Picture into, Tile tile) {
        if (!isMixed()) {
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

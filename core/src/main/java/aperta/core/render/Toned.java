package aperta.core.render;

import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Region;
import aperta.core.shot.Cut.Tone;
import aperta.core.time.Mix;
import java.util.List;
import java.util.function.DoubleUnaryOperator;

/** A matte whose values are changed one by one. */
final class Toned implements Step.Shades {
    private final Step.Shades source;
    private final DoubleUnaryOperator values;
    private final Region domain;
    private final ContentKey key;

    Toned(Step.Shades source, Tone tone) {
        this.source = source;
        this.values = tone.values();
        this.domain = values.applyAsDouble(0) == 0 ? source.domain() : Region.EVERYWHERE;
        ContentKey.Builder name = ContentKey.of("toned")
                .step(source)
                .number(tone.black().at(0, Mix.NUMBER))
                .number(tone.white().at(0, Mix.NUMBER))
                .number(tone.gamma().at(0, Mix.NUMBER));
        tone.curve().points().forEach(p -> name.number(p.x()).number(p.y()));
        this.key = name.key();
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
        return List.of(source);
    }

    @Override
    public void shade(Matte into, Tile tile) {
        source.shade(into, tile);
        MatteMath.change(into, v -> (float) values.applyAsDouble(v));
    }

    @Override
    public Cover cover(Region part, Tile tile) {
        Cover before = source.cover(part, tile);
        if (before == Cover.SOME) {
            return Cover.SOME;
        }
        double now = values.applyAsDouble(before == Cover.ALL ? 1 : 0);
        return now == 0 ? Cover.NONE : now == 1 ? Cover.ALL : Cover.SOME;
    }
}

package aperta.core.render;

import aperta.core.picture.Compose;
import aperta.core.picture.Matte;
import aperta.core.picture.MatteMath;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.shot.BlendMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What lies below an adjustment layer, on its way to what the layer's chain makes of it: as far as its opacity and its mattes say. By another
 * blend mode than the normal one, the result is laid on what lies below by that first.
 */
final class Adjusted implements Step.Paints {
    private final Step.Paints below;
    private final Step.Paints changed;
    private final List<Step.Shades> mattes;
    private final double opacity;
    private final BlendMode mode;
    private final ContentKey key;

    Adjusted(Step.Paints below, Step.Paints changed, List<Step.Shades> mattes, double opacity, BlendMode mode) {
        this.below = below;
        this.changed = changed;
        this.mattes = List.copyOf(mattes);
        this.opacity = opacity;
        this.mode = mode;
        ContentKey.Builder k = ContentKey.of("adjusted")
                .step(below)
                .step(changed)
                .number(opacity)
                .number((long) mode.ordinal());
        mattes.forEach(k::step);
        this.key = k.key();
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return below.domain().union(changed.domain());
    }

    @Override
    public List<Step> inputs() {
        List<Step> all = new ArrayList<>(List.of(below, changed));
        all.addAll(mattes);
        return all;
    }

    /** Whether nothing of what lies below is left beside what the chain makes of it. */
    private boolean isWhole() {
        return opacity == 1 && mattes.isEmpty() && mode == BlendMode.NORMAL;
    }

    @Override
    public Region needs(int input, Region wanted) {
        return input == 0 && isWhole() ? Region.NOTHING : wanted;
    }

    @Override
    public void paint(Picture into, Tile tile) {
        if (isWhole()) {
            paintOf(changed, into, tile);
            return;
        }
        paintOf(below, into, tile);
        Region d = into.domain();
        Picture other = tile.scratch().picture(d);
        paintOf(changed, other, tile);
        if (mode != BlendMode.NORMAL) {
            Picture laid = tile.scratch().picture(d);
            Compose.copy(laid, into);
            Compose.over(laid, other, mode);
            Compose.copy(other, laid);
            tile.scratch().give(laid);
        }
        if (mattes.isEmpty()) {
            Compose.towards(into, other, (float) opacity, Optional.empty());
        } else {
            Matte weights = tile.scratch().matte(d);
            weights.fill(1);
            mattes.forEach(m -> tile.withMatte(m, d, part -> MatteMath.intersect(weights, part, 1)));
            Compose.towards(into, other, (float) opacity, Optional.of(weights));
            tile.scratch().give(weights);
        }
        tile.scratch().give(other);
    }

    /** Steps are painted only where they have anything. */
    private static void paintOf(Step.Paints step, Picture into, Tile tile) {
        Region part = into.domain().intersect(step.domain());
        if (part.equals(into.domain())) {
            step.paint(into, tile);
            return;
        }
        into.clear();
        if (!part.isEmpty()) {
            tile.withPicture(step, part, p -> Compose.copy(into, p));
        }
    }
}

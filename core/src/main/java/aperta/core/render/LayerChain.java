package aperta.core.render;

import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.effect.Worked;
import aperta.core.geometry.Affine;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Cut;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Light;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** The order in which a layer's picture is made: content, effects, masks, effects, blur and opacity, cut, effects. */
final class LayerChain {
    private final Layout layout;
    private final Map<String, Optional<Step.Paints>> uncut = new HashMap<>();

    LayerChain(Layout layout) {
        this.layout = layout;
    }

    /** As it is laid on those below. */
    Optional<Step.Paints> finished(Layer layer) {
        return cut(layer).map(p -> {
            Moment.Seen seen = layout.moment().of(layer.id());
            Affine map = seen.toShot().then(layout.shotToRaster());
            Step.Paints last = affected(p, seen, map, LayerEffect.Station.BEHIND_CUT);
            return fadesLast(seen) ? Faded.of(last, seen.opacity()) : last;
        });
    }

    /** Whether effects stand behind the cut, which see the picture at its whole opacity. */
    private static boolean fadesLast(Moment.Seen seen) {
        return seen.still().effects().stream()
                .anyMatch(e -> e.station() == LayerEffect.Station.BEHIND_CUT
                        && e.on()
                        && e.amount().at(0, Mix.NUMBER) > 0);
    }

    private Optional<Step.Paints> cut(Layer layer) {
        Optional<Step.Paints> whole = beforeCut(layer);
        if (layer.cut().isEmpty() || whole.isEmpty()) {
            return whole;
        }
        Moment moment = layout.moment();
        Cut cut = moment.of(layer.id()).still().cut().orElseThrow();
        // How bright a clip is can't be told from its box.
        Layout of = cut.with() == Cut.With.BRIGHTNESS ? layout.complete() : layout;
        Optional<Step.Paints> cutter = of.chain().uncut(moment.of(cut.by()).layer());
        if (cutter.isEmpty()) {
            return cut.keep() == Cut.Keep.INSIDE ? Optional.empty() : whole;
        }
        double scale =
                moment.of(layer.id()).toShot().then(layout.shotToRaster()).meanScale();
        Step.Shades matte = Mattes.of(cut, cutter.get(), moment.shot().format().light(), scale);
        return Optional.of(new CutBy(whole.get(), matte, cut.keep()));
    }

    /** Before its own cut, which is what it cuts others with; nothing where it isn't there or is too flat to be seen. */
    Optional<Step.Paints> uncut(Layer layer) {
        Moment.Seen seen = layout.moment().of(layer.id());
        return beforeCut(layer).map(p -> fadesLast(seen) ? Faded.of(p, seen.opacity()) : p);
    }

    private Optional<Step.Paints> beforeCut(Layer layer) {
        Optional<Step.Paints> known = uncut.get(layer.id());
        if (known == null) {
            boolean blurred = layer.motionBlur()
                    && !layout.isSample()
                    && !layout.coverageOnly()
                    && layout.moment().of(layer.id()).exists();
            known = blurred ? MotionBlur.of(layer, layout) : atOnce(layer);
            uncut.put(layer.id(), known);
        }
        return known;
    }

    /** The same without motion blur. */
    Optional<Step.Paints> atOnce(Layer layer) {
        Moment.Seen seen = layout.moment().of(layer.id());
        Affine map = seen.toShot().then(layout.shotToRaster());
        if (!layout.onItsFrame(layer).exists() || map.inverse().isEmpty() || seen.opacity() == 0) {
            return Optional.empty();
        }
        double sigma = seen.still().place().blur().at(0, Mix.NUMBER) * map.meanScale();
        return Drawings.picture(
                        seen.still().content(), new Drawing.Subject(seen, seen.pieces(), map), canvas(layout::stack))
                .map(p -> affected(p, seen, map, LayerEffect.Station.BEFORE_MASKS))
                .map(p -> masked(p, seen, map))
                .map(p -> affected(p, seen, map, LayerEffect.Station.BEFORE_CUT))
                .map(p -> Blurred.of(p, sigma))
                .map(p -> fadesLast(seen) ? p : Faded.of(p, seen.opacity()));
    }

    /** What the effects of a station make of a picture; those that do nothing cost nothing. */
    private Step.Paints affected(Step.Paints picture, Moment.Seen seen, Affine map, LayerEffect.Station station) {
        Step.Paints now = picture;
        for (LayerEffect e : seen.still().effects()) {
            double amount = e.amount().at(0, Mix.NUMBER);
            if (e.on() && amount > 0 && e.station() == station) {
                now = affected(now, e, amount, seen, map);
            }
        }
        return now;
    }

    private Step.Paints affected(Step.Paints picture, LayerEffect e, double amount, Moment.Seen seen, Affine map) {
        Optional<Step.Shades> where = Optional.empty();
        if (e.where().isPresent()) {
            LayerEffect.Where w = e.where().get();
            // How bright a clip is can't be told from its box.
            Layout of = w.with() == Cut.With.BRIGHTNESS ? layout.complete() : layout;
            Optional<Step.Paints> by =
                    of.chain().uncut(layout.moment().of(w.by()).layer());
            boolean inside = w.keep() == Cut.Keep.INSIDE;
            if (by.isEmpty() && inside) {
                return picture;
            }
            where = by.map(p -> weights(p, w, inside));
        }
        Effect effect = Effects.of(e.recipe().kind());
        Light light = layout.moment().shot().format().light();
        Worked worked = effect.on(e.recipe().rest(), new Effect.Setting(map, light, seen.frame(), amount));
        EffectShare share = new EffectShare(amount, where);
        if (worked instanceof Worked.Around around) {
            return new Affected(picture, e.recipe().kind(), around, share);
        }
        return layout.coverageOnly()
                ? picture
                : new Changed(picture, e.recipe().kind(), (Worked.ByPixel) worked, share);
    }

    private Step.Shades weights(Step.Paints by, LayerEffect.Where where, boolean inside) {
        Step.Shades matte = new PictureMatte(
                by, where.with(), layout.moment().shot().format().light());
        return inside ? matte : new Masks(List.of(new Masks.Part(matte, Mask.Mode.ADD, true, 1)));
    }

    private Step.Paints masked(Step.Paints picture, Moment.Seen seen, Affine map) {
        return seen.still().masks().isEmpty()
                        && seen.windows().isEmpty()
                        && seen.own().isEmpty()
                ? picture
                : new Masked(picture, Mattes.of(seen, map, seen.frameToShot().then(layout.shotToRaster())));
    }

    /**
     * One layer while it gives way to the next: as much of each pixel is taken from it as the next one brings, so that where
     * both are opaque nothing shines through, and where both have the same edge that edge stays as it is.
     */
    Optional<Step.Paints> passed(Layer from, Layer to) {
        Optional<Step.Paints> goes = finished(from);
        Optional<Step.Paints> comes = finished(to);
        if (goes.isEmpty()) {
            return comes;
        }
        Moment.Seen seen = layout.moment().of(to.id());
        Step.Paints left;
        if (seen.windows().isEmpty()) {
            left = Faded.of(goes.get(), 1 - seen.passing().orElseThrow().share());
        } else {
            Affine map = seen.toShot().then(layout.shotToRaster());
            left = new Masked(
                    goes.get(), Mattes.outside(seen, map, seen.frameToShot().then(layout.shotToRaster())));
        }
        return comes.<Step.Paints>map(c -> new Stack(
                        List.of(new Stack.Entry(left, BlendMode.NORMAL), new Stack.Entry(c, BlendMode.PLUS_LIGHTER))))
                .or(() -> Optional.of(left));
    }

    /** All that a layer would show without masks, cuts, opacity, and with its letters in their places. */
    Optional<Step.Paints> own(Layer layer) {
        Moment.Seen seen = layout.moment().of(layer.id());
        Affine map = seen.toShot().then(layout.shotToRaster());
        if (!seen.exists() || map.inverse().isEmpty()) {
            return Optional.empty();
        }
        return Drawings.picture(
                seen.still().content(), new Drawing.Subject(seen, Optional.empty(), map), canvas(this::ownOf));
    }

    private Step.Paints ownOf(List<Layer> layers) {
        List<Stack.Entry> all = new ArrayList<>();
        for (Layer inside : layers) {
            if (layout.moment().shows(inside)) {
                own(inside).ifPresent(p -> all.add(new Stack.Entry(p, BlendMode.NORMAL)));
            }
        }
        return new Stack(all);
    }

    private Drawing.Canvas canvas(Function<List<Layer>, Step.Paints> stack) {
        return new Drawing.Canvas() {
            @Override
            public Sources sources() {
                return layout.planner().sources();
            }

            @Override
            public SetType type() {
                return layout.planner().type();
            }

            @Override
            public Format format() {
                return layout.moment().shot().format();
            }

            @Override
            public boolean coverageOnly() {
                return layout.coverageOnly();
            }

            @Override
            public Moment.Seen onItsFrame(Layer layer) {
                return layout.onItsFrame(layer);
            }

            @Override
            public Step.Paints stack(List<Layer> layers) {
                return stack.apply(layers);
            }
        };
    }
}

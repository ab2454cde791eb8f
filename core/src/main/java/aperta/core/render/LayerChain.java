package aperta.core.render;

import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.effect.Worked;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Region;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Format;
import aperta.core.shot.Front;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.LayerEffect.Border;
import aperta.core.shot.LayerEffect.Station;
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
    /** How wide the frame is where it is only looked when a layer was bright. */
    private static final double SMALL = 240;

    private final Layout layout;
    private final Map<String, Optional<Step.Paints>> uncut = new HashMap<>();

    LayerChain(Layout layout) {
        this.layout = layout;
    }

    /** As it is laid on those below. */
    Optional<Step.Paints> finished(Layer layer) {
        return cut(layer).map(p -> {
            Moment.Seen seen = layout.moment().of(layer.id());
            Step.Paints last = new Walk(layer, seen, Optional.empty()).along(p, Station.BEHIND_CUT);
            return fadesLast(seen) ? Faded.of(last, seen.opacity()) : last;
        });
    }

    /** What comes to an effect of a layer, or of its opening; nothing where that is not there. */
    Optional<Step.Paints> upTo(Layer layer, LayerEffect effect) {
        Moment.Seen seen = layout.moment().of(layer.id());
        if (effect.station() == Station.BEHIND_CUT) {
            return cut(layer).map(p -> new Walk(layer, seen, Optional.of(effect)).along(p, Station.BEHIND_CUT));
        }
        return atOnce(layer, Optional.of(effect));
    }

    /** What an effect of a layer makes, alone; nothing where it isn't there. */
    Optional<Step.Paints> through(Layer layer, LayerEffect effect) {
        Moment.Seen seen = layout.moment().of(layer.id());
        Optional<Step.Paints> comes = layer.content() instanceof Content.Adjustment
                ? Optional.of(throughAdjustment(layer, layout.below(layer), Optional.of(effect)))
                : upTo(layer, effect);
        Walk alone = new Walk(layer, seen, Optional.empty());
        return comes.map(p -> alone.one(p, effect));
    }

    /** Whether effects stand behind the cut, which see the picture at its whole opacity. */
    private static boolean fadesLast(Moment.Seen seen) {
        return seen.still().effects().stream().anyMatch(e -> e.station() == Station.BEHIND_CUT && works(e));
    }

    private static boolean works(LayerEffect e) {
        return e.on() && e.amount().at(0, Mix.NUMBER) > 0;
    }

    private Optional<Step.Paints> cut(Layer layer) {
        Optional<Step.Paints> whole = beforeCut(layer);
        if (layer.cut().isEmpty() || whole.isEmpty()) {
            return whole;
        }
        Cut cut = layout.moment().of(layer.id()).still().cut().orElseThrow();
        Optional<Step.Shades> matte = cutMatte(layer, cut);
        if (matte.isEmpty()) {
            return cut.keep() == Cut.Keep.INSIDE ? Optional.empty() : whole;
        }
        return Optional.of(new CutBy(whole.get(), matte.get(), cut.keep()));
    }

    /** Nothing where what cuts is not there. */
    private Optional<Step.Shades> cutMatte(Layer layer, Cut cut) {
        Moment moment = layout.moment();
        // How bright a clip is can't be told from its box.
        Layout of = cut.with() == Cut.With.BRIGHTNESS ? layout.complete() : layout;
        double scale =
                moment.of(layer.id()).toShot().then(layout.shotToRaster()).meanScale();
        return of.chain()
                .uncut(moment.of(cut.by()).layer())
                .map(p -> Mattes.of(cut, p, moment.shot().format().light(), scale));
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
        return atOnce(layer, Optional.empty());
    }

    private Optional<Step.Paints> atOnce(Layer layer, Optional<LayerEffect> until) {
        Moment.Seen seen = layout.moment().of(layer.id());
        Affine map = seen.toShot().then(layout.shotToRaster());
        if (!layout.onItsFrame(layer).exists() || map.inverse().isEmpty() || seen.opacity() == 0) {
            return Optional.empty();
        }
        Walk walk = new Walk(layer, seen, until);
        double sigma = seen.still().place().blur().at(0, Mix.NUMBER) * map.meanScale();
        return Drawings.picture(
                        seen.still().content(), new Drawing.Subject(seen, seen.pieces(), map), canvas(layout::stack))
                .map(p -> walk.along(p, Station.BEFORE_MASKS))
                .map(p -> walk.ended ? p : masked(p, seen, map))
                .map(p -> walk.along(p, Station.BEFORE_CUT))
                .map(p -> walk.ended ? p : Blurred.of(p, sigma))
                .map(p -> walk.ended || fadesLast(seen) ? p : Faded.of(p, seen.opacity()));
    }

    /**
     * What lies below an adjustment layer, changed by its chain as far as its masks, its cut and its opacity say.
     *
     * @param below as far as its frame shows it
     */
    Step.Paints adjusted(Layer layer, Step.Paints below) {
        Moment.Seen seen = layout.moment().of(layer.id());
        Affine map = seen.toShot().then(layout.shotToRaster());
        if (!layout.onItsFrame(layer).exists() || map.inverse().isEmpty() || seen.opacity() == 0) {
            return below;
        }
        Step.Paints changed = throughAdjustment(layer, below, Optional.empty());
        List<Step.Shades> mattes = new ArrayList<>();
        if (hasMasks(seen)) {
            mattes.add(maskMatte(seen, map));
        }
        if (seen.still().cut().isPresent()) {
            Cut cut = seen.still().cut().get();
            boolean inside = cut.keep() == Cut.Keep.INSIDE;
            Optional<Step.Shades> matte = cutMatte(layer, cut);
            if (matte.isEmpty() && inside) {
                return below;
            }
            matte.ifPresent(m -> mattes.add(inside ? m : inverted(m)));
        }
        return changed == below ? below : new Adjusted(below, changed, mattes, seen.opacity(), layer.blend());
    }

    /** All of its effects in turn, or those before one of them. */
    Step.Paints throughAdjustment(Layer layer, Step.Paints below, Optional<LayerEffect> until) {
        Moment.Seen seen = layout.moment().of(layer.id());
        Walk walk = new Walk(layer, seen, until);
        Step.Paints framed = new Framed(below, layout.frameOf(layer));
        Step.Paints now = framed;
        for (Station station : Station.values()) {
            now = walk.along(now, station);
        }
        return now == framed && until.isEmpty() ? below : now;
    }

    /** A way along a layer's effects, which may end before one of them. */
    private final class Walk {
        private final Layer layer;
        private final Moment.Seen seen;
        private final Affine map;
        private final Optional<String> until;
        private boolean ended;

        Walk(Layer layer, Moment.Seen seen, Optional<LayerEffect> until) {
            this.layer = layer;
            this.seen = seen;
            this.map = seen.toShot().then(layout.shotToRaster());
            this.until = until.map(LayerEffect::id);
        }

        /** What the effects of a station make of a picture; those that do nothing cost nothing. */
        Step.Paints along(Step.Paints picture, Station station) {
            List<LayerEffect> all = new ArrayList<>(seen.still().effects());
            if (station == Station.BEFORE_MASKS) {
                all.addAll(seen.opening());
            }
            Step.Paints now = picture;
            for (LayerEffect e : all) {
                ended |= until.isPresent() && until.get().equals(e.id());
                if (!ended && e.station() == station) {
                    now = one(now, e);
                }
            }
            return now;
        }

        /** What one effect makes of a picture. */
        Step.Paints one(Step.Paints picture, LayerEffect e) {
            Optional<Effect> effect = Effects.find(e.recipe().kind());
            return works(e) && effect.isPresent() ? affected(picture, e, effect.get()) : picture;
        }

        private Step.Paints affected(Step.Paints picture, LayerEffect e, Effect effect) {
            Optional<EffectShare> share = share(e);
            if (share.isEmpty()) {
                return picture;
            }
            Border border = border(e, effect);
            Effect.Setting setting = new Effect.Setting(
                    map,
                    seen.frameToShot().then(layout.shotToRaster()),
                    layout.planner().extent(layout.moment(), layer.id()),
                    layout.moment().shot().format().light(),
                    seen.frame(),
                    seen.format().rate(),
                    share.get().amount(),
                    border,
                    layout.planner().sources());
            Worked worked = effect.on(e.recipe().rest(), setting);
            String kind = e.recipe().kind();
            if (worked instanceof Worked.Around around) {
                return around(picture, e, around, border, share.get());
            }
            if (worked instanceof Worked.ByFront byFront) {
                return seen.front()
                        .<Step.Paints>map(f -> new AtFront(
                                picture, kind, byFront, distance(seen, f, map, byFront.reach()), share.get()))
                        .orElse(picture);
            }
            return layout.coverageOnly() ? picture : new Changed(picture, kind, (Worked.ByPixel) worked, share.get());
        }

        private Step.Paints around(
                Step.Paints picture, LayerEffect e, Worked.Around around, Border border, EffectShare share) {
            Step.Paints source = picture;
            if (around.finer() > 1) {
                source = earlier(layout.finer(around.finer()), e).orElse(picture);
            }
            List<Step.Paints> others = new ArrayList<>();
            for (Worked.Ask ask : around.asks()) {
                Optional<Step.Paints> other = ask instanceof Worked.Ask.Ago ago
                        ? earlier(layout.ago(ago.frames()), e)
                        : layout.complete()
                                .chain()
                                .uncut(layout.moment()
                                        .of(((Worked.Ask.Layer) ask).id())
                                        .layer());
                others.add(other.orElseGet(() -> new Stack(List.of())));
            }
            return new Affected(picture, source, others, e.recipe().kind(), around, border, share);
        }

        /** What comes to the effect in another layout. */
        private Optional<Step.Paints> earlier(Layout other, LayerEffect e) {
            Layer there = other.moment().of(layer.id()).layer();
            return layer.content() instanceof Content.Adjustment
                    ? Optional.of(other.chain().throughAdjustment(there, other.below(there), Optional.of(e)))
                    : other.chain().upTo(there, e);
        }

        /** How much there is of an effect; nothing where it does nothing. */
        private Optional<EffectShare> share(LayerEffect e) {
            List<Step.Shades> weights = new ArrayList<>();
            if (e.where().isPresent()) {
                LayerEffect.Where w = e.where().get();
                // How bright a clip is can't be told from its box.
                Layout of = w.with() == Cut.With.BRIGHTNESS ? layout.complete() : layout;
                Optional<Step.Paints> by =
                        of.chain().uncut(layout.moment().of(w.by()).layer());
                boolean inside = w.keep() == Cut.Keep.INSIDE;
                if (by.isEmpty() && inside) {
                    return Optional.empty();
                }
                by.ifPresent(p -> weights.add(weights(p, w, inside)));
            }
            if (e.near().isPresent()) {
                if (seen.front().isEmpty()) {
                    return Optional.empty();
                }
                weights.add(near(e.near().get(), seen.front().get()));
            }
            double amount = e.amount().at(0, Mix.NUMBER);
            return Optional.of(new EffectShare(
                    amount,
                    weights.size() < 2
                            ? weights.stream().findFirst()
                            : Optional.of(new Masks(weights.stream()
                                    .map(w -> new Masks.Part(w, Mask.Mode.INTERSECT, false, 1))
                                    .toList()))));
        }

        private Step.Shades near(LayerEffect.Near near, Front front) {
            double reach = Math.abs(near.lead()) + Math.max(near.ahead(), near.behind());
            return new FrontMatte(
                    distance(seen, front, map, reach),
                    d -> (float) near.weight(d),
                    near.lead(),
                    near.ahead(),
                    near.behind());
        }

        /** What an effect finds beyond the border. */
        private Border border(LayerEffect e, Effect effect) {
            if (!effect.readsBeyond()) {
                return Border.EMPTY;
            }
            boolean whole = e.station() == Station.BEFORE_MASKS
                    || !hasMasks(seen)
                            && (e.station() == Station.BEFORE_CUT || layer.cut().isEmpty());
            return e.border()
                    .orElse(
                            layer.content() instanceof Content.Adjustment || whole && fillsItsFrame()
                                    ? Border.REPEAT
                                    : Border.EMPTY);
        }

        /** Whether it is footage, a shot, or a picture that covers the frame. */
        private boolean fillsItsFrame() {
            Content content = layer.content();
            if (content instanceof Content.Footage f && f.cutOut().isEmpty()
                    || content instanceof Content.Group group && group.format().isPresent()) {
                return true;
            }
            if (!(content instanceof Content.Still) && !(content instanceof Content.Fill)) {
                return false;
            }
            Box box = map.apply(layout.planner().extent(layout.moment(), layer.id()));
            return Region.around(box.grown(1e-6)).contains(layout.frameOf(layer)) && map.b() * map.a() == 0;
        }
    }

    private Step.Shades weights(Step.Paints by, LayerEffect.Where where, boolean inside) {
        Step.Shades matte = new PictureMatte(
                by, where.with(), layout.moment().shot().format().light());
        return inside ? matte : inverted(matte);
    }

    /** How far behind the edge of an opening each place lies; an edge that is read from a layer looks at its frames so far. */
    private FrontDistance distance(Moment.Seen seen, Front front, Affine map, double reach) {
        if (!(front.shape() instanceof Front.Passed passed)) {
            return new FrontDistance(front, map, reach);
        }
        Optional<FirstBright> first = Optional.empty();
        double small =
                Math.min(layout.scale(), SMALL / layout.moment().shot().format().width());
        Region frame = Planner.frame(layout.moment().shot().format(), small);
        for (long ago = passed.frames(); ago >= 0; ago--) {
            Layout then = layout.complete().small(ago, small);
            Step.Paints picture =
                    then.chain().uncut(then.moment().of(passed.layer()).layer()).orElseGet(() -> new Stack(List.of()));
            Step.Shades bright = new PictureMatte(
                    picture,
                    Cut.With.BRIGHTNESS,
                    layout.moment().shot().format().light());
            first = Optional.of(new FirstBright(first, bright, frame, passed.threshold()));
        }
        return new FrontDistance(front, map, reach, first, layout.scale() / small);
    }

    private static Step.Shades inverted(Step.Shades matte) {
        return new Masks(List.of(new Masks.Part(matte, Mask.Mode.ADD, true, 1)));
    }

    private static boolean hasMasks(Moment.Seen seen) {
        return !seen.still().masks().isEmpty()
                || !seen.windows().isEmpty()
                || !seen.own().isEmpty()
                || !seen.writings().isEmpty()
                || seen.front().flatMap(Front::shows).isPresent();
    }

    private Step.Paints masked(Step.Paints picture, Moment.Seen seen, Affine map) {
        return hasMasks(seen) ? new Masked(picture, maskMatte(seen, map)) : picture;
    }

    private Step.Shades maskMatte(Moment.Seen seen, Affine map) {
        return Mattes.of(
                seen,
                map,
                seen.frameToShot().then(layout.shotToRaster()),
                (f, reach) -> distance(seen, f, map, reach),
                () -> layout.planner().ink(layout.moment(), seen.layer().id()));
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

    /**
     * What a layer shows before its effects, its masks and its cut; what a group holds is finished.
     *
     * @param map from its own space to pixels of the raster
     */
    Optional<Step.Paints> plain(Moment.Seen seen, Affine map) {
        return Drawings.picture(
                seen.still().content(), new Drawing.Subject(seen, Optional.empty(), map), canvas(layout::stack));
    }

    /** A layer with its middle at the origin, its longer side of a length. */
    private Optional<Step.Paints> rider(String id, double size) {
        Moment.Seen seen = layout.moment().of(id);
        Box box = layout.planner().extent(layout.moment(), id);
        double side = Math.max(box.width(), box.height());
        Optional<Affine> back = seen.toShot().inverse();
        if (box.isEmpty() || side <= 0 || back.isEmpty()) {
            return Optional.empty();
        }
        Point middle = new Point((box.x0() + box.x1()) / 2, (box.y0() + box.y1()) / 2);
        Affine place = Affine.translation(-middle.x(), -middle.y()).then(Affine.scale(size / side, size / side));
        return layout.on(layout.moment(), back.get().then(place)).chain().finished(seen.layer());
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
            public Optional<Lines> lines(Content.Trace trace) {
                return TracedLines.of(trace, layout);
            }

            @Override
            public Optional<Step.Paints> rider(String layer, double size) {
                return LayerChain.this.rider(layer, size * Riders.FINER);
            }

            @Override
            public Step.Paints stack(List<Layer> layers) {
                return stack.apply(layers);
            }
        };
    }
}

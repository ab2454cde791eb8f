package aperta.server.frame;

import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.picture.Bytes;
import aperta.core.render.Planner;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Moment;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.List;
import java.util.Optional;

/** Shows how an opening would bring in, or take away, a layer: alone, small, in the middle. */
final class Previews {
    static final int WIDTH = 200;
    static final int HEIGHT = 96;
    /** How many pictures lie under one another; the last of them at rest. */
    static final int PICTURES = 24;

    private static final String SAMPLE_FONT = "anton";

    private static final int MOVING = 18;
    /** How much of the preview a layer fills at rest. */
    private static final double FILLED = 0.62;

    private final Planner planner;
    private final FrameService frames;

    Previews(Planner planner, FrameService frames) {
        this.planner = planner;
        this.frames = frames;
    }

    /** Rows of RGBA, {@link #PICTURES} pictures under one another; departures run to their end. */
    byte[] strip(Shot shot, String id, String kind, boolean arriving) {
        Layer layer = demand(shot, id);
        Optional<Passage> now = arriving ? layer.arrive() : layer.leave();
        AnimatedRecipe recipe = now.flatMap(Passage::opening)
                .filter(o -> o.kind().equals(kind))
                .orElseGet(
                        () -> AnimatedRecipe.of(Openings.of(kind).descriptor().standard()));
        Ease ease = now.map(Passage::ease).orElse(Ease.EASE_OUT);
        return strip(shot, layer, new Passage(MOVING, 0, ease, Pose.REST, Optional.of(recipe)), arriving);
    }

    /** The same for an arrival or departure that was kept, at the pace of the others. */
    byte[] strip(Shot shot, String id, Passage kept, boolean arriving) {
        Passage paced = new Passage(MOVING, 0, kept.ease(), kept.pose(), kept.opening());
        return strip(shot, demand(shot, id), paced, arriving);
    }

    /** What an effect makes of a layer as it comes and goes: none of it on the first picture, all of it from the middle on. */
    byte[] effect(Shot shot, String id, String kind) {
        Layer layer = demand(shot, id);
        Effect effect = Effects.of(kind);
        LayerEffect link = LayerEffect.of(
                        "preview", AnimatedRecipe.of(effect.descriptor().standard()), effect.station())
                .withAmount(new Animated<>(
                        0.0, List.of(new Key<>(0, 0.0, Ease.LINEAR), new Key<>(PICTURES * 2 / 3, 1.0, Ease.LINEAR))));
        Layer free = free(layer).withEffects(List.of());
        Layer seen = layer.content() instanceof Content.Adjustment
                ? Layer.of(layer.id(), "", Content.Text.of("Aa", SAMPLE_FONT, 300), layer.span(), layer.place())
                : free;
        Passage opening = new Passage(
                PICTURES + 4,
                0,
                Ease.LINEAR,
                Pose.REST,
                Optional.of(AnimatedRecipe.of(Openings.of("wipe").descriptor().standard())));
        boolean needsEdge = effect.descriptor().kind().equals("embers");
        Shot alone = alone(
                shot, seen, needsEdge ? opening : Passage.standard(shot.format().rate()), needsEdge);
        Layer frame = alone.layers().get(0);
        Layer inner = frame.content().inside().get(0);
        Layer changed =
                (needsEdge ? inner : inner.withLeave(Optional.empty())).withEffects(List.of(keyedFrom(link, inner)));
        return strip(alone.withLayers(List.of(frame.withContent(new Content.Group(List.of(changed))))), true);
    }

    /** Keys count in the layer's own time, which begins in its middle here. */
    private static LayerEffect keyedFrom(LayerEffect link, Layer layer) {
        long offset = layer.span().offset();
        return link.withAmount(new Animated<>(
                0.0,
                link.amount().keys().stream()
                        .map(k -> new Key<>(k.at() + offset, k.value(), k.ease()))
                        .toList()));
    }

    private static Layer demand(Shot shot, String id) {
        return shot.layer(id)
                .orElseThrow(() -> new IllegalArgumentException("There is no layer '" + id + "' in this shot."));
    }

    private byte[] strip(Shot shot, Layer layer, Passage passage, boolean arriving) {
        return strip(alone(shot, layer, passage, arriving), arriving);
    }

    private byte[] strip(Shot alone, boolean arriving) {
        double scale = (double) WIDTH / alone.format().width();
        byte[] all = new byte[PICTURES * WIDTH * HEIGHT * 4];
        for (int i = 0; i < PICTURES; i++) {
            int frame = arriving ? i : i + 1;
            byte[] picture = frames.shown(alone, frame, scale).rgba(Bytes.See.PICTURE);
            System.arraycopy(picture, 0, all, i * WIDTH * HEIGHT * 4, Math.min(picture.length, WIDTH * HEIGHT * 4));
        }
        return all;
    }

    private Shot alone(Shot shot, Layer layer, Passage passage, boolean arriving) {
        Optional<Passage> way = Optional.of(passage);
        long middle = layer.span().in() + layer.span().length() / 2;
        Layer bare = planner.moment(shot.withLayers(List.of(free(layer))), middle)
                .rest(layer.id())
                .withSpan(new Span(
                        0, PICTURES + 1, layer.span().offset() + layer.span().length() / 2))
                .withArrive(arriving ? way : Optional.empty())
                .withLeave(arriving ? Optional.empty() : way);
        Format format = new Format(WIDTH * 10, HEIGHT * 10, shot.format().rate());
        Shot only = new Shot("Preview", format, PICTURES + 1, List.of(bare));
        Moment rest = new Moment(only, 0);
        Box box = rest.rest(layer.id()).place().toParent(0).apply(planner.extent(rest, layer.id()));
        double size =
                box.isEmpty() ? 1 : FILLED * Math.min(format.width() / box.width(), format.height() / box.height());
        Point centre = box.isEmpty() ? Point.ORIGIN : box.centre();
        Place place =
                Place.at(format.centre()).withAnchor(Animated.of(centre)).withScale(Animated.of(new Point(size, size)));
        Layer frame =
                Layer.of(layer.id() + "-frame", "", new Content.Group(List.of(bare)), Span.of(0, PICTURES + 1), place);
        return only.withLayers(List.of(frame));
    }

    /** Without what ties it to other layers. */
    private static Layer free(Layer layer) {
        return layer.withParent(Optional.empty())
                .withCut(Optional.empty())
                .withArrive(Optional.empty())
                .withLeave(Optional.empty());
    }
}

package aperta.server.frame;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.picture.Bytes;
import aperta.core.render.Planner;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import java.util.List;
import java.util.Optional;

/** Shows how an opening would bring in, or take away, a layer: alone, small, in the middle. */
final class Previews {
    static final int WIDTH = 200;
    static final int HEIGHT = 96;
    /** How many pictures lie under one another; the last of them at rest. */
    static final int PICTURES = 24;

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

    private static Layer demand(Shot shot, String id) {
        return shot.layer(id)
                .orElseThrow(() -> new IllegalArgumentException("There is no layer '" + id + "' in this shot."));
    }

    private byte[] strip(Shot shot, Layer layer, Passage passage, boolean arriving) {
        Shot alone = alone(shot, layer, passage, arriving);
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

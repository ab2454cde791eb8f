package aperta.server.frame;

import static aperta.media.json.Provider.JSON;

import aperta.core.geometry.Affine;
import aperta.core.shot.BrushStroke;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Track;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import java.util.Optional;
import java.util.function.Function;

/** A figure that is cut out of a clip, on a frame, for showing it on the Picture. */
final class FigureNow {
    private FigureNow() {}

    /**
     * Which frame of the clip is seen, how to get from its pixels to the shot's, how sure the figure is on it, and what was
     * brushed on it, in pixels of the shot; nothing where no figure is cut out.
     */
    static Optional<JsonObject> of(Moment moment, Layer layer, Function<Content.Footage, Track.Clip> clips) {
        if (!(layer.content() instanceof Content.Footage footage)
                || footage.cutOut().isEmpty()) {
            return Optional.empty();
        }
        Track.Clip clip = clips.apply(footage);
        Affine map = Affine.translation(-clip.width() / 2.0, -clip.height() / 2.0)
                .then(moment.of(layer.id()).toShot());
        long on = (long) Math.floor(moment.clipFrame(layer.id(), clip) + 1e-9);
        JsonArrayBuilder strokes = JSON.createArrayBuilder();
        for (BrushStroke s : footage.cutOut().get().strokes()) {
            if (s.frame() == on) {
                JsonArrayBuilder path = JSON.createArrayBuilder();
                s.path().forEach(p -> path.add(Handles.point(map.apply(p))));
                strokes.add(JSON.createObjectBuilder()
                        .add("inside", s.inside())
                        .add("radius", s.radius() * map.meanScale())
                        .add("path", path));
            }
        }
        var told = JSON.createObjectBuilder()
                .add("frame", on)
                .add("fromClip", Handles.map(map))
                .add("strokes", strokes);
        footage.cutOut().get().carried().flatMap(c -> c.sure(on)).ifPresent(v -> told.add("sure", v));
        return Optional.of(told.build());
    }
}

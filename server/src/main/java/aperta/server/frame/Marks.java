package aperta.server.frame;

import static aperta.media.json.Provider.JSON;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import jakarta.json.JsonArrayBuilder;
import java.util.Locale;

/** The marks of a clip on a frame, for showing them on the Picture, in pixels of the shot. */
final class Marks {
    /** How many frames of their way are shown before and after. */
    private static final long SHOWN = 60;

    private Marks() {}

    static JsonArrayBuilder of(Moment moment, Layer layer) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        if (!(layer.content() instanceof Content.Footage clip)) {
            return all;
        }
        for (Track t : clip.tracks()) {
            Affine map = Affine.translation(-t.clip().width() / 2.0, -t.clip().height() / 2.0)
                    .then(moment.of(layer.id()).toShot());
            double frame = moment.clipFrame(layer.id(), t.clip());
            long on = (long) Math.floor(frame + 1e-9);
            JsonArrayBuilder marks = JSON.createArrayBuilder();
            t.places(frame).forEach(p -> marks.add(Handles.point(map.apply(p))));
            JsonArrayBuilder way = JSON.createArrayBuilder();
            for (int m = 0; m < t.marks().size(); m++) {
                JsonArrayBuilder one = JSON.createArrayBuilder();
                long last = Math.min(t.path().last(), on + SHOWN);
                for (long f = Math.max(t.path().first(), on - SHOWN); f <= last; f++) {
                    Point p = t.places(f).get(m);
                    one.add(Handles.point(map.apply(p)));
                }
                way.add(one);
            }
            var told = JSON.createObjectBuilder()
                    .add("id", t.id())
                    .add("marks", marks)
                    .add("way", way)
                    .add("frame", on)
                    .add("first", t.path().first())
                    .add("last", t.path().last())
                    .add("patch", t.patch() * map.meanScale())
                    .add("reach", t.reach() * map.meanScale());
            t.path().step(on).ifPresent(s -> told.add("sure", s.sure()).add("by", word(s.by())));
            all.add(told);
        }
        return all;
    }

    private static String word(TrackPath.By by) {
        return by.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}

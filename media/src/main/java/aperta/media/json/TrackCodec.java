package aperta.media.json;

import static aperta.media.json.Provider.JSON;

import aperta.core.geometry.Point;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import jakarta.json.JsonArray;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import java.util.ArrayList;
import java.util.List;

/** Tracks. Each step is a list of numbers: how sure it is, how it came about, and the places of its marks. */
final class TrackCodec {
    /** Thousandths of a pixel are as fine as anybody follows. */
    private static final double FINE = 1000;

    private static final int LEAST = 4;
    private static final int MOST = 10;

    private static final Codec<TrackPath.Step> STEP = Codecs.of(
            (v, where) -> {
                double[] n = Codecs.numbers(v, where);
                TrackPath.By[] by = TrackPath.By.values();
                if (n.length < LEAST || n.length > MOST || n.length % 2 > 0 || !(n[1] >= 0 && n[1] < by.length)) {
                    throw new BadDocument(
                            where, "expected a step of a track: how sure, how it came about, and one to four places.");
                }
                List<Point> at = new ArrayList<>();
                for (int i = 2; i < n.length; i += 2) {
                    at.add(new Point(n[i], n[i + 1]));
                }
                return new TrackPath.Step(at, n[0], by[(int) n[1]]);
            },
            TrackCodec::numbers,
            steps());

    static final Codec<TrackPath> PATH = path();

    static final Codec<Track.Clip> CLIP = clip();

    static final Codec<Track> TRACK = track();

    private TrackCodec() {}

    private static JsonArray numbers(TrackPath.Step step) {
        JsonArrayBuilder all = JSON.createArrayBuilder()
                .add(Codecs.number(fine(step.sure())))
                .add(step.by().ordinal());
        for (Point p : step.at()) {
            all.add(Codecs.number(fine(p.x()))).add(Codecs.number(fine(p.y())));
        }
        return all.build();
    }

    private static double fine(double v) {
        return Math.rint(v * FINE) / FINE;
    }

    private static JsonObject steps() {
        return JSON.createObjectBuilder()
                .add("type", "array")
                .add("items", Codecs.type("number"))
                .add("minItems", LEAST)
                .add("maxItems", MOST)
                .build();
    }

    private static Codec<TrackPath> path() {
        ObjectCodec<TrackPath> p = new ObjectCodec<>();
        var first = p.field("first", Codecs.WHOLE, TrackPath::first);
        var steps = p.field("steps", Codecs.list(STEP), TrackPath::steps);
        return p.making(r -> new TrackPath(r.get(first), r.get(steps)));
    }

    private static Codec<Track.Clip> clip() {
        ObjectCodec<Track.Clip> c = new ObjectCodec<>();
        var width = c.field("width", Codecs.WHOLE, k -> (long) k.width());
        var height = c.field("height", Codecs.WHOLE, k -> (long) k.height());
        var rate = c.field("rate", TimeCodecs.RATE, Track.Clip::rate);
        return c.making(
                r -> new Track.Clip(Math.toIntExact(r.get(width)), Math.toIntExact(r.get(height)), r.get(rate)));
    }

    private static Codec<Track> track() {
        ObjectCodec<Track> o = new ObjectCodec<>();
        var id = o.field("id", Codecs.TEXT, Track::id);
        var name = o.field("name", Codecs.TEXT, Track::name);
        var kind = o.field("kind", Codecs.choice(Track.Kind.class), Track::kind, Track.Kind.POINT);
        var clip = o.field("clip", CLIP, Track::clip);
        var at = o.field("at", Codecs.WHOLE, Track::at);
        var marks = o.field("marks", Codecs.list(TimeCodecs.POINT), Track::marks);
        var patch = o.field("patch", Codecs.NUMBER, Track::patch, Track.USUAL_PATCH);
        var reach = o.field("reach", Codecs.NUMBER, Track::reach, Track.USUAL_REACH);
        var lost = o.field("lost", Codecs.choice(Track.Lost.class), Track::lost, Track.Lost.GO_ON);
        var smooth = o.field("smooth", Codecs.NUMBER, Track::smooth, 0.0);
        var path = o.field("path", PATH, Track::path);
        return o.making(r -> new Track(
                r.get(id),
                r.get(name),
                r.get(kind),
                r.get(clip),
                r.get(at),
                r.get(marks),
                r.get(patch),
                r.get(reach),
                r.get(lost),
                r.get(smooth),
                r.get(path)));
    }
}

package aperta.core.edit;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.opening.Windows;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Recipe;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Pin;
import aperta.core.shot.References;
import aperta.core.shot.Shot;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import aperta.core.shot.TrackPath.By;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/** Marks in clips, where they were found, and what goes with them. Frames are the shot's, points its pixels, unless said. */
public final class TrackEdits {
    private TrackEdits() {}

    static Content.Footage demandClip(Shot shot, String layer) {
        Layer found = LayerEdits.demand(shot, layer);
        if (found.content() instanceof Content.Footage clip) {
            return clip;
        }
        throw new IllegalArgumentException("'" + found.name() + "' is not a clip; marks are set in clips.");
    }

    static Track demand(Shot shot, String layer, String track) {
        return demandClip(shot, layer)
                .track(track)
                .orElseThrow(() -> new IllegalArgumentException(
                        "'" + LayerEdits.demand(shot, layer).name() + "' has no track '" + track + "'."));
    }

    private static Shot changing(Shot shot, String layer, String track, UnaryOperator<Track> change) {
        demand(shot, layer, track);
        return shot.changing(layer, l -> {
            Content.Footage clip = (Content.Footage) l.content();
            return l.withContent(clip.withTracks(clip.tracks().stream()
                    .map(t -> t.id().equals(track) ? change.apply(t) : t)
                    .toList()));
        });
    }

    /** From pixels of the shot to those of a clip. */
    static Affine toClip(Moment moment, String layer, Track.Clip clip) {
        return PlaceEdits.toOwn(moment, layer).then(Affine.translation(clip.width() / 2.0, clip.height() / 2.0));
    }

    static long clipFrame(Moment moment, String layer, Track.Clip clip) {
        return (long) Math.floor(moment.clipFrame(layer, clip) + 1e-9);
    }

    /** Marks a clip on a frame. */
    public record Add(String layer, String newId, Track.Kind what, List<Point> marks, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Content.Footage footage = demandClip(shot, layer);
            Track.Clip clip = extents.clip(footage);
            Moment moment = new Moment(shot, frame);
            Affine map = toClip(moment, layer, clip);
            List<Point> at = marks.stream().map(map::apply).toList();
            long on = clipFrame(moment, layer, clip);
            Track track = new Track(
                    newId,
                    name(footage),
                    what,
                    clip,
                    on,
                    at,
                    Track.USUAL_PATCH,
                    Track.USUAL_REACH,
                    Track.Lost.GO_ON,
                    0,
                    TrackPath.of(on, at));
            List<Track> next = new ArrayList<>(footage.tracks());
            next.add(track);
            return shot.changing(layer, l -> l.withContent(((Content.Footage) l.content()).withTracks(next)));
        }

        private static String name(Content.Footage footage) {
            for (int i = 1; ; i++) {
                String name = "Mark " + i;
                if (footage.tracks().stream().noneMatch(t -> t.name().equals(name))) {
                    return name;
                }
            }
        }
    }

    /**
     * Moves one mark on a frame. Where nothing was followed yet, the mark is set anew; otherwise it is a correction, and the
     * frame is fixed.
     */
    public record MoveMark(String layer, String track, int mark, Point to, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Track now = demand(shot, layer, track);
            Moment moment = new Moment(shot, frame);
            long on = clipFrame(moment, layer, now.clip());
            Point at = toClip(moment, layer, now.clip()).apply(to);
            if (mark < 0 || mark >= now.marks().size()) {
                throw new IllegalArgumentException("'" + now.name() + "' has no mark " + (mark + 1) + ".");
            }
            List<Point> next =
                    new ArrayList<>(now.path().step(on).map(TrackPath.Step::at).orElse(now.places(on)));
            next.set(mark, at);
            boolean fresh = now.path().steps().size() == 1;
            return changing(shot, layer, track, t -> fresh ? t.withMarks(on, next) : corrected(t, on, next));
        }

        private static Track corrected(Track t, long on, List<Point> at) {
            Track next = t.withPath(fixed(t.path(), on, at));
            return on == t.at() ? next.remarked(at) : next;
        }

        /** Up to a frame beyond its end the path goes straight on. */
        private static TrackPath fixed(TrackPath path, long frame, List<Point> at) {
            TrackPath next = path;
            TrackPath.Step step = new TrackPath.Step(at, 1, By.HAND);
            long last = path.last();
            long first = path.first();
            for (long f = last + 1; f < frame; f++) {
                next = next.with(f, between(path.step(last).orElseThrow(), at, (double) (f - last) / (frame - last)));
            }
            for (long f = first - 1; f > frame; f--) {
                next = next.with(
                        f, between(path.step(first).orElseThrow(), at, (double) (first - f) / (first - frame)));
            }
            return next.with(frame, step);
        }

        private static TrackPath.Step between(TrackPath.Step from, List<Point> to, double share) {
            List<Point> at = new ArrayList<>();
            for (int i = 0; i < to.size(); i++) {
                at.add(from.at().get(i).mix(to.get(i), share));
            }
            return new TrackPath.Step(at, 0, By.GUESSED);
        }
    }

    /** What is to become of the step of a frame. */
    public enum StepIs {
        /** Stays where it is, whatever is followed. */
        FIXED,
        /** Is followed anew with the stretch that it lies in. */
        FREE,
        /** What lies between its neighbours counts. */
        LEFT_OUT
    }

    /** Fixes, frees or leaves out the step of a frame. */
    public record SetStep(String layer, String track, StepIs is, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Track now = demand(shot, layer, track);
            long on = clipFrame(new Moment(shot, frame), layer, now.clip());
            TrackPath.Step step = now.path()
                    .step(on)
                    .orElseThrow(() -> new IllegalArgumentException("'" + now.name() + "' has no step on this frame."));
            if (on == now.at() && is != StepIs.FIXED) {
                throw new IllegalArgumentException(
                        "The marks of '" + now.name() + "' were set on this frame; it stays fixed.");
            }
            By by = switch (is) {
                case FIXED -> By.HAND;
                case FREE -> step.sure() > 0 ? By.FOUND : By.GUESSED;
                case LEFT_OUT -> By.LEFT_OUT;
            };
            return changing(shot, layer, track, t -> t.withPath(t.path().with(on, step.withBy(by))));
        }
    }

    /** Where marks were found, by following; frames are the clip's. */
    public record SetPath(String layer, String track, TrackPath path) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            return changing(shot, layer, track, t -> t.withPath(path));
        }
    }

    /** Takes a track away; what goes with it stays where it is on the frame. */
    public record Remove(String layer, String track, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            demand(shot, layer, track);
            Shot next = shot;
            for (Layer l : shot.everyLayer()) {
                if (l.parent().filter(layer::equals).isPresent()
                        && l.pinned().filter(track::equals).isPresent()) {
                    next = new SetPin(l.id(), Optional.empty(), Optional.empty(), frame).apply(next, extents);
                }
                for (Mask m : l.masks()) {
                    if (m.pin().filter(new Pin(layer, track)::equals).isPresent()) {
                        next = new PinMask(l.id(), m.id(), Optional.empty(), Optional.empty(), frame)
                                .apply(next, extents);
                    }
                }
            }
            return everywhere(next, l -> without(l, layer, track));
        }

        private static Shot everywhere(Shot shot, UnaryOperator<Layer> change) {
            Shot next = shot;
            for (Layer l : shot.everyLayer()) {
                next = next.changing(l.id(), change);
            }
            return next;
        }

        private static Layer without(Layer l, String clip, String track) {
            Layer next = l.withWindows(l.windows().stream()
                    .filter(w -> !(w.kind().equals(Windows.BEHIND_MARK)
                            && w.rest().text("layer").equals(clip)
                            && w.rest().text("track").equals(track)))
                    .toList());
            Pin gone = new Pin(clip, track);
            next = References.withoutSignals(
                    next, s -> Pin.followed(s).filter(gone::equals).isPresent());
            if (!l.id().equals(clip)) {
                return next;
            }
            Content.Footage f = (Content.Footage) next.content();
            return next.withContent(f.withTracks(f.tracks().stream()
                            .filter(t -> !t.id().equals(track))
                            .toList())
                    .withSteady(f.steady().filter(s -> !s.equals(track))));
        }
    }

    /** Has a layer go with the marks of a clip, or frees it; on the frame it stays where it is. */
    public record SetPin(String layer, Optional<String> clip, Optional<String> track, long frame) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            if (clip.isPresent() != track.isPresent()) {
                throw new IllegalArgumentException("A layer goes with a track of a clip; both are to be named.");
            }
            clip.ifPresent(c -> demand(shot, c, track.orElseThrow()));
            return GroupEdits.tied(shot, layer, clip, track, frame);
        }
    }

    /** Has a mask go with the marks of a clip, or with its layer again; on the frame it stays where it is. */
    public record PinMask(String layer, String mask, Optional<String> clip, Optional<String> track, long frame)
            implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            Mask now = MaskEdits.demand(LayerEdits.demand(shot, layer), mask);
            Moment moment = new Moment(shot, frame);
            Affine toShot = moment.maskToShot(layer, now);
            Optional<Pin> pin = clip.map(c -> new Pin(c, track.orElse("")));
            pin.ifPresent(p -> demand(shot, p.layer(), p.track()));
            Mask.Lock lock = pin.isPresent() ? Mask.Lock.FRAME : Mask.Lock.LAYER;
            Mask next = now.withPin(pin).withLock(lock);
            Affine back = moment.maskToShot(layer, next)
                    .inverse()
                    .orElseThrow(() -> new IllegalArgumentException(
                            "What the mask is to go with has a scale of 0 on this frame; go to another."));
            Mask moved = next.transformed(toShot.then(back));
            return shot.changing(
                    layer,
                    l -> l.withMasks(l.masks().stream()
                            .map(m -> m.id().equals(mask) ? moved : m)
                            .toList()));
        }
    }

    /** Holds the marks of a clip still, so that the clip moves against them; or lets it be as it is. */
    public record HoldStill(String layer, Optional<String> track) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            track.ifPresent(t -> demand(shot, layer, t));
            demandClip(shot, layer);
            return shot.changing(layer, l -> l.withContent(((Content.Footage) l.content()).withSteady(track)));
        }
    }

    /**
     * Lets a layer be uncovered by a mark that passes it, or covered: a window whose edge goes the way that the mark goes on
     * the whole.
     */
    public record Reveal(String layer, String clip, String track, boolean hides) implements Edit {
        @Override
        public Shot apply(Shot shot, Extents extents) {
            LayerEdits.demand(shot, layer);
            Track t = demand(shot, clip, track);
            Affine map = new Moment(shot, 0).restToShot(LayerEdits.demand(shot, clip));
            Point way = map.applyVector(
                    t.place(t.path().last()).minus(t.place(t.path().first())));
            double angle = Math.abs(way.x()) >= Math.abs(way.y()) ? (way.x() < 0 ? 180 : 0) : (way.y() < 0 ? -90 : 90);
            Descriptor window = Windows.of(Windows.BEHIND_MARK).descriptor();
            List<String> shows = window.parameter("shows").orElseThrow().choices();
            Recipe recipe = Recipe.of(
                    window, Map.of("layer", clip, "track", track, "shows", shows.get(hides ? 1 : 0), "angle", angle));
            return shot.changing(layer, l -> {
                List<AnimatedRecipe> windows = new ArrayList<>(l.windows());
                windows.removeIf(w -> w.kind().equals(Windows.BEHIND_MARK));
                windows.add(AnimatedRecipe.of(recipe));
                return l.withWindows(windows);
            });
        }
    }
}

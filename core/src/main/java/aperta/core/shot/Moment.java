package aperta.core.shot;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.recipe.Recipe;
import aperta.core.time.Mix;
import aperta.core.time.Rate;
import aperta.core.time.Signal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * A sound shot at one frame: which layers are there, where, how opaque, and every value of theirs as a number. Not safe
 * for use by several threads at once.
 */
public final class Moment {
    private final Shot shot;
    private final double frame;
    private final Opener opener;
    private final Map<String, Times> times = new HashMap<>();
    private final Map<String, Layer> layers = new HashMap<>();
    private final Map<String, Layer> atRest = new HashMap<>();
    private final Map<String, Seen> seen = new HashMap<>();
    /** Layers that cut others, or run at the ends of their strokes: they don't show by themselves. */
    private final Set<String> elsewhere = new HashSet<>();

    private final boolean soloed;

    /**
     * A layer at this moment.
     *
     * @param layer as it is in the shot
     * @param still the same with every value fixed, in the pose that it has by its arrival or departure
     * @param windows what its arrival and departure let be seen, in its own space: each is some masks, of which at least
     *     one must hold what is shown
     * @param own the same of its own windows
     * @param frame of the layer's own time
     * @param content the frame of its content: footage, or what lies inside a group
     * @param speed frames of its content in each frame of the shot
     * @param format of the shot in whose frames its own time is counted
     * @param toShot from its own space to the pixels of the shot
     * @param frameToShot from the frame that it lies in to the pixels of the shot: another one inside a shot that is shown
     * @param exists whether its span, and those of the groups that hold it, contain the moment
     * @param pieces the poses of its letters
     * @param passing what gives way to it
     * @param front the edge of its opening
     * @param opening what its openings do to its picture
     * @param writings how far it has been written, by its openings and its own windows; all of them count
     */
    public record Seen(
            Layer layer,
            Layer still,
            List<List<Mask>> windows,
            List<List<Mask>> own,
            double frame,
            double content,
            double speed,
            Format format,
            Affine toShot,
            Affine frameToShot,
            double opacity,
            boolean exists,
            Optional<Opened.Pieces> pieces,
            Optional<Passing> passing,
            Optional<Front> front,
            List<LayerEffect> opening,
            List<Writing> writings) {}

    /**
     * A layer that another one gives way to, by windows or by its opacity alone.
     *
     * @param from the id of the one that goes
     * @param share how much of the one that comes is there, where no window says it
     */
    public record Passing(String from, double share) {}

    /** @param format in whose frames they are counted */
    private record Times(double own, double content, double speed, Format format) {}

    /** Every layer at rest, whatever it comes from or goes to. */
    public Moment(Shot shot, double frame) {
        this(shot, frame, Opener.AT_REST);
    }

    /** @param frame need not be whole: motion blur looks between frames */
    public Moment(Shot whole, double frame, Opener opener) {
        this.shot = Expansion.of(whole);
        this.frame = frame;
        this.opener = opener;
        List<Layer> every = shot.everyLayer();
        every.forEach(l -> layers.put(l.id(), l));
        for (Layer layer : every) {
            layer.cut().ifPresent(c -> elsewhere.add(c.by()));
            if (layer.content() instanceof Content.Coated coated) {
                elsewhere.addAll(coated.riders());
            }
        }
        soloed = every.stream().anyMatch(Layer::solo);
        time(shot.layers(), frame, 1, shot.format());
        resolve(shot.layers(), frame, Affine.IDENTITY, Affine.IDENTITY, true, Optional.empty());
    }

    private void time(List<Layer> together, double frame, double speed, Format format) {
        for (Layer layer : together) {
            double own = layer.span().inside(frame);
            double content = layer.pace().at(own, layer.span());
            Optional<Format> inner = layer.content() instanceof Content.Group group ? group.format() : Optional.empty();
            // As footage of another rate: whole frames, unless they are to be mixed.
            boolean steps = inner.isPresent()
                    && layer.pace().speed() != 1
                    && !layer.pace().mixed();
            Times t = new Times(
                    own,
                    steps ? Math.floor(content + 1e-9) : content,
                    speed * layer.pace().speed(),
                    format);
            times.put(layer.id(), t);
            if (layer.content() instanceof Content.Group group) {
                // On a whole frame of its own it is as by itself.
                time(group.layers(), t.content, steps ? 1 : t.speed, inner.orElse(format));
            }
        }
    }

    /** The frame of the shot that this is. */
    public double frame() {
        return frame;
    }

    public Shot shot() {
        return shot;
    }

    public Seen of(String id) {
        Seen found = seen.get(id);
        if (found == null) {
            throw new IllegalArgumentException("There is no layer '" + id + "'.");
        }
        return found;
    }

    /** A layer with its values at this moment, signals too, but in no pose of an arrival or departure. */
    public Layer rest(String id) {
        return atRest(of(id).layer());
    }

    /** Whether the layer shows by itself: there, not hidden, not merely a cutter or a head, not silenced by another's solo. */
    public boolean shows(Layer layer) {
        return of(layer.id()).exists()
                && layer.content().isSeen()
                && !layer.hidden()
                && (layer.alsoShown() || !elsewhere.contains(layer.id()))
                && (!soloed || soloed(layer));
    }

    /** Whether a layer, or a group that holds it, arrives or leaves. */
    public boolean isOnItsWay(String id) {
        return shot.lineTo(id).stream().anyMatch(l -> {
            double own = times.get(l.id()).own;
            return Passage.arriving(l, own).isPresent()
                    || Passage.leaving(l, own).isPresent();
        });
    }

    /** Whether a sound is heard as far as solo goes. */
    public boolean isHeard(Layer layer) {
        return !soloed || soloed(layer);
    }

    private boolean soloed(Layer layer) {
        if (layer.solo()) {
            return true;
        }
        return layer.content() instanceof Content.Group group
                        && group.layers().stream().anyMatch(this::soloed)
                || inSoloedGroup(shot.layers(), layer.id(), false);
    }

    private static boolean inSoloedGroup(List<Layer> layers, String id, boolean inside) {
        for (Layer layer : layers) {
            if (layer.id().equals(id)) {
                return inside;
            }
            if (layer.content() instanceof Content.Group group
                    && inSoloedGroup(group.layers(), id, inside || layer.solo())) {
                return true;
            }
        }
        return false;
    }

    private void resolve(
            List<Layer> together,
            double frame,
            Affine groupToShot,
            Affine frameToShot,
            boolean groupExists,
            Optional<Opened.Pieces> pieces) {
        Map<String, Posed> posed = new HashMap<>();
        for (int i = 0; i < together.size(); i++) {
            pose(together.get(i), groupToShot, posed, pieces, together);
        }
        for (Layer layer : together) {
            Posed p = posed.get(layer.id());
            Times t = times.get(layer.id());
            boolean exists = groupExists && layer.span().contains(frame);
            double opacity = Math.min(1, Math.max(0, p.still.place().opacity().at(0, Mix.NUMBER)));
            boolean group = layer.content() instanceof Content.Group;
            seen.put(
                    layer.id(),
                    new Seen(
                            layer,
                            p.still,
                            p.windows,
                            p.own,
                            t.own,
                            t.content,
                            t.speed,
                            t.format,
                            p.toShot,
                            frameToShot,
                            opacity,
                            exists,
                            group ? Optional.empty() : p.pieces,
                            p.passing,
                            p.front,
                            p.effects,
                            p.writings));
            if (layer.content() instanceof Content.Group inner) {
                Affine frameOf = inner.format().isPresent() ? p.toShot : frameToShot;
                resolve(inner.layers(), t.content, p.toShot, frameOf, exists, p.pieces);
            }
        }
    }

    /** A layer in its pose. */
    private record Posed(
            Layer still,
            List<List<Mask>> windows,
            List<List<Mask>> own,
            Affine toShot,
            Optional<Opened.Pieces> pieces,
            Optional<Passing> passing,
            Optional<Front> front,
            List<LayerEffect> effects,
            List<Writing> writings) {}

    /** Poses a layer, its parent first. */
    private Posed pose(
            Layer layer,
            Affine groupToShot,
            Map<String, Posed> posed,
            Optional<Opened.Pieces> pieces,
            List<Layer> together) {
        Posed known = posed.get(layer.id());
        if (known != null) {
            return known;
        }
        Affine parentToShot = groupToShot;
        if (layer.parent().isPresent()) {
            Layer parent = layers.get(layer.parent().get());
            parentToShot = withMarks(layer).then(pose(parent, groupToShot, posed, pieces, together).toShot);
        }
        Pose extra =
                pieces.map(p -> p.of(together.indexOf(layer), together.size())).orElse(Pose.REST);
        Posed done = pose(layer, extra, parentToShot);
        posed.put(layer.id(), done);
        return done;
    }

    private Posed pose(Layer layer, Pose extra, Affine parentToShot) {
        Layer rest = atRest(layer);
        Times t = times.get(layer.id());
        Pose pose = extra;
        List<List<Mask>> windows = new ArrayList<>();
        List<List<Mask>> standing = new ArrayList<>();
        Optional<Opened.Pieces> pieces = Optional.empty();
        Optional<Passing> passing = Optional.empty();
        Optional<Front> front = Optional.empty();
        List<LayerEffect> effects = new ArrayList<>();
        List<Writing> writings = new ArrayList<>();
        List<Passage.Way> ways = new ArrayList<>();
        Passage.arriving(rest, t.own).ifPresent(ways::add);
        Passage.leaving(rest, t.own).ifPresent(ways::add);
        for (Passage.Way way : ways) {
            Opened opened = opened(rest, way, parentToShot);
            pose = pose.and(way.passage().pose().towardsRest(way.share())).and(opened.pose());
            windows.add(opened.moving());
            standing.add(opened.standing());
            pieces = opened.pieces().isPresent() ? opened.pieces() : pieces;
            front = opened.front().isPresent() ? opened.front() : front;
            effects.addAll(opened.effects());
            opened.writing().ifPresent(writings::add);
            passing = way.passage().pass().isPresent()
                    ? passing(way.passage().pass().get(), way, opened)
                    : passing;
        }
        if (pieces.isPresent()
                && !(rest.content() instanceof Content.Text)
                && !(rest.content() instanceof Content.Group)) {
            pose = pose.and(pieces.get().of(0, 1));
            pieces = Optional.empty();
        }
        Layer still = pose.of(rest);
        Affine steady = againstMarks(rest);
        Affine toParent = steady.then(still.place().toParent(0));
        Affine restToParent = steady.then(rest.place().toParent(0));
        toParent.inverse().ifPresent(back -> {
            Affine map = restToParent.then(back);
            standing.forEach(
                    w -> windows.add(w.stream().map(m -> m.transformed(map)).toList()));
        });
        windows.removeIf(List::isEmpty);
        List<Opener.Window> own = own(rest, parentToShot);
        own.forEach(w -> w.writing().ifPresent(writings::add));
        Affine toShot = toParent.then(parentToShot);
        return new Posed(
                still.withMasks(
                        still.masks().stream().map(m -> atMarks(m, toShot)).toList()),
                windows,
                own.stream().map(Opener.Window::masks).filter(w -> !w.isEmpty()).toList(),
                toShot,
                pieces,
                passing,
                front,
                List.copyOf(effects),
                List.copyOf(writings));
    }

    /** Nothing where what comes moves while it comes: then it lies over the one that goes. */
    private static Optional<Passing> passing(Passage.Pass pass, Passage.Way way, Opened opened) {
        Pose pose = way.passage().pose().towardsRest(way.share()).and(opened.pose());
        return opened.pieces().isEmpty() && pose.equals(Pose.REST.withOpacity(pose.opacity()))
                ? Optional.of(new Passing(pass.from(), Math.min(1, Math.max(0, pose.opacity()))))
                : Optional.empty();
    }

    private List<Opener.Window> own(Layer rest, Affine parentToShot) {
        if (rest.windows().isEmpty()) {
            return List.of();
        }
        Opener.Subject subject = subject(rest, parentToShot);
        return rest.windows().stream()
                .map(w -> opener.window(w.rest(), subject))
                .toList();
    }

    private Opener.Subject subject(Layer rest, Affine parentToShot) {
        return new Opener.Subject(
                rest,
                restBox(rest),
                againstMarks(rest).then(rest.place().toParent(0)),
                parentToShot,
                times.get(rest.id()).format,
                this::edge);
    }

    /** The frame of its clip that a layer shows at this moment. */
    public double clipFrame(String id, Track.Clip clip) {
        Times t = times.get(id);
        return clip.frame(t.content, t.format.rate(), layers.get(id).pace());
    }

    private double clipFrame(Layer clip, Track track) {
        return clipFrame(clip.id(), track.clip());
    }

    /** From the own space of a layer at this moment to the space that its position counts in. */
    public Affine toParent(String id) {
        Layer still = of(id).still();
        return againstMarks(still).then(still.place().toParent(0));
    }

    /** The same at rest, whatever it comes from or goes to. */
    public Affine restToParent(String id) {
        Layer rest = rest(id);
        return againstMarks(rest).then(rest.place().toParent(0));
    }

    /** From the space that the position of a layer counts in, whose parent is this one, to pixels of the shot. */
    public Affine asParentToShot(String parent, Optional<String> pinned) {
        Layer clip = layers.get(parent);
        return track(clip, pinned)
                .map(t -> t.motion(clipFrame(clip, t)))
                .orElse(Affine.IDENTITY)
                .then(of(parent).toShot());
    }

    /** From the space of a mask of a layer to pixels of the shot; what goes with marks in perspective as nearly as can be. */
    public Affine maskToShot(String id, Mask mask) {
        if (mask.pin().isPresent()) {
            Layer clip = layers.get(mask.pin().get().layer());
            return track(clip, Optional.of(mask.pin().get().track()))
                    .map(t -> t.motion(clipFrame(clip, t)).then(restToShot(clip)))
                    .orElse(Affine.IDENTITY);
        }
        return mask.lock() == Mask.Lock.FRAME ? of(id).frameToShot() : of(id).toShot();
    }

    private static Optional<Track> track(Layer clip, Optional<String> id) {
        return clip.content() instanceof Content.Footage f ? id.flatMap(f::track) : Optional.empty();
    }

    /** How a layer goes with marks of its parent, in the parent's own space. */
    private Affine withMarks(Layer layer) {
        Layer parent = layer.parent().map(layers::get).orElseThrow();
        return track(parent, layer.pinned())
                .map(t -> t.motion(clipFrame(parent, t)))
                .orElse(Affine.IDENTITY);
    }

    /** How a clip goes against marks of its own that are held still. */
    private Affine againstMarks(Layer clip) {
        return clip.content() instanceof Content.Footage f
                ? track(clip, f.steady())
                        .flatMap(t -> t.motion(clipFrame(clip, t)).inverse())
                        .orElse(Affine.IDENTITY)
                : Affine.IDENTITY;
    }

    /** A mask in its layer's own space where it goes with marks. */
    private Mask atMarks(Mask mask, Affine layerToShot) {
        Optional<Affine> back = layerToShot.inverse();
        if (mask.pin().isEmpty() || back.isEmpty()) {
            return mask;
        }
        Layer clip = layers.get(mask.pin().get().layer());
        return track(clip, Optional.of(mask.pin().get().track()))
                .map(t -> mask.inPerspective(t.perspective(clipFrame(clip, t)))
                        .transformed(restToShot(clip).then(back.get()))
                        .withLock(Mask.Lock.LAYER))
                .orElse(mask);
    }

    /** From the own space of a layer to pixels of the shot, whatever it comes from or goes to. */
    public Affine restToShot(Layer layer) {
        Affine map = Affine.IDENTITY;
        List<Layer> line = shot.lineTo(layer.id());
        for (int i = line.size() - 1; i >= 0; i--) {
            map = map.then(restToHolder(line.get(i)));
        }
        return map;
    }

    /** From the own space of a layer to that of its group, by way of its parents. */
    private Affine restToHolder(Layer layer) {
        Affine map = Affine.IDENTITY;
        for (Layer l = layer; l != null; l = l.parent().map(layers::get).orElse(null)) {
            map = map.then(againstMarks(l)).then(atRest(l).place().toParent(0));
            map = l.parent().isPresent() ? map.then(withMarks(l)) : map;
        }
        return map;
    }

    /** Where the middle of the marks of a clip lies now, in pixels of the shot; nothing where there is no such track. */
    public Optional<Point> mark(String id, String trackId) {
        Layer clip = layers.get(id);
        return clip == null
                ? Optional.empty()
                : track(clip, Optional.of(trackId)).map(t -> restToShot(clip).apply(t.place(clipFrame(clip, t))));
    }

    /** Whether a clip is there and its marks are known on the frame that it shows. */
    public boolean isFollowed(String id, String trackId) {
        Layer clip = layers.get(id);
        return clip != null
                && of(id).exists()
                && track(clip, Optional.of(trackId))
                        .filter(t -> clipFrame(clip, t) >= t.path().first()
                                && clipFrame(clip, t) <= t.path().last())
                        .isPresent();
    }

    /** What a signal of a layer adds now to a number of a value. */
    public double signal(String id, Recipe signal, int channel) {
        Times t = times.get(id);
        return Signal.sum(List.of(signal), new Signal.Now(t.own, t.format.rate(), channel, this::value));
    }

    /** As {@link Opener.Marks} says. */
    public OptionalDouble edge(String id, String trackId, Point towards) {
        Layer clip = layers.get(id);
        Optional<Track> found = clip == null ? Optional.empty() : track(clip, Optional.of(trackId));
        if (found.isEmpty()) {
            return OptionalDouble.empty();
        }
        Track track = found.get();
        Affine map = restToShot(clip);
        return track.edge(clipFrame(clip, track), p -> {
            Point at = map.apply(p);
            return at.x() * towards.x() + at.y() * towards.y();
        });
    }

    private Opened opened(Layer rest, Passage.Way way, Affine parentToShot) {
        return way.passage()
                .opening()
                .map(recipe -> opener.opened(recipe.rest(), way, subject(rest, parentToShot)))
                .orElse(Opened.REST);
    }

    /** The box around all that a layer shows at rest, in its own space. */
    private Box restBox(Layer rest) {
        if (rest.content() instanceof Content.Trace trace) {
            return restBox(atRest(layers.get(trace.of())));
        }
        if (!(rest.content() instanceof Content.Group group)) {
            return opener.box(rest, times.get(rest.id()).format);
        }
        if (group.format().isPresent()) {
            Format f = group.format().get();
            return new Box(0, 0, f.width(), f.height());
        }
        Box box = Box.EMPTY;
        for (Layer inside : group.layers()) {
            box = box.union(restToHolder(inside).apply(restBox(atRest(inside))));
        }
        return box;
    }

    /** The layer with its values at this moment, signals too, at rest. */
    private Layer atRest(Layer layer) {
        Layer known = atRest.get(layer.id());
        if (known == null) {
            double own = times.get(layer.id()).own;
            Layer fixed = layer;
            for (Property<?> property : Property.of(layer)) {
                fixed = property.fixed(fixed, own, signals(layer));
            }
            atRest.put(layer.id(), fixed);
            known = fixed;
        }
        return known;
    }

    /** The signals of a layer, in the time that it lies in. */
    private Property.Signals signals(Layer layer) {
        Rate rate = times.get(layer.id()).format.rate();
        return (value, frame, channel) ->
                Signal.sum(value.signals(), new Signal.Now(frame, rate, channel, this::value));
    }

    /** What a property of numbers is, with its signals, {@code delay} frames before this moment. */
    public double value(String id, String name, int channel, double delay) {
        Layer layer = layers.get(id);
        double own = times.get(id).own - delay;
        return name.startsWith(Track.FOLLOWED)
                ? followed(layer, name, own, channel)
                : number(layer, Property.named(layer, name), own, channel);
    }

    private double followed(Layer clip, String name, double own, int channel) {
        int dot = name.lastIndexOf('.');
        Track track = track(clip, Optional.of(name.substring(Track.FOLLOWED.length(), dot)))
                .orElseThrow(() -> new IllegalArgumentException("'" + clip.name() + "' has no track '" + name + "'."));
        Layer fixed = clip;
        for (Property<?> property : Property.of(clip)) {
            fixed = property.section() == Property.Section.PLACE ? property.fixed(fixed, own, signals(clip)) : fixed;
        }
        double content = clip.pace().at(own, clip.span());
        double frame = track.clip().frame(content, times.get(clip.id()).format.rate(), clip.pace());
        return track.followed(name.substring(dot + 1), frame, fixed.place().toParent(0), channel);
    }

    private <T> double number(Layer layer, Property<T> property, double frame, int channel) {
        return Property.part(property.now(property.get().apply(layer), frame, signals(layer)), channel);
    }
}

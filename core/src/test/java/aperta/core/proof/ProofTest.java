package aperta.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.opening.Windows;
import aperta.core.outline.Outline;
import aperta.core.picture.Bands;
import aperta.core.recipe.Recipe;
import aperta.core.render.Studio;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.CutOut;
import aperta.core.shot.Format;
import aperta.core.shot.Ink;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.LetterLook;
import aperta.core.shot.Mask;
import aperta.core.shot.Pace;
import aperta.core.shot.Paint;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.shot.Stroke;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import aperta.core.texture.Textures;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import aperta.core.time.Signal;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Each check finds its fault, and no other check finds any but those that are named, in a shot that has it, and nothing in the same shot without it. */
class ProofTest {
    private static final Format FORMAT = new Format(640, 360, Rate.parse("24"));
    private static final long LENGTH = 60;
    private static final Colour GREY = grey(0.5);

    private final Studio studio = new Studio();

    /** @param also the checks that find the same fault, too */
    private record Pair(String check, String fault, Shot faulty, Shot clean, Set<String> also) {
        Pair(String check, String fault, Shot faulty, Shot clean) {
            this(check, fault, faulty, clean, Set.of());
        }

        Set<String> all() {
            return Stream.concat(Stream.of(check), also.stream()).collect(Collectors.toSet());
        }

        @Override
        public String toString() {
            return check + ": " + fault;
        }
    }

    private static Colour grey(double v) {
        return new Colour(v, v, v, 1);
    }

    private static Shot shot(Layer... layers) {
        return new Shot("t", FORMAT, LENGTH, List.of(layers));
    }

    private static Layer plate(Colour colour) {
        return box("plate", 320, 180, 640, 360, colour);
    }

    private static Layer box(String id, double x, double y, double w, double h, Colour colour) {
        Content fill = new Content.Fill(Animated.of(new Point(w, h)), new Paint.Solid(Animated.of(colour)));
        return Layer.of(id, id, fill, Span.of(0, LENGTH), Place.at(new Point(x, y)));
    }

    private static Layer word(String words, double size, double x, double y) {
        return Layer.of("w", "w", Content.Text.of(words, "anton", size), Span.of(0, LENGTH), Place.at(new Point(x, y)));
    }

    private static Layer word() {
        return word("TRAM", 90, 320, 180);
    }

    /** Letters of one colour. */
    private static Layer painted(Layer word, double v) {
        Content.Text text = (Content.Text) word.content();
        return word.withContent(text.withFill(Paint.solid(grey(v))));
    }

    private static Passage arrival(Pose pose) {
        return new Passage(12, 0, Ease.LINEAR, pose, Optional.empty());
    }

    private static Passage arrival(String opening, Map<String, ?> values) {
        Recipe recipe = Recipe.of(Openings.of(opening).descriptor(), values);
        return new Passage(12, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(recipe)));
    }

    private static Pose pose(Point shift, double scale, double opacity) {
        return new Pose(shift, new Point(scale, scale), 0, opacity, 0, 0);
    }

    private static Layer arriving(Layer layer, Passage passage) {
        return layer.withArrive(Optional.of(passage));
    }

    /** A mask, in the layer's own pixels, that changes from one box to another in the first half second. */
    private static Layer opened(Layer layer, Box from, Box to) {
        Animated<BezierPath> path = new Animated<>(
                BezierPath.rectangle(to),
                List.of(
                        new Key<>(0, BezierPath.rectangle(from), Ease.LINEAR),
                        new Key<>(12, BezierPath.rectangle(to), Ease.LINEAR)));
        return masked(layer, Mask.of("m", "m", BezierPath.rectangle(to)).withPath(path));
    }

    private static Layer masked(Layer layer, Mask... masks) {
        return layer.withMasks(List.of(masks));
    }

    private static Layer cut(Layer layer, Cut.Keep keep) {
        return layer.withCut(Optional.of(new Cut("w", Cut.With.SHAPE, keep)));
    }

    private static Layer visible(Layer layer, Key<?>... opacity) {
        List<Key<Double>> keys = new ArrayList<>();
        for (Key<?> k : opacity) {
            keys.add(new Key<>(k.at(), (Double) k.value(), k.ease()));
        }
        return layer.withPlace(layer.place().withOpacity(new Animated<>(1.0, keys)));
    }

    private static Key<Double> at(long frame, double value) {
        return new Key<>(frame, value, Ease.HOLD);
    }

    private static Layer from(Layer layer, long in, long length) {
        return layer.withSpan(new Span(in, length, 0));
    }

    /** A white picture that is there on every {@code each}-th frame, {@code times} times. */
    private static Layer flashing(Layer layer, int each, int times) {
        Key<?>[] keys = new Key<?>[2 * times + 1];
        keys[0] = at(0, 0);
        for (int i = 0; i < times; i++) {
            keys[2 * i + 1] = at(4 + (long) each * i, 1);
            keys[2 * i + 2] = at(4 + (long) each * i + each / 2, 0);
        }
        return visible(layer, keys);
    }

    static Stream<Pair> faults() {
        Layer black = plate(Colour.BLACK);
        Box all = new Box(-200, -100, 200, 100);
        return Stream.of(
                new Pair(
                        "hidden-before",
                        "a slide that begins in sight",
                        shot(arriving(word(), arrival(pose(new Point(-60, 0), 1, 1)))),
                        shot(arriving(word(), arrival(pose(new Point(-600, 0), 1, 1))))),
                new Pair(
                        "hidden-before",
                        "a fade that doesn't begin with nothing",
                        shot(arriving(word(), arrival(pose(Point.ORIGIN, 1, 0.1)))),
                        shot(arriving(word(), arrival("fade", Map.of())))),
                new Pair(
                        "hidden-before",
                        "a mask that leaves a sliver",
                        shot(opened(word(), new Box(-100, -100, -82, 100), all)),
                        shot(opened(word(), new Box(-200, -100, -150, 100), all))),
                new Pair(
                        "hidden-before",
                        "a word that fades while it grows, but not from nothing",
                        shot(arriving(word(), arrival(pose(Point.ORIGIN, 0.5, 0.4)))),
                        shot(arriving(word(), arrival(pose(Point.ORIGIN, 0.5, 1))))),
                new Pair(
                        "hidden-before",
                        "a word that waits for its arrival in sight",
                        shot(arriving(
                                word(), new Passage(12, 8, Ease.LINEAR, pose(Point.ORIGIN, 0.5, 1), Optional.empty()))),
                        shot(arriving(
                                word(), new Passage(12, 8, Ease.LINEAR, pose(Point.ORIGIN, 0, 1), Optional.empty())))),
                new Pair(
                        "complete-at-rest",
                        "a mask that stops short",
                        shot(opened(word(), new Box(-200, -100, -190, 100), new Box(-200, -100, 75, 100))),
                        shot(opened(word(), new Box(-200, -100, -190, 100), all))),
                new Pair(
                        "complete-at-rest",
                        "a mask that stops short of a word that is soon gone",
                        shot(from(opened(word(), new Box(-200, -100, -190, 100), new Box(-200, -100, 80, 100)), 0, 30)),
                        shot(opened(word(), new Box(-200, -100, -190, 100), all)),
                        Set.of("reading-time")),
                new Pair(
                        "complete-at-rest",
                        "a window that is too low",
                        shot(inside(word(), "c"), box("c", 320, 195, 400, 60, Colour.WHITE)),
                        shot(inside(word(), "c"), box("c", 320, 180, 400, 120, Colour.WHITE))),
                new Pair(
                        "complete-at-rest",
                        "a card that lies over its word",
                        shot(box("card", 400, 180, 60, 200, GREY), word()),
                        shot(word(), box("card", 320, 180, 400, 200, grey(0.1)))),
                new Pair(
                        "frame-edge",
                        "a word that runs out of the frame",
                        shot(word("ORRIN HILL", 90, 560, 180)),
                        shot(word("ORRIN HILL", 90, 320, 180))),
                new Pair(
                        "frame-edge",
                        "a glow that is cut by the frame",
                        shot(soft(word("TRAM", 90, 320, 44), 14)),
                        shot(soft(word("TRAM", 90, 320, 180), 14))),
                new Pair(
                        "frame-edge",
                        "letters on the frame's bottom",
                        shot(word("TRAM", 90, 320, 330)),
                        shot(word("TRAM", 90, 320, 290))),
                new Pair(
                        "title-safe",
                        "a line too low",
                        shot(word("TRAM", 40, 320, 335)),
                        shot(word("TRAM", 40, 320, 318))),
                new Pair(
                        "title-safe",
                        "a line too far to the right",
                        shot(word("TRAM", 40, 590, 180)),
                        shot(word("TRAM", 40, 560, 180))),
                new Pair(
                        "title-safe",
                        "letters that hold a picture, outside",
                        shot(cut(plate(GREY), Cut.Keep.INSIDE), word("TRAM", 40, 60, 180)),
                        shot(cut(plate(GREY), Cut.Keep.INSIDE), word("TRAM", 40, 90, 180))),
                new Pair(
                        "fill-covers",
                        "a word wider than its clip",
                        shot(cut(box("f", 320, 180, 150, 200, GREY), Cut.Keep.INSIDE), word()),
                        shot(cut(box("f", 320, 180, 260, 200, GREY), Cut.Keep.INSIDE), word())),
                new Pair(
                        "fill-covers",
                        "a clip that has slipped",
                        shot(cut(box("f", 320, 200, 300, 100, GREY), Cut.Keep.INSIDE), word()),
                        shot(cut(box("f", 320, 190, 300, 140, GREY), Cut.Keep.INSIDE), word())),
                new Pair(
                        "fill-covers",
                        "two clips with a gap",
                        shot(
                                cut(box("f", 220, 180, 180, 200, GREY), Cut.Keep.INSIDE),
                                cut(box("g", 430, 180, 180, 200, GREY), Cut.Keep.INSIDE),
                                word()),
                        shot(
                                cut(box("f", 220, 180, 200, 200, GREY), Cut.Keep.INSIDE),
                                cut(box("g", 420, 180, 204, 200, GREY), Cut.Keep.INSIDE),
                                word())),
                new Pair(
                        "stray-letter",
                        "a mask for T and R that touches A",
                        shot(stepped(1, 0.3)),
                        shot(stepped(1, 0))),
                new Pair("stray-letter", "a mask for T that touches R", shot(stepped(0, 0.2)), shot(stepped(0, 0))),
                new Pair(
                        "reading-time",
                        "one word for a second",
                        shot(from(word(), 10, 24)),
                        shot(from(word(), 10, 40))),
                new Pair(
                        "reading-time",
                        "seven words for two seconds",
                        shot(from(word("see you at the last stop tonight", 30, 320, 180), 4, 48)),
                        shot(word("see you at the last stop", 30, 320, 180))),
                new Pair(
                        "reading-time",
                        "a slow fade that leaves no time",
                        shot(arriving(
                                word(), new Passage(50, 0, Ease.LINEAR, pose(Point.ORIGIN, 1, 0), Optional.empty()))),
                        shot(arriving(
                                word(), new Passage(16, 0, Ease.LINEAR, pose(Point.ORIGIN, 1, 0), Optional.empty())))),
                new Pair(
                        "contrast",
                        "grey on grey",
                        shot(painted(word(), 0.6), plate(grey(0.5))),
                        shot(painted(word(), 1), plate(grey(0.5)))),
                new Pair(
                        "contrast",
                        "large type under 3:1",
                        shot(painted(word(), 0.5), plate(grey(0.25))),
                        shot(painted(word(), 0.62), plate(grey(0.25)))),
                new Pair(
                        "contrast",
                        "small type between 3:1 and 4.5:1",
                        shot(painted(word("platform four", 7, 320, 180), 0.55), plate(grey(0.22))),
                        shot(painted(word("platform four", 7, 320, 180), 0.95), plate(grey(0.22)))),
                new Pair(
                        "contrast",
                        "white words when the plate brightens",
                        shot(word(), visible(plate(grey(0.9)), at(0, 0), at(30, 1)), black),
                        shot(word(), visible(plate(grey(0.3)), at(0, 0), at(30, 1)), black)),
                new Pair(
                        "flashes",
                        "four in a second",
                        shot(flashing(plate(Colour.WHITE), 6, 4), black),
                        shot(flashing(plate(Colour.WHITE), 6, 3), black)),
                new Pair(
                        "flashes",
                        "a sign that fills a field",
                        shot(flashing(box("s", 120, 80, 160, 100, Colour.WHITE), 4, 8), black),
                        shot(flashing(box("s", 120, 80, 60, 60, Colour.WHITE), 4, 8), black)),
                new Pair(
                        "flashes",
                        "from dark to bright enough",
                        shot(flashing(plate(grey(0.45)), 5, 6), black),
                        shot(flashing(plate(grey(0.25)), 5, 6), black)),
                new Pair("flashes", "an old film that flickers", flickering(0.9), flickering(0.08)),
                new Pair(
                        "light-cut-off",
                        "a glow that the frame cuts off",
                        shot(glowing(60, 200), black),
                        shot(glowing(60, 20), black)),
                new Pair(
                        "light-cut-off",
                        "a glow that peeks in",
                        shot(glowing(-70, 200), black),
                        shot(glowing(-600, 200), black)),
                new Pair("light-cut-off", "steam that its rectangle cuts off", steam(160), steam(900)),
                new Pair("light-cut-off", "a glow that the edge of an inner shot cuts off", inner(200), inner(10)),
                new Pair("repeating-grain", "grain that is held", grained(12, false), grained(1, false)),
                new Pair("repeating-grain", "grain in a frozen group", grained(1, true), grained(1, false)),
                new Pair("written-too-fast", "a word in five frames", written(5, false), written(20, false)),
                new Pair("written-too-fast", "three words in fourteen frames", lastTram(14), lastTram(22)),
                new Pair("strokes-in-order", "the bar of an L before its stem", written(20, true), written(20, false)),
                new Pair("strokes-in-order", "by their own times", timed(true), timed(false)),
                new Pair("leaves-its-mark", "an edge whose mark goes back", behindMark(true), behindMark(false)),
                new Pair("leaves-its-mark", "a follower that is late", late(12), late(1)),
                new Pair("beyond-track", "a pin past the last step", pinned(20, false), pinned(LENGTH, false)),
                new Pair("beyond-track", "a clip held still before the first", pinned(20, true), pinned(LENGTH, true)),
                new Pair(
                        "figure-jumps",
                        "a figure that loses its legs on one frame",
                        figure(LENGTH, 0.7),
                        figure(LENGTH, 0.95)),
                new Pair("figure-jumps", "a figure that takes something in", figure(LENGTH, 1.3), figure(LENGTH, 1.04)),
                new Pair("beyond-figure", "a figure that is carried half way", figure(12, 1), figure(LENGTH, 1)),
                new Pair("beyond-figure", "a figure that is seen itself", shown(12), shown(LENGTH)));
    }

    /** A bar behind a figure that is known on so many frames, and as large on the tenth as this share of it. */
    private static Shot figure(long frames, double tenth) {
        List<Double> area = new ArrayList<>(Collections.nCopies((int) frames, 0.1));
        area.set(10, 0.1 * tenth);
        CutOut.Carried carried = new CutOut.Carried(
                "coverage", new Track.Clip(160, 90, Rate.parse("24")), 0, Collections.nCopies((int) frames, 0.9), area);
        Layer clip = marked(LENGTH, false);
        Layer figure = Layer.of(
                        "figure",
                        "figure",
                        new Content.Footage("clip")
                                .withCutOut(Optional.of(CutOut.begun().withCarried(Optional.of(carried)))),
                        Span.of(0, LENGTH),
                        Place.at(new Point(320, 180)))
                .withHidden(true);
        Layer bar = box("b", 320, 180, 300, 30, Colour.WHITE)
                .withCut(Optional.of(new Cut("figure", Cut.With.SHAPE, Cut.Keep.OUTSIDE)));
        return shot(bar, figure, clip);
    }

    private static Shot shown(long frames) {
        Shot shot = figure(frames, 1);
        return shot(shot.layer("figure").orElseThrow().withHidden(false), plate(GREY));
    }

    /** A clip with a mark that goes 3 pixels a frame to the right, for so many frames; or back by 60 on the tenth. */
    private static Layer marked(long frames, boolean goesBack) {
        List<TrackPath.Step> steps = new ArrayList<>();
        for (int f = 0; f < frames; f++) {
            double x = 20 + 3 * f - (goesBack && f >= 10 && f < 20 ? 60 : 0);
            steps.add(
                    new TrackPath.Step(List.of(new Point(x, 40)), 1, f == 0 ? TrackPath.By.HAND : TrackPath.By.FOUND));
        }
        Track track = new Track(
                "t",
                "Mark 1",
                Track.Kind.POINT,
                new Track.Clip(160, 90, Rate.parse("24")),
                0,
                List.of(new Point(20, 40)),
                20,
                20,
                Track.Lost.GO_ON,
                0,
                new TrackPath(0, steps));
        return Layer.of(
                "clip",
                "clip",
                new Content.Footage("clip").withTracks(List.of(track)),
                Span.of(0, LENGTH),
                Place.at(new Point(320, 180)));
    }

    private static Shot behindMark(boolean goesBack) {
        Layer bar = box("b", 320, 180, 300, 60, Colour.WHITE)
                .withWindows(List.of(AnimatedRecipe.of(Recipe.of(
                        Windows.of(Windows.BEHIND_MARK).descriptor(), Map.of("layer", "clip", "track", "t")))));
        return shot(bar, plate(GREY), marked(LENGTH, goesBack));
    }

    private static Shot late(double delay) {
        Recipe follow = Recipe.of(
                Signal.of("follow").descriptor(), Map.of("layer", "clip", "property", "track.t.place", "delay", delay));
        Layer dot = box("b", 0, 0, 30, 30, Colour.WHITE);
        dot = dot.withPlace(dot.place().withPosition(Animated.of(Point.ORIGIN).withSignals(List.of(follow))));
        return shot(dot, plate(GREY), marked(LENGTH, false));
    }

    private static Shot pinned(long frames, boolean still) {
        Layer clip = marked(frames, false);
        Layer dot = box("b", 0, 0, 30, 30, Colour.WHITE);
        if (still) {
            Content.Footage f = (Content.Footage) clip.content();
            return shot(clip.withContent(f.withSteady(Optional.of("t"))), plate(GREY));
        }
        return shot(dot.withParent(Optional.of("clip")).withPinned(Optional.of("t")), plate(GREY), clip);
    }

    private static LayerEffect effect(String kind, Map<String, ?> values) {
        Effect effect = Effects.of(kind);
        return LayerEffect.of(kind, AnimatedRecipe.of(Recipe.of(effect.descriptor(), values)), effect.station());
    }

    private static Shot flickering(double flicker) {
        Map<String, ?> values =
                Map.of("flicker", flicker, "weave", 0.0, "dust", 0.0, "hairs", 0.0, "scratches", 0.0, "fading", 0.0);
        return shot(plate(grey(0.6)).withEffects(List.of(effect("old-film", values))));
    }

    private static Layer glowing(double x, double radius) {
        return box("b", x, 180, 60, 60, Colour.WHITE)
                .withEffects(List.of(effect("glow", Map.of("radius", radius, "strength", 2.0))));
    }

    /** Steam in a rectangle of a width, which it fills from below to above. */
    private static Shot steam(double width) {
        Recipe recipe = Recipe.of(
                Textures.of("steam").descriptor(),
                Map.of("from", new Point(0, 170), "height", 300.0, "width", 100.0, "size", 60.0, "strength", 2.0));
        Content texture = new Content.Texture(Animated.of(new Point(width, 900)), AnimatedRecipe.of(recipe));
        return shot(Layer.of("s", "s", texture, Span.of(-48, LENGTH + 48), Place.at(new Point(320, 180))), plate(GREY));
    }

    private static Shot inner(double radius) {
        Layer light = box("b", 100, 60, 40, 40, Colour.WHITE)
                .withEffects(List.of(effect("glow", Map.of("radius", radius, "strength", 2.0))));
        Shot small = new Shot("inner", new Format(200, 120, Rate.parse("24")), LENGTH, List.of(light));
        return shot(Layer.of(
                "n",
                "n",
                new Content.Nested("inner", Optional.of(small)),
                Span.of(0, LENGTH),
                Place.at(new Point(320, 180))));
    }

    private static Shot grained(double hold, boolean frozen) {
        Layer plate = plate(grey(0.4)).withEffects(List.of(effect("grain", Map.of("hold", hold))));
        Layer group = Layer.of("g", "g", new Content.Group(List.of(plate)), Span.of(0, LENGTH), Place.at(Point.ORIGIN));
        return shot(frozen ? group.withPace(new Pace(1, false, 1, Optional.of(7L), false)) : group);
    }

    private static Layer inside(Layer layer, String window) {
        return layer.withCut(Optional.of(new Cut(window, Cut.With.SHAPE, Cut.Keep.INSIDE)));
    }

    private static Layer soft(Layer layer, double blur) {
        return layer.withPlace(layer.place().withBlur(Animated.of(blur)));
    }

    /** A mask that stands for a while after a letter, or a share of the next one beyond it, before it opens wholly. */
    private static Layer stepped(int letter, double more) {
        Content.Text text = ((Content.Text) word().content()).with(LetterLook.Measure.TRACKING, Animated.of(120.0));
        List<Outline> letters = new Studio().planner.letters(text);
        Box next = letters.get(letter + 1).bounds();
        double right = more > 0
                ? next.x0() + more * next.width()
                : letters.get(letter).bounds().x1() + 1;
        Animated<BezierPath> path = new Animated<>(
                BezierPath.rectangle(new Box(-200, -100, right, 100)),
                List.of(
                        new Key<>(0, BezierPath.rectangle(new Box(-200, -100, right, 100)), Ease.HOLD),
                        new Key<>(20, BezierPath.rectangle(new Box(-200, -100, 200, 100)), Ease.HOLD)));
        Mask mask = Mask.of("m", "m", BezierPath.rectangle(new Box(-200, -200, 200, 200)));
        return masked(word().withContent(text), mask.withPath(path));
    }

    private Proof proof(Shot shot) {
        return Proof.of(shot, studio.planner, Bands.IN_TURN, () -> true).orElseThrow();
    }

    private static Set<String> kinds(Proof proof) {
        return proof.findings().stream().map(Finding::check).collect(Collectors.toSet());
    }

    /** A word that is written in some frames; by strokes of the hand, a stem and a limb that starts in its middle. */
    private static Shot written(int frames, boolean limbFirst) {
        return inked(frames, limbFirst ? List.of(LIMB, STEM) : List.of(STEM, LIMB));
    }

    private static Shot timed(boolean limbFirst) {
        Stroke.Time early = new Stroke.Time(0, 0.4);
        Stroke.Time late = new Stroke.Time(0.5, 1);
        return inked(
                20,
                List.of(
                        STEM.withTime(Optional.of(limbFirst ? late : early)),
                        LIMB.withTime(Optional.of(limbFirst ? early : late))));
    }

    /** By the strokes that are found in it. */
    private static Shot lastTram(int frames) {
        return shot(arriving(word("LAST TRAM HOME", 50, 320, 180), ink(frames)), plate(Colour.BLACK));
    }

    private static Shot inked(int frames, List<Stroke> strokes) {
        Layer word = word();
        return shot(
                arriving(word, ink(frames)).withInk(Optional.of(Ink.of(word.content(), strokes))), plate(Colour.BLACK));
    }

    private static Passage ink(int frames) {
        Recipe recipe = Openings.of("ink").descriptor().standard();
        return new Passage(frames, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(recipe)));
    }

    private static final Stroke STEM = line("stem", new Point(0, -60), new Point(0, 60), Stroke.Begins.WORD);
    private static final Stroke LIMB = line("limb", new Point(1, 2), new Point(90, 4), Stroke.Begins.STROKE);

    private static Stroke line(String id, Point from, Point to, Stroke.Begins begins) {
        return Stroke.of(
                id,
                new BezierPath(
                        List.of(
                                new BezierPath.Knot(from, Point.ORIGIN, Point.ORIGIN, 14),
                                new BezierPath.Knot(to, Point.ORIGIN, Point.ORIGIN, 14)),
                        false),
                begins);
    }

    @ParameterizedTest
    @MethodSource("faults")
    void aFaultIsFoundAndItsAbsenceIsNot(Pair pair) {
        Proof faulty = proof(pair.faulty);
        assertThat(kinds(faulty)).as("faulty: %s", faulty.findings()).isEqualTo(pair.all());
        Proof clean = proof(pair.clean);
        assertThat(clean.findings()).as("clean").isEmpty();
        Finding found = faulty.findings().stream()
                .filter(f -> f.check().equals(pair.check))
                .findFirst()
                .orElseThrow();
        assertThat(found.from()).isLessThanOrEqualTo(found.to());
        assertThat(found.place().isEmpty()).isFalse();
        assertThat(found.says()).endsWith(".");
    }

    @Test
    void everyKindHasTwoFaultsOrMore() {
        Map<String, Long> each = faults().collect(Collectors.groupingBy(Pair::check, Collectors.counting()));
        for (Check check : Checks.all()) {
            assertThat(each).containsKey(check.descriptor().kind());
            assertThat(each.get(check.descriptor().kind())).isGreaterThanOrEqualTo(2);
        }
        assertThat(faults().count()).isGreaterThanOrEqualTo(24);
    }

    @Test
    void everyCheckHasAPage() throws IOException {
        for (Check check : Checks.all()) {
            Path page = Path.of("../docs/checks/" + check.descriptor().kind() + ".md");
            assertThat(Files.readString(page).replace('’', '\''))
                    .startsWith("# " + check.descriptor().label());
        }
    }

    /** A wipe by hand: the share of a box behind a mask that moves evenly, to within a hundredth. */
    @Test
    void theRevealCurveIsTheShareOfTheArea() {
        Layer box = opened(
                box("b", 320, 180, 200, 100, Colour.WHITE),
                new Box(-100, -50, -100.001, 50),
                new Box(-100, -50, 100, 50));
        Layer half = box("h", 0, 300, 100, 40, GREY);
        Layer below = box("u", 320, 60, 100, 40, Colour.WHITE);
        Layer above = box("o", 345, 60, 50, 40, GREY)
                .withPlace(Place.at(new Point(345, 60)).withOpacity(Animated.of(0.5)));
        Map<String, float[]> reveal = Reveal.of(
                        shot(above, box, half, below), studio.planner, Bands.IN_TURN, () -> true)
                .orElseThrow()
                .shares();
        for (int f = 0; f <= 12; f++) {
            assertThat(reveal.get("b")[f]).isCloseTo(f / 12f, within(0.01f));
        }
        assertThat(reveal.get("h")[3]).isCloseTo(0.5f, within(0.01f));
        assertThat(reveal.get("u")[3]).isCloseTo(0.75f, within(0.01f));
        assertThat(reveal.get("o")[3]).isCloseTo(0.5f, within(0.01f));
    }

    /** Contrast is 21:1 for black on white (WCAG 2.2), and 3.98:1 for #777777 on white lies under 4.5 (from memory: 4.48). */
    @Test
    void contrastIsThatOfTheStandard() {
        Luminance l = new Luminance(FORMAT);
        assertThat(Luminance.contrast(l.of(0, 0, 0), l.of(1, 1, 1))).isCloseTo(21, within(1e-6));
        double grey = 0x77 / 255.0;
        assertThat(Luminance.contrast(l.of(grey, grey, grey), l.of(1, 1, 1))).isCloseTo(4.48, within(0.01));
    }

    @Test
    void aMeasureThatIsBrokenOffHasNoResult() {
        assertThat(Proof.of(shot(word()), studio.planner, Bands.IN_TURN, () -> false))
                .isEmpty();
    }
}

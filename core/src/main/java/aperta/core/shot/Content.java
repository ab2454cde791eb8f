package aperta.core.shot;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.time.Animated;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What a layer shows. Its own space has the origin in the middle of it; that of a group is the space of the shot. */
public sealed interface Content {
    /** The layers that it holds, the uppermost first. */
    default List<Layer> inside() {
        return List.of();
    }

    /** The id under which the frame of another shot lies in the layer that shows it, where a moment is worked out. */
    static String frameOf(String layer) {
        return layer + "/frame";
    }

    /** Whether it can be seen, rather than only heard. */
    default boolean isSeen() {
        return true;
    }

    /** The ids of the files that it comes from. */
    default List<String> files() {
        return List.of();
    }

    /** The same with other ids for its files. */
    default Content withFiles(UnaryOperator<String> name) {
        return this;
    }

    /**
     * Lines of type. The origin is the middle of the block: half way between the cap height of the first line and the
     * last baseline; across, the line to which the lines are aligned.
     *
     * @param words the lines, parted by {@code \n}
     * @param look of all letters, but for those that have one of their own; it says every part
     * @param runs letters that look different in some parts, in order, none over another
     */
    record Text(String words, Align align, boolean kerning, LetterLook look, List<LetterRun> runs) implements Content {
        public static final int MOST_LETTERS = 2000;

        public Text {
            if (words.length() > MOST_LETTERS) {
                throw new IllegalArgumentException("A text has at most " + MOST_LETTERS + " letters.");
            }
            look.demandWhole();
            runs = LetterRun.sound(runs, words);
        }

        /** Plain white type in the middle. */
        public static Text of(String words, String font, double size) {
            return new Text(words, Align.CENTRE, true, LetterLook.plain(font, size), List.of());
        }

        public String font() {
            return look.font().orElseThrow();
        }

        public Paint fill() {
            return look.fill().orElseThrow();
        }

        public Animated<Colour> edge() {
            return look.edge().orElseThrow();
        }

        public Animated<Double> measure(LetterLook.Measure measure) {
            return look.measures().get(measure);
        }

        /** Of a text whose values are fixed. */
        public double fixed(LetterLook.Measure measure) {
            return measure(measure).at(0, Mix.NUMBER);
        }

        /** How the letters of a run look: what it doesn't say is as with all. */
        public LetterLook lookOf(LetterRun run) {
            return look.and(run.look());
        }

        /** The looks that letters have: first that of all, unless each letter lies in a run. */
        public List<LetterLook> looks() {
            List<LetterLook> all = new ArrayList<>();
            int inRuns = runs.stream().mapToInt(r -> r.to() - r.from()).sum();
            if (inRuns < words.length() || runs.isEmpty()) {
                all.add(look);
            }
            runs.forEach(r -> all.add(lookOf(r)));
            return all;
        }

        /** Some of its letters in their look, about a middle of their own; {@code from} counts from the start of the text. */
        public Text part(String some, int from) {
            return new Text(some, Align.CENTRE, kerning, look, LetterRun.within(runs, from, from + some.length()));
        }

        /** These words in the look of others; runs come along where the words are the same. */
        public Text styledAs(Text other) {
            return new Text(
                    words, other.align, other.kerning, other.look, words.equals(other.words) ? other.runs : List.of());
        }

        public Text with(LetterLook.Measure measure, Animated<Double> value) {
            return withLook(look.with(measure, value));
        }

        public Text withFill(Paint other) {
            return withLook(look.withFill(other));
        }

        public Text withLook(LetterLook other) {
            return new Text(words, align, kerning, other, runs);
        }

        public Text withRuns(List<LetterRun> other) {
            return new Text(words, align, kerning, look, other);
        }

        public Text withRun(LetterRun run) {
            return withRuns(
                    runs.stream().map(r -> r.id().equals(run.id()) ? run : r).toList());
        }

        /** @throws IllegalArgumentException where there is no such run */
        public LetterRun run(String id) {
            return runs.stream()
                    .filter(r -> r.id().equals(id))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("The text has no letters '" + id + "'."));
        }

        /** The same with other ids for its fonts. */
        public Text withFonts(UnaryOperator<String> name) {
            return withLook(look.withFont(look.font().map(name)))
                    .withRuns(runs.stream()
                            .map(r ->
                                    r.withLook(r.look().withFont(r.look().font().map(name))))
                            .toList());
        }

        /** Other words; letters that look different keep their look where they stay. */
        public Text withWords(String other) {
            return new Text(other, align, kerning, look, LetterRun.reworded(runs, words, other));
        }
    }

    enum Align {
        LEFT,
        CENTRE,
        RIGHT
    }

    /**
     * What comes from a file of pictures, and how it is tamed.
     */
    sealed interface Pictured extends Content {
        /** The id of its media. */
        String media();

        /** By how many stops it is brighter: each doubles the amounts of light. */
        Animated<Double> exposure();

        /** How far its colours are from the grey of the same luma: 0 for none, 1 for as they are. */
        Animated<Double> saturation();

        Pictured with(String media, Animated<Double> exposure, Animated<Double> saturation);

        @Override
        default List<String> files() {
            return List.of(media());
        }

        @Override
        default Pictured withFiles(UnaryOperator<String> name) {
            return with(name.apply(media()), exposure(), saturation());
        }
    }

    /**
     * A moving clip.
     *
     * @param tracks what is followed through it
     * @param steady the id of a track whose marks are held still: the clip moves against them
     * @param cutOut the figure that alone is seen of it
     */
    record Footage(
            String media,
            Animated<Double> exposure,
            Animated<Double> saturation,
            List<Track> tracks,
            Optional<String> steady,
            Optional<CutOut> cutOut)
            implements Pictured {
        public static final int MOST_TRACKS = 64;

        public Footage {
            tracks = List.copyOf(tracks);
            if (tracks.size() > MOST_TRACKS) {
                throw new IllegalArgumentException("A clip has at most " + MOST_TRACKS + " tracks.");
            }
        }

        public Footage(String media) {
            this(media, Animated.of(0.0), Animated.of(1.0), List.of(), Optional.empty(), Optional.empty());
        }

        @Override
        public Footage with(String other, Animated<Double> otherExposure, Animated<Double> otherSaturation) {
            return new Footage(other, otherExposure, otherSaturation, tracks, steady, cutOut);
        }

        @Override
        public List<String> files() {
            return Stream.concat(Stream.of(media), cutOut.flatMap(CutOut::carried).map(CutOut.Carried::media).stream())
                    .toList();
        }

        @Override
        public Footage withFiles(UnaryOperator<String> name) {
            Optional<CutOut> next =
                    cutOut.map(c -> c.withCarried(c.carried().map(k -> k.withMedia(name.apply(k.media())))));
            return with(name.apply(media), exposure, saturation).withCutOut(next);
        }

        public Footage withCutOut(Optional<CutOut> other) {
            return new Footage(media, exposure, saturation, tracks, steady, other);
        }

        public Footage withTracks(List<Track> other) {
            return new Footage(media, exposure, saturation, other, steady, cutOut);
        }

        public Footage withSteady(Optional<String> other) {
            return new Footage(media, exposure, saturation, tracks, other, cutOut);
        }

        public Optional<Track> track(String id) {
            return tracks.stream().filter(t -> t.id().equals(id)).findFirst();
        }
    }

    /** A picture that doesn't move. */
    record Still(String media, Animated<Double> exposure, Animated<Double> saturation) implements Pictured {
        public Still(String media) {
            this(media, Animated.of(0.0), Animated.of(1.0));
        }

        @Override
        public Still with(String other, Animated<Double> otherExposure, Animated<Double> otherSaturation) {
            return new Still(other, otherExposure, otherSaturation);
        }
    }

    /**
     * A sound, by the id of its media; it is heard, not seen.
     *
     * @param level in decibels, 0 for as it was recorded
     */
    record Sound(String media, Animated<Double> level) implements Content {
        @Override
        public boolean isSeen() {
            return false;
        }

        @Override
        public List<String> files() {
            return List.of(media);
        }

        @Override
        public Sound withFiles(UnaryOperator<String> name) {
            return new Sound(name.apply(media), level);
        }
    }

    /** What has coats of paint on paths; the first coat lies on top. */
    sealed interface Coated extends Content {
        int MOST_COATS = 32;

        List<Coat> coats();

        Coated withCoats(List<Coat> other);

        /** @throws IllegalArgumentException where there is no such coat */
        default Coat coat(String id) {
            return coats().stream()
                    .filter(c -> c.id().equals(id))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("There is no coat of paint '" + id + "'."));
        }

        /** The layers that run at the ends of its strokes. */
        default Set<String> riders() {
            return coats().stream()
                    .flatMap(c -> c instanceof Coat.Stroke s ? s.rider().stream() : Stream.empty())
                    .map(Coat.Rider::layer)
                    .collect(Collectors.toCollection(LinkedHashSet::new));
        }

        default Coated withCoat(Coat coat) {
            return withCoats(coats().stream()
                    .map(c -> c.id().equals(coat.id()) ? coat : c)
                    .toList());
        }
    }

    /**
     * Paths with coats of paint on them.
     *
     * @param coats the first lies on top
     */
    record Shape(List<Path> paths, List<Coat> coats) implements Coated {
        public static final int MOST_PATHS = 500;

        public Shape {
            paths = List.copyOf(paths);
            coats = List.copyOf(coats);
            if (paths.size() > MOST_PATHS || coats.size() > MOST_COATS) {
                throw new IllegalArgumentException(
                        "A shape has at most " + MOST_PATHS + " paths and " + MOST_COATS + " coats of paint.");
            }
        }

        /** A path by its id, with a name for people; in the layer's own pixels. */
        public record Path(String id, String name, Animated<BezierPath> path) {
            public Path withPath(Animated<BezierPath> other) {
                return new Path(id, name, other);
            }
        }

        public Shape withPaths(List<Path> other) {
            return new Shape(other, coats);
        }

        public Shape withPath(Path path) {
            return withPaths(
                    paths.stream().map(p -> p.id().equals(path.id()) ? path : p).toList());
        }

        @Override
        public Shape withCoats(List<Coat> other) {
            return new Shape(paths, other);
        }
    }

    /**
     * Lines along another layer, with coats of paint on them; in that layer's own pixels.
     *
     * @param of the id of that layer
     * @param along what of it
     * @param threshold where its pictures are looked at: what is above it is inside, over 0, up to 1
     * @param least outlines in its pictures that go round fewer pixels are left out
     * @param frame of the shot on which it is looked at; nothing for the moment that is shown
     * @param coats the first lies on top
     */
    record Trace(
            String of,
            Along along,
            Animated<Double> threshold,
            Animated<Double> least,
            Optional<Long> frame,
            List<Coat> coats)
            implements Coated {
        public Trace {
            coats = List.copyOf(coats);
            if (coats.size() > MOST_COATS) {
                throw new IllegalArgumentException("A trace has at most " + MOST_COATS + " coats of paint.");
            }
        }

        /** Of all that a layer shows, in one line of a colour. */
        public static Trace of(String layer, Along along, List<Coat> coats) {
            return new Trace(layer, along, Animated.of(0.5), Animated.of(16.0), Optional.empty(), coats);
        }

        public Trace withOf(String other) {
            return new Trace(other, along, threshold, least, frame, coats);
        }

        public Trace withThreshold(Animated<Double> other) {
            return new Trace(of, along, other, least, frame, coats);
        }

        public Trace withLeast(Animated<Double> other) {
            return new Trace(of, along, threshold, other, frame, coats);
        }

        @Override
        public Trace withCoats(List<Coat> other) {
            return new Trace(of, along, threshold, least, frame, other);
        }
    }

    /** What a trace runs along. */
    enum Along {
        /** The outlines of letters and the paths of shapes, exactly; of pictures, where their alpha passes the threshold. */
        SHAPE,
        /** Where the brightness of what is seen passes the threshold. */
        BRIGHTNESS,
        /** The paths of its masks. */
        MASKS,
        /** The strokes in which it is written. */
        INK
    }

    /**
     * Drawn by hand, frame after frame.
     *
     * @param lines all that were drawn, in their order
     * @param drawings in the order of their frames; each holds until the next
     */
    record Drawings(List<PenLine> lines, List<Drawing> drawings) implements Content {
        public static final int MOST = 4000;

        public Drawings {
            lines = List.copyOf(lines);
            drawings = List.copyOf(drawings);
            if (lines.size() > MOST || drawings.size() > MOST) {
                throw new IllegalArgumentException("A layer has at most " + MOST + " lines and as many drawings.");
            }
            for (int i = 1; i < drawings.size(); i++) {
                if (drawings.get(i).at() <= drawings.get(i - 1).at()) {
                    throw new IllegalArgumentException("Drawings stand in the order of their frames.");
                }
            }
        }

        /**
         * What there is from a frame on.
         *
         * @param at the frame of the content's time
         * @param played whether its lines come as the hand drew them, rather than at once
         */
        public record Drawing(long at, List<Part> parts, boolean played) {
            public Drawing {
                parts = List.copyOf(parts);
            }

            public Drawing movedTo(long other) {
                return new Drawing(other, parts, played);
            }

            public Drawing withParts(List<Part> other) {
                return new Drawing(at, other, played);
            }
        }

        /** What of a line is there, by shares of its length. */
        public record Part(String line, double from, double to) {
            public Part {
                if (!(from >= 0 && to <= 1 && from < to)) {
                    throw new IllegalArgumentException("A part of a line lies between 0 and 1 of its length.");
                }
            }
        }

        /** @throws IllegalArgumentException where there is no such line */
        public PenLine line(String id) {
            return lines.stream()
                    .filter(l -> l.id().equals(id))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("There is no line '" + id + "'."));
        }

        /** The place in the list of the drawing that holds at a frame; under 0 before the first. */
        public int indexAt(double frame) {
            int found = -1;
            for (int i = 0; i < drawings.size() && drawings.get(i).at() <= frame; i++) {
                found = i;
            }
            return found;
        }

        public Drawings withDrawings(List<Drawing> other) {
            return new Drawings(lines, other);
        }
    }

    /** A rectangle of a size, painted. */
    record Fill(Animated<Point> size, Paint paint) implements Content {}

    /** What lies in a group, once more: whatever is changed there is changed here too. */
    record Again(String group) implements Content {}

    /** Nothing by itself: what is done to it is done to all that lies below it in its group. */
    record Adjustment() implements Content {}

    /** A picture that is computed: a rectangle of a texture. */
    record Texture(Animated<Point> size, AnimatedRecipe recipe) implements Content {}

    /**
     * Another shot of the project, in its own size and rate; its own space has its origin in the middle of the frame.
     *
     * @param shot its id
     * @param found the shot; nothing where none of that id was looked for, or there is none
     */
    record Nested(String shot, Optional<Shot> found) implements Content {}

    /**
     * Layers that are put together by themselves first and then behave like one; the first lies on top.
     *
     * @param format in whose frames the layers' time counts, and whose frame is all that is seen of them; nothing for those of
     *     the shot
     */
    record Group(List<Layer> layers, Optional<Format> format) implements Content {
        public Group {
            layers = List.copyOf(layers);
        }

        public Group(List<Layer> layers) {
            this(layers, Optional.empty());
        }

        @Override
        public List<Layer> inside() {
            return layers;
        }
    }
}

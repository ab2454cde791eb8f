package aperta.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.effect.Tables;
import aperta.core.effect.Worked;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.ink.InkField;
import aperta.core.outline.Contour;
import aperta.core.outline.Outline;
import aperta.core.picture.Bands;
import aperta.core.picture.Gradient;
import aperta.core.picture.Matte;
import aperta.core.picture.Packed;
import aperta.core.picture.Picture;
import aperta.core.picture.Pixels;
import aperta.core.picture.Region;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Coat;
import aperta.core.shot.Cut;
import aperta.core.shot.Figures;
import aperta.core.shot.Front;
import aperta.core.shot.Join;
import aperta.core.shot.LayerEffect.Border;
import aperta.core.shot.Light;
import aperta.core.shot.Mask;
import aperta.core.shot.Paint;
import aperta.core.shot.PathLength;
import aperta.core.shot.Stroke;
import aperta.core.shot.Writing;
import aperta.core.texture.Texture;
import aperta.core.texture.Textures;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Rate;
import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What every step of a plan keeps to, so that plans may be cut into parts, spread over threads and kept by their keys. */
class StepContractTest {
    private static final Region FRAME = new Region(0, 0, 120, 80);
    private static final List<Region> PARTS = List.of(
            new Region(0, 0, 120, 1),
            new Region(17, 11, 33, 29),
            new Region(63, 40, 57, 40),
            new Region(119, 79, 1, 1));

    private static final Sources CLIP = new Sources() {
        @Override
        public Info info(String media) {
            return new Info(media, 64, 40, Rate.of(24), 9, true);
        }

        @Override
        public Pixels frame(String media, long frame, int level) {
            int w = (64 + level - 1) / level;
            int h = (40 + level - 1) / level;
            byte[] data = new byte[w * h * 4];
            for (int i = 0; i < data.length; i++) {
                data[i] = (byte) ((i * 31 + frame * 17 + media.length() * 5) % 251);
            }
            return new Packed(w, h, 4, 8, data);
        }
    };

    /**
     * A step, and others that differ from it in one of the things that it is made from.
     *
     * @param name for people
     */
    private record Sample(String name, Step step, List<Step> others) {
        static Sample of(Step step, Step... others) {
            return new Sample(step.getClass().getSimpleName(), step, List.of(others));
        }

        @Override
        public String toString() {
            return name;
        }
    }

    private static BezierPath blob(double size, double feather) {
        BezierPath path = Figures.rounded(Box.centred(size, size * 0.7), size * 0.2);
        return new BezierPath(
                path.knots().stream()
                        .map(k -> new BezierPath.Knot(k.at(), k.in(), k.out(), feather))
                        .toList(),
                true);
    }

    private static final Affine MIDDLE = Affine.rotation(12).then(Affine.translation(57.3, 41.8));

    private static Covered shape(double size) {
        return new Covered(Outline.of(blob(size, 0)).transformed(MIDDLE));
    }

    private static Filled fill(double size, double alpha) {
        return new Filled(shape(size), new Colour(0.9, 0.4, 0.1, alpha));
    }

    private static PlacedClip clip(Affine map, long frame, String media) {
        return new PlacedClip(new Decoded(CLIP, media, frame, 1), 64, 40, true, Light.DISPLAY, map);
    }

    private static Filled gradient(double to) {
        List<Paint.At> stops = List.of(new Paint.At(0, Colour.WHITE), new Paint.At(1, new Colour(0, 0.3, 1, 0.5)));
        return new Filled(
                shape(70), Gradient.linear(Point.ORIGIN, new Point(to, 0), stops, MIDDLE), new double[] {0, to});
    }

    private static Cut.Tone tone(double black, ToneCurve curve) {
        return Cut.Tone.PLAIN.withBlack(Animated.of(black)).withCurve(curve);
    }

    private static Masks masks(double opacity, boolean inverted, Mask.Mode mode) {
        return new Masks(List.of(
                new Masks.Part(shape(70), Mask.Mode.ADD, false, 1),
                new Masks.Part(shape(40), mode, inverted, (float) opacity)));
    }

    private static Stack stack(BlendMode mode, Join join) {
        return new Stack(
                List.of(new Stack.Entry(fill(80, 1), BlendMode.NORMAL), new Stack.Entry(fill(50, 0.6), mode, join)));
    }

    private static List<Step.Paints> moving(int count) {
        List<Step.Paints> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Outline outline = Outline.of(blob(30, 0)).transformed(Affine.translation(-40 + 12.7 * i, 33.4));
            all.add(new Filled(new Covered(outline), Colour.WHITE));
        }
        return all;
    }

    private static SampleSum sum(int count, boolean last) {
        SampleSum first = new SampleSum(Optional.empty(), moving(4), count, false);
        return new SampleSum(Optional.of(first), moving(3), count, last);
    }

    private static final ToneCurve CURVE = new ToneCurve(List.of(new Point(0, 0.1), new Point(1, 0.8)));

    /** Every step there is. */
    static Stream<Sample> samples() {
        return Stream.concat(Stream.concat(effects(), textures()), steps());
    }

    /** Each effect, and the same with one of its numbers changed at a time. */
    private static Stream<Sample> effects() {
        return Effects.all().stream().map(e -> {
            Recipe standard = e.descriptor().standard();
            for (Parameter p : e.descriptor().parameters()) {
                standard = p.kind() == Parameter.Kind.LAYER ? standard.with(p.name(), "map") : standard;
            }
            List<Step> others = new ArrayList<>(
                    List.of(effect(e, standard, 0.5, fill(60, 1)), effect(e, standard, 0.6, fill(61, 1))));
            for (Parameter p : e.descriptor().parameters()) {
                if (p.kind() != Parameter.Kind.LAYER && p.kind() != Parameter.Kind.FILE) {
                    others.add(effect(e, standard.with(p.name(), OtherValue.of(p)), 0.6, fill(60, 1)));
                }
            }
            return new Sample(e.descriptor().label(), effect(e, standard, 0.6, fill(60, 1)), others);
        });
    }

    /** Each texture, and the same with one of its numbers changed at a time. */
    private static Stream<Sample> textures() {
        return Textures.all().stream().map(t -> {
            Recipe standard = t.descriptor().standard();
            List<Step> others = t.descriptor().parameters().stream()
                    .map(p -> (Step) textured(t, standard.with(p.name(), OtherValue.of(p))))
                    .toList();
            return new Sample(t.descriptor().label() + ", a texture", textured(t, standard), others);
        });
    }

    private static Textured textured(Texture texture, Recipe recipe) {
        Affine map = Affine.scale(0.4, 0.4).then(MIDDLE);
        Texture.Setting setting = new Texture.Setting(
                map, Box.centred(150, 105), Light.DISPLAY, 30, Rate.of(24), (p, frame) -> recipe.number(p));
        return new Textured(shape(70), recipe.kind(), texture.on(recipe, setting));
    }

    private static final Front FRONT =
            new Front(new Front.Line(new Point(1, 0), 4), Optional.of(new Front.Rough(5, 30, 3)), Optional.empty());

    private static Step.Paints effect(Effect effect, Recipe recipe, double amount, Step.Paints input) {
        Affine map = Affine.scale(0.4, 0.4).then(MIDDLE);
        Worked worked = effect.on(
                recipe,
                new Effect.Setting(
                        map,
                        Affine.scale(0.4, 0.4),
                        Box.centred(150, 105),
                        Light.DISPLAY,
                        5,
                        Rate.of(24),
                        amount,
                        Border.EMPTY,
                        Tables.NONE));
        Optional<Step.Shades> where = Optional.of(Feathered.of(shape(70), 6));
        EffectShare share = new EffectShare(amount, where);
        if (worked instanceof Worked.Around around) {
            List<Step.Paints> asked =
                    around.asks().stream().map(a -> (Step.Paints) gradient(40)).toList();
            Step.Paints finer = around.finer() == 1 ? input : fill(60.0 * around.finer(), 1);
            return new Affected(input, finer, asked, recipe.kind(), around, Border.EMPTY, share);
        }
        return worked instanceof Worked.ByFront byFront
                ? new AtFront(input, recipe.kind(), byFront, new FrontDistance(FRONT, map, byFront.reach()), share)
                : new Changed(input, recipe.kind(), (Worked.ByPixel) worked, share);
    }

    private static Adjusted adjusted(double size, double opacity, BlendMode mode) {
        return new Adjusted(fill(size, 1), fill(50, 0.6), List.of(Feathered.of(shape(70), 6)), opacity, mode);
    }

    private static FrontDistance distance(double depth, double reach) {
        Front front = new Front(FRONT.shape(), Optional.of(new Front.Rough(depth, 30, 3)), Optional.empty());
        return new FrontDistance(front, MIDDLE, reach);
    }

    private static FrontDistance passed(double pace, double more) {
        Front front = new Front(new Front.Passed("map", 0.4, pace, 1, more, false), Optional.empty(), Optional.empty());
        Region small = new Region(0, 0, 60, 40);
        FirstBright first = new FirstBright(Optional.empty(), Feathered.of(shape(70), 6), small, 0.4);
        FirstBright second = new FirstBright(Optional.of(first), shape(30), small, 0.4);
        return new FrontDistance(front, MIDDLE, 12, Optional.of(second), 2);
    }

    private static FrontMatte atFront(double width) {
        return new FrontMatte(distance(5, 12), d -> (float) Math.min(1, Math.max(0, d / width)), width);
    }

    private static Step.Shades halo(double size, double reach) {
        return Halo.ofLine(shape(size), reach, 3, 0.6);
    }

    private static Traced traced(double size, double threshold, double least) {
        return new Traced(shape(size), MIDDLE.inverse().orElseThrow(), threshold, least);
    }

    private static Step.Shades laid(double size, double end, double head) {
        Coat.Stroke stroke = Coat.Stroke.of("s", Colour.WHITE, 5)
                .with(Coat.Measure.END, Animated.of(end))
                .with(Coat.Measure.HEAD, Animated.of(head));
        Lines lines = new Lines.Found(traced(size, 0.5, 0), Box.centred(size, size * 0.7));
        return head > 0 ? Laid.heads(lines, stroke, MIDDLE) : Laid.band(lines, stroke, MIDDLE);
    }

    private static Riders riders(double size, double end, boolean turns, boolean found) {
        Coat.Stroke stroke = Coat.Stroke.of("s", Colour.WHITE, 5)
                .with(Coat.Measure.END, Animated.of(end))
                .withRider(Optional.of(new Coat.Rider("b", turns)));
        Lines lines = found
                ? new Lines.Found(traced(size, 0.5, 0), Box.centred(size, size * 0.7))
                : new Lines.Known(PathLength.ofEach(List.of(blob(size, 0))));
        Filled picture = new Filled(new Covered(Outline.of(blob(30, 0))), new Colour(0.9, 0.4, 0.1, 0.7));
        return new Riders(picture, lines, stroke, MIDDLE);
    }

    /** A stroke across a blob, and one down it. */
    private static InkPlaces ink(double size, double wide, double cell) {
        BezierPath across = stroke(new Point(-size / 2, 3), new Point(size / 2, -4), wide);
        BezierPath down = stroke(new Point(2, -size / 3), new Point(-3, size / 3), wide);
        List<Stroke> strokes =
                List.of(Stroke.of("1", across, Stroke.Begins.WORD), Stroke.of("2", down, Stroke.Begins.STROKE));
        return new InkPlaces(new Inks.Ink(Outline.of(blob(size, 0)), strokes), cell);
    }

    private static BezierPath stroke(Point from, Point to, double wide) {
        return new BezierPath(
                List.of(
                        new BezierPath.Knot(from, Point.ORIGIN, Point.ORIGIN, wide),
                        new BezierPath.Knot(to, Point.ORIGIN, Point.ORIGIN, wide)),
                false);
    }

    private static InkMatte written(double share, double soft, boolean bends, double lifted) {
        return new InkMatte(ink(60, 20, 1), new Writing(share, soft, bends, Ease.LINEAR, lifted, 0, 0), MIDDLE);
    }

    private static Stream<Sample> steps() {
        Affine placed = Affine.scale(1.3, 1.1).then(Affine.rotation(7)).then(Affine.translation(8.2, 3.9));
        Contour contour = Contour.of(blob(60, 9), MIDDLE);
        Picture there = new Picture(FRAME);
        return Stream.of(
                Sample.of(shape(60), shape(61)),
                Sample.of(fill(60, 1), fill(61, 1), fill(60, 0.9)),
                new Sample("Filled with a gradient", gradient(40), List.of(gradient(41))),
                Sample.of(
                        clip(placed, 2, "rain"),
                        clip(placed.then(Affine.translation(0.5, 0)), 2, "rain"),
                        clip(placed, 3, "rain"),
                        clip(placed, 2, "platform")),
                new Sample(
                        "PlacedClip that is copied",
                        clip(Affine.translation(20, 13), 2, "rain"),
                        List.of(clip(Affine.translation(21, 13), 2, "rain"))),
                Sample.of(
                        new Decoded(CLIP, "rain", 2, 1),
                        new Decoded(CLIP, "rain", 3, 1),
                        new Decoded(CLIP, "rain", 2, 2),
                        new Decoded(CLIP, "platform", 2, 1)),
                Sample.of(
                        new Tamed(fill(60, 0.8), 1, 0.5, Light.DISPLAY),
                        new Tamed(fill(60, 0.8), 1.5, 0.5, Light.DISPLAY),
                        new Tamed(fill(60, 0.8), 1, 0.6, Light.DISPLAY),
                        new Tamed(fill(60, 0.8), 1, 0.5, Light.LINEAR_SRGB),
                        new Tamed(fill(61, 0.8), 1, 0.5, Light.DISPLAY)),
                Sample.of(Blurred.of(fill(60, 1), 5.5), Blurred.of(fill(60, 1), 5.6), Blurred.of(fill(61, 1), 5.5)),
                Sample.of(halo(60, 20), halo(61, 20), halo(60, 24)),
                Sample.of(laid(60, 0.5, 0), laid(61, 0.5, 0), laid(60, 0.6, 0), laid(60, 0.5, 5)),
                Sample.of(
                        riders(60, 0.5, true, true),
                        riders(61, 0.5, true, true),
                        riders(60, 0.6, true, true),
                        riders(60, 0.5, false, true)),
                Sample.of(
                        riders(60, 0.5, true, false),
                        riders(61, 0.5, true, false),
                        riders(60, 0.6, true, false),
                        riders(60, 0.5, false, false)),
                Sample.of(traced(60, 0.5, 0), traced(61, 0.5, 0), traced(60, 0.6, 0), traced(60, 0.5, 3)),
                Sample.of(Feathered.of(shape(60), 4), Feathered.of(shape(60), 4.1), Feathered.of(shape(61), 4)),
                Sample.of(Faded.of(fill(60, 1), 0.4), Faded.of(fill(60, 1), 0.5), Faded.of(fill(61, 1), 0.4)),
                Sample.of(
                        new Edged(contour, 3, 5),
                        new Edged(contour, 3.5, 5),
                        new Edged(contour, 3, 6),
                        new Edged(Contour.of(blob(61, 9), MIDDLE), 3, 5)),
                Sample.of(
                        new Despecked(shape(50), 20, false),
                        new Despecked(shape(51), 20, false),
                        new Despecked(shape(50), 21, false),
                        new Despecked(shape(50), 20, true)),
                Sample.of(
                        new SteadyFigure(shape(40), shape(41), shape(42), 0.5),
                        new SteadyFigure(shape(43), shape(41), shape(42), 0.5),
                        new SteadyFigure(shape(40), shape(43), shape(42), 0.5),
                        new SteadyFigure(shape(40), shape(41), shape(43), 0.5),
                        new SteadyFigure(shape(40), shape(41), shape(42), 0.6)),
                Sample.of(new Spread(shape(50), 4.5), new Spread(shape(50), -4.5), new Spread(shape(51), 4.5)),
                Sample.of(
                        new Toned(shape(50), tone(0.2, CURVE)),
                        new Toned(shape(50), tone(0.3, CURVE)),
                        new Toned(shape(50), tone(0.2, ToneCurve.STRAIGHT)),
                        new Toned(shape(51), tone(0.2, CURVE))),
                Sample.of(
                        new PictureMatte(gradient(40), Cut.With.BRIGHTNESS, Light.DISPLAY),
                        new PictureMatte(gradient(40), Cut.With.SHAPE, Light.DISPLAY),
                        new PictureMatte(gradient(40), Cut.With.BRIGHTNESS, Light.LINEAR_SRGB),
                        new PictureMatte(gradient(41), Cut.With.BRIGHTNESS, Light.DISPLAY)),
                Sample.of(
                        masks(0.7, true, Mask.Mode.SUBTRACT),
                        masks(0.8, true, Mask.Mode.SUBTRACT),
                        masks(0.7, false, Mask.Mode.SUBTRACT),
                        masks(0.7, true, Mask.Mode.EXCLUDE)),
                Sample.of(
                        new Masked(fill(60, 1), shape(40)),
                        new Masked(fill(61, 1), shape(40)),
                        new Masked(fill(60, 1), shape(41))),
                Sample.of(
                        new CutBy(fill(60, 1), shape(40), Cut.Keep.OUTSIDE),
                        new CutBy(fill(60, 1), shape(40), Cut.Keep.INSIDE),
                        new CutBy(fill(60, 1), shape(41), Cut.Keep.OUTSIDE),
                        new CutBy(fill(61, 1), shape(40), Cut.Keep.OUTSIDE)),
                Sample.of(
                        new CleanEdge(fill(60, 1), shape(40), fill(30, 1)),
                        new CleanEdge(fill(61, 1), shape(40), fill(30, 1)),
                        new CleanEdge(fill(60, 1), shape(41), fill(30, 1)),
                        new CleanEdge(fill(60, 1), shape(40), fill(31, 1))),
                Sample.of(
                        new Dissolved(fill(60, 1), fill(40, 0.5), 0.3f),
                        new Dissolved(fill(60, 1), fill(40, 0.5), 0.4f),
                        new Dissolved(fill(60, 1), fill(41, 0.5), 0.3f),
                        new Dissolved(fill(61, 1), fill(40, 0.5), 0.3f)),
                Sample.of(
                        stack(BlendMode.SCREEN, Join.STAY_INSIDE),
                        stack(BlendMode.OVERLAY, Join.STAY_INSIDE),
                        stack(BlendMode.SCREEN, Join.OVER)),
                Sample.of(distance(5, 12), distance(6, 12), distance(5, 13)),
                Sample.of(atFront(9), atFront(8)),
                new Sample("FrontDistance of what was passed", passed(12, 0), List.of(passed(13, 0), passed(12, 5))),
                Sample.of(
                        new FirstBright(Optional.empty(), shape(60), FRAME, 0.4),
                        new FirstBright(Optional.empty(), shape(60), FRAME, 0.5),
                        new FirstBright(Optional.empty(), shape(61), FRAME, 0.4),
                        new FirstBright(
                                Optional.of(new FirstBright(Optional.empty(), shape(60), FRAME, 0.4)),
                                shape(60),
                                FRAME,
                                0.4)),
                Sample.of(
                        new Framed(fill(60, 1), new Region(20, 20, 50, 40)),
                        new Framed(fill(61, 1), new Region(20, 20, 50, 40)),
                        new Framed(fill(60, 1), new Region(20, 20, 50, 41))),
                Sample.of(
                        adjusted(60, 0.7, BlendMode.SCREEN),
                        adjusted(61, 0.7, BlendMode.SCREEN),
                        adjusted(60, 0.8, BlendMode.SCREEN),
                        adjusted(60, 0.7, BlendMode.NORMAL)),
                Sample.of(Averaged.of(moving(5), 5), Averaged.of(moving(5), 6), Averaged.of(moving(4), 5)),
                Sample.of(sum(7, true), sum(8, true)),
                Sample.of(ink(60, 20, 1), ink(61, 20, 1), ink(60, 21, 1), ink(60, 20, 0.5)),
                Sample.of(
                        written(0.4, 6, false, 10),
                        written(0.41, 6, false, 10),
                        written(0.4, 7, false, 10),
                        written(0.4, 6, true, 10),
                        written(0.4, 6, false, 11)),
                Sample.of(new FinishedPicture(there), new FinishedPicture(new Picture(FRAME))));
    }

    private static List<float[]> pixels(Step step, Region region, Bands bands) {
        Renderer renderer = new Renderer(Cache.NONE, bands);
        List<float[]> all = new ArrayList<>();
        if (step instanceof Step.Paints paints) {
            Picture p =
                    renderer.show(new Plan(paints, region, Light.DISPLAY), 0).picture();
            each(region, (x, y) -> all.add(p.at(x, y)));
        } else if (step instanceof Step.Shades shades) {
            Matte m = renderer.matte(shades, region);
            each(region, (x, y) -> all.add(new float[] {m.at(x, y)}));
        } else {
            all.add(numbers(renderer.made((Step.Made<?>) step, region)));
        }
        return all;
    }

    /** What is made that has no pixels, in numbers. */
    private static float[] numbers(Object made) {
        if (made instanceof List<?> paths) {
            float[] all = new float[paths.size()];
            for (int i = 0; i < all.length; i++) {
                all[i] = (float) ((PathLength) paths.get(i)).length();
            }
            return all;
        }
        return new float[] {made instanceof Pixels decoded ? decoded.bytes() : ((InkField) made).bytes()};
    }

    private interface Pixel {
        void at(int x, int y);
    }

    private static void each(Region region, Pixel use) {
        for (int y = region.y(); y < region.bottom(); y++) {
            for (int x = region.x(); x < region.right(); x++) {
                use.at(x, y);
            }
        }
    }

    @ParameterizedTest
    @MethodSource("samples")
    void anyPartEqualsThatPartOfTheWhole(Sample sample) {
        List<float[]> whole = pixels(sample.step(), FRAME, Bands.IN_TURN);
        if (whole.size() == 1) {
            // A decoded frame is always whole, and so are the places of an ink.
            return;
        }
        for (Region part : PARTS) {
            List<float[]> alone = pixels(sample.step(), part, Bands.IN_TURN);
            List<float[]> same = new ArrayList<>();
            each(part, (x, y) -> same.add(whole.get(y * FRAME.width() + x)));
            for (int i = 0; i < alone.size(); i++) {
                assertThat(alone.get(i)).as("pixel %d of %s", i, part).isEqualTo(same.get(i));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("samples")
    void nothingLiesOutsideTheDomain(Sample sample) {
        Region wide = FRAME.grown(30);
        List<float[]> all = pixels(sample.step(), wide, Bands.IN_TURN);
        Region domain = sample.step().domain();
        int[] i = {0};
        each(wide, (x, y) -> {
            if (all.size() > 1 && !domain.contains(new Region(x, y, 1, 1))) {
                assertThat(all.get(i[0])).as("at %d, %d", x, y).containsOnly(0);
            }
            i[0]++;
        });
    }

    @ParameterizedTest
    @MethodSource("samples")
    void threadsChangeNothing(Sample sample) {
        List<float[]> one = pixels(sample.step(), FRAME, Bands.IN_TURN);
        try (Workers workers = new Workers(3)) {
            List<float[]> three = pixels(sample.step(), FRAME, workers);
            for (int i = 0; i < one.size(); i++) {
                assertThat(three.get(i)).as("pixel %d", i).isEqualTo(one.get(i));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("samples")
    void allThatItIsMadeFromChangesTheKey(Sample sample) {
        Set<String> keys = new TreeSet<>();
        keys.add(sample.step().key().toString());
        for (Step other : sample.others()) {
            assertThat(keys.add(other.key().toString())).as(other.toString()).isTrue();
        }
    }

    @Test
    void everyStepIsAmongTheSamples() {
        Set<String> steps = new TreeSet<>();
        new ClassFileImporter()
                .withImportOption(new ImportOption.DoNotIncludeTests()).importPackages("aperta.core.render").stream()
                        .filter(c -> c.isAssignableTo(Step.class) && !c.isInterface())
                        .filter(c -> !c.getModifiers().contains(JavaModifier.ABSTRACT))
                        .forEach(c -> steps.add(c.getSimpleName()));
        Set<String> tried = new TreeSet<>();
        samples().forEach(s -> tried.add(s.step().getClass().getSimpleName()));

        assertThat(tried).isEqualTo(steps);
    }
}

package aperta.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Coat.Measure;
import aperta.core.shot.Content;
import aperta.core.shot.Figures;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Paint;
import aperta.core.shot.Place;
import aperta.core.shot.References;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What lies along other layers is where they are. */
class TraceTest {
    private final Studio studio = new Studio();

    private static Layer trace(String of, Content.Along along, Coat... coats) {
        Content content = Content.Trace.of(of, along, List.of(coats));
        return Layer.of("trace", "Trace", content, Span.of(0, 48), Place.at(Point.ORIGIN))
                .withParent(Optional.of(of));
    }

    private static final Coat FILL = Coat.Fill.of("fill", Colour.WHITE);

    private static Coat.Stroke line(double width) {
        return Coat.Stroke.of("line", Colour.WHITE, width);
    }

    private Picture render(Layer... layers) {
        return studio.render(Studio.shot(layers), 5);
    }

    private static Layer hidden(Layer layer) {
        return layer.withHidden(true);
    }

    private static double sum(Picture p) {
        double sum = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                sum += p.at(x, y)[3];
            }
        }
        return sum;
    }

    @Test
    void theTraceOfLettersFilledIsTheLetters() {
        Layer word = Studio.word("w", "B&a8", 60);
        Picture plain = render(word);
        Picture traced = render(trace("w", Content.Along.SHAPE, FILL), hidden(word));
        assertThat(Studio.furthest(plain, traced)).isLessThan(1e-4f);
    }

    @Test
    void itGoesWhereTheLayerGoes() {
        Layer word = Studio.word("w", "ILL", 40);
        Place turned = word.place()
                .withRotation(Animated.of(23.0))
                .withScale(Animated.of(new Point(1.3, 0.8)))
                .withPosition(Animated.of(new Point(70, 52)));
        Picture plain = render(word.withPlace(turned));
        Picture traced = render(trace("w", Content.Along.SHAPE, FILL), hidden(word.withPlace(turned)));
        assertThat(Studio.furthest(plain, traced)).isLessThan(1e-4f);
    }

    /** A group has only a picture: its outlines are found in it, wherever it lies. */
    @Test
    void theTraceOfAPictureIsFoundInIt() {
        Layer word = Studio.word("in", "OR", 50);
        Layer group = Layer.of(
                "g",
                "Group",
                new Content.Group(List.of(word)),
                Span.of(0, 48),
                Place.at(new Point(80, 45)).withAnchor(Animated.of(new Point(80, 45))));
        Picture plain = render(group);
        Picture traced = render(trace("g", Content.Along.SHAPE, FILL).withPlace(Place.at(Point.ORIGIN)), hidden(group));
        assertThat(Math.abs(sum(traced) / sum(plain) - 1)).isLessThan(0.01);
        double apart = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                apart += Math.abs(plain.at(x, y)[3] - traced.at(x, y)[3]);
            }
        }
        // By less than 0.15 pixels times the length of its outline, some 400 pixels.
        assertThat(apart).isLessThan(60);
    }

    @Test
    void theBrightnessOfAClipIsTracedAtAThreshold() {
        Layer clip = Studio.clip(Studio.SMOOTH);
        Content.Trace bright = Content.Trace.of("smooth", Content.Along.BRIGHTNESS, List.of(FILL));
        Picture film = render(clip);
        for (double threshold : new double[] {0.35, 0.5, 0.6}) {
            Layer trace = Layer.of(
                            "trace",
                            "Trace",
                            bright.withThreshold(Animated.of(threshold)).withLeast(Animated.of(0.0)),
                            Span.of(0, 48),
                            Place.at(Point.ORIGIN))
                    .withParent(Optional.of("smooth"));
            Picture traced = render(trace, hidden(clip));
            int wrong = 0;
            for (int y = 2; y < 88; y++) {
                for (int x = 2; x < 158; x++) {
                    float[] c = film.at(x, y);
                    // The weights of BT.709 for what is encoded.
                    double luma = 0.2126 * c[0] + 0.7152 * c[1] + 0.0722 * c[2];
                    if (Math.abs(luma - threshold) > 0.02 && (luma > threshold) != (traced.at(x, y)[3] > 0.5)) {
                        wrong++;
                    }
                }
            }
            assertThat(wrong).as("pixels on the wrong side of %s", threshold).isZero();
        }
    }

    /** A live trace follows its source; one that looks at a frame stays as it was there. */
    @Test
    void itFollowsOrHolds() {
        Animated<Point> grows = Animated.of(new Point(20, 20))
                .withKeys(List.of(
                        new Key<>(0, new Point(20, 20), Ease.LINEAR), new Key<>(20, new Point(80, 40), Ease.LINEAR)));
        Layer box = Layer.of(
                "b",
                "Box",
                new Content.Fill(grows, new Paint.Solid(Animated.of(Colour.WHITE))),
                Span.of(0, 48),
                Place.at(new Point(80, 45)));
        Content.Trace live = Content.Trace.of("b", Content.Along.SHAPE, List.of(FILL));
        Content.Trace held = new Content.Trace(
                "b", Content.Along.SHAPE, live.threshold(), live.least(), Optional.of(20L), List.of(FILL));
        Shot following = Studio.shot(trace("b", Content.Along.SHAPE, FILL), hidden(box));
        Shot holding = Studio.shot(trace("b", Content.Along.SHAPE, FILL).withContent(held), hidden(box));
        assertThat(sum(studio.render(following, 0))).isCloseTo(400, within(8.0));
        assertThat(sum(studio.render(following, 20))).isCloseTo(3200, within(20.0));
        assertThat(sum(studio.render(holding, 0))).isCloseTo(3200, within(20.0));
    }

    @Test
    void masksAreTracedWithoutCuttingTheTrace() {
        BezierPath path = Figures.rounded(Box.centred(50, 30), 0);
        Layer box = Studio.box("b", 80, 45, 140, 80, Colour.WHITE).withMasks(List.of(Mask.of("m", "Mask", path)));
        Picture traced = render(trace("b", Content.Along.MASKS, line(2)), hidden(box));
        assertThat(sum(traced)).isCloseTo(2 * 160, within(1.0));
        assertThat(traced.at(80, 30)[3]).isEqualTo(1f);
        assertThat(traced.at(80, 45)[3]).isZero();
    }

    @Test
    void thePenStrokesOfAWordAreTraced() {
        Layer word = Studio.word("w", "ILL", 60);
        Picture traced = render(trace("w", Content.Along.INK, line(2)), hidden(word));
        Picture letters = render(word);
        assertThat(sum(traced)).isGreaterThan(200);
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                if (traced.at(x, y)[3] > 0.9) {
                    assertThat(letters.at(x, y)[3]).isGreaterThan(0f);
                }
            }
        }
    }

    /** The light at a distance d from a long thin line is the sum of Gaussians of d, each brought to one at the line. */
    @Test
    void theHaloFallsOffAsItsGaussiansDo() {
        Layer thread = shape(line(2).with(Measure.HALO, Animated.of(30.0)).with(Measure.HALO_LIGHT, Animated.of(0.5)));
        Picture p = render(thread);
        for (int d = 4; d < 40; d++) {
            double light = 0;
            for (double[] bell : new double[][] {{0.4, 0.2}, {0.16, 0.3}, {0.064, 0.5}}) {
                double sigma = bell[0] * 30;
                light += 0.5 * bell[1] * StrictMath.exp(-(d + 0.5) * (d + 0.5) / (2 * sigma * sigma));
            }
            assertThat((double) p.at(80, 45 + d)[3]).isCloseTo(light, within(0.012));
        }
        assertThat(p.at(80, 45)[3]).isEqualTo(1f);
    }

    private static Layer shape(Coat... coats) {
        BezierPath across = new BezierPath(
                List.of(
                        new BezierPath.Knot(new Point(-400, 0), Point.ORIGIN, Point.ORIGIN),
                        new BezierPath.Knot(new Point(400, 0), Point.ORIGIN, Point.ORIGIN)),
                false);
        Content content =
                new Content.Shape(List.of(new Content.Shape.Path("p", "Path", Animated.of(across))), List.of(coats));
        return Layer.of("s", "Line", content, Span.of(0, 48), Place.at(new Point(80, 45)));
    }

    /** From half and from quarter quality a line of light looks as from full. */
    @Test
    void aThreadIsTheSameAtEveryQuality() {
        Coat.Stroke thread = line(4).with(Measure.SOFTNESS, Animated.of(1.5))
                .with(Measure.HALO, Animated.of(24.0))
                .with(Measure.HEAD, Animated.of(10.0))
                .with(Measure.END, Animated.of(0.55));
        Shot shot = Studio.shot(shape(thread));
        Picture full = studio.render(shot, 0);
        for (int part : new int[] {2, 4}) {
            Picture small = studio.render(shot, 0, 1.0 / part, 1, Cache.NONE);
            for (int y = 0; y < 90 / part; y++) {
                for (int x = 0; x < 160 / part; x++) {
                    double mean = 0;
                    for (int i = 0; i < part * part; i++) {
                        mean += full.at(part * x + i % part, part * y + i / part)[3] / (part * part);
                    }
                    assertThat((double) small.at(x, y)[3]).isCloseTo(mean, within(0.09));
                }
            }
        }
    }

    /** The halo and the head of what is found in pictures are as those of known paths. */
    @Test
    void coatsOfFoundLinesAreThoseOfKnownOnes() {
        Coat.Stroke coat = line(3).with(Measure.END, Animated.of(0.4))
                .with(Measure.HALO, Animated.of(10.0))
                .with(Measure.HEAD, Animated.of(8.0));
        Layer box = Studio.box("b", 80, 45, 60, 30, Colour.WHITE);
        Picture found = render(trace("b", Content.Along.SHAPE, coat), hidden(box));
        BezierPath path = studio.planner
                .traced(studio.planner.moment(Studio.shot(trace("b", Content.Along.SHAPE, coat), box), 5), "trace")
                .get(0);
        Content known =
                new Content.Shape(List.of(new Content.Shape.Path("p", "Path", Animated.of(path))), List.of(coat));
        Picture drawn = render(Layer.of("s", "Line", known, Span.of(0, 48), Place.at(new Point(80, 45))));
        assertThat(Studio.furthest(found, drawn)).isLessThan(1e-4f);
        assertThat(path.knots()).hasSize(4);
    }

    private static Layer box(String id, double width, double height) {
        Content fill =
                new Content.Fill(Animated.of(new Point(width, height)), new Paint.Solid(Animated.of(Colour.WHITE)));
        return Layer.of(id, id, fill, Span.of(0, 48), Place.at(new Point(20, 20)));
    }

    private static Coat.Stroke ridden(String layer, boolean turns, double end) {
        return line(0).with(Measure.END, Animated.of(end))
                .with(Measure.HEAD, Animated.of(20.0))
                .with(Measure.HEAD_GLOW, Animated.of(0.0))
                .with(Measure.HEAD_FADE, Animated.of(10.0))
                .withRider(Optional.of(new Coat.Rider(layer, turns)));
    }

    private Picture along(BezierPath path, Coat coat, Layer... others) {
        Content content =
                new Content.Shape(List.of(new Content.Shape.Path("p", "Path", Animated.of(path))), List.of(coat));
        Layer shape = Layer.of("shape", "Shape", content, Span.of(0, 48), Place.at(Point.ORIGIN));
        Layer[] all = new Layer[others.length + 1];
        all[0] = shape;
        System.arraycopy(others, 0, all, 1, others.length);
        return render(all);
    }

    private static BezierPath straight(double x0, double y0, double x1, double y1) {
        return new BezierPath(List.of(BezierPath.Knot.corner(x0, y0), BezierPath.Knot.corner(x1, y1)), false);
    }

    /** A layer that runs at the end lies with its middle there, as long as the head is wide, and shows nowhere else. */
    @Test
    void aLayerRunsAtTheDrawingEnd() {
        Picture p = along(straight(40, 45, 120, 45), ridden("b", false, 0.5), box("b", 40, 10));
        // The end is at (80, 45); 20 by 5 pixels there.
        assertThat(sum(p)).isCloseTo(100, within(0.5));
        assertThat(p.at(80, 45)[3]).isEqualTo(1);
        assertThat(p.at(71, 45)[3]).isEqualTo(1);
        assertThat(p.at(68, 45)[3]).isZero();
        assertThat(p.at(20, 20)[3]).isZero();
    }

    @Test
    void itTurnsWithTheLineWhereItIsToAndFadesAsItArrives() {
        Picture turned = along(straight(80, 10, 80, 80), ridden("b", true, 0.5), box("b", 40, 10));
        assertThat(turned.at(80, 36)[3]).isEqualTo(1);
        assertThat(turned.at(88, 45)[3]).isZero();
        Picture upright = along(straight(80, 10, 80, 80), ridden("b", false, 0.5), box("b", 40, 10));
        assertThat(upright.at(88, 45)[3]).isEqualTo(1);
        // 5 of the 10 pixels over which it fades are left.
        Picture late = along(straight(40, 45, 120, 45), ridden("b", false, 75.0 / 80), box("b", 40, 10));
        assertThat(late.at(115, 45)[3]).isCloseTo(0.5f, within(1e-3f));
        assertThat(sum(along(straight(40, 45, 120, 45), ridden("b", false, 1), box("b", 40, 10))))
                .isZero();
    }

    /** It shines by its own shape: where it is bright there is light around it, but no disc in front of it. */
    @Test
    void aLayerThatRunsShinesByItsOwnShape() {
        Coat.Stroke glowing = ridden("b", false, 0.5).with(Measure.HEAD_GLOW, Animated.of(6.0));
        Picture p = along(straight(40, 45, 120, 45), glowing, box("b", 40, 10));
        assertThat(p.at(80, 45)[3]).isEqualTo(1);
        assertThat(p.at(80, 50)[3]).isBetween(0.01f, 0.9f);
        // A dot of the head's width would cover this place wholly.
        assertThat(p.at(80, 53)[3]).isLessThan(0.5f);
    }

    @Test
    void aLayerRunsAtEachOfSeveralEnds() {
        List<Content.Shape.Path> paths = new java.util.ArrayList<>();
        for (int i = 0; i < 3; i++) {
            paths.add(new Content.Shape.Path("p" + i, "Path", Animated.of(straight(20 + 40 * i, 10, 20 + 40 * i, 80))));
        }
        Content content = new Content.Shape(paths, List.of(ridden("b", false, 0.5)));
        Layer shape = Layer.of("shape", "Shape", content, Span.of(0, 48), Place.at(Point.ORIGIN));
        assertThat(sum(render(shape, box("b", 40, 10)))).isCloseTo(300, within(1.5));
    }

    /** Along what is found in a picture it runs as along what is known. */
    @Test
    void aLayerRunsAlongWhatIsFound() {
        Layer group = Layer.of(
                "g",
                "Group",
                new Content.Group(List.of(box("in", 60, 40).withPlace(Place.at(new Point(80, 45))))),
                Span.of(0, 48),
                Place.at(new Point(80, 45)).withAnchor(Animated.of(new Point(80, 45))));
        Layer trace = trace("g", Content.Along.SHAPE, ridden("b", false, 0.3)).withPlace(Place.at(Point.ORIGIN));
        Picture p = render(trace, hidden(group), box("b", 12, 12));
        assertThat(sum(p)).isCloseTo(400, within(4.0));
    }

    @Test
    void aHeadIsAnotherLayerWithAPicture() {
        Layer trace = trace("w", Content.Along.SHAPE, ridden("trace", false, 0.3));
        assertThat(Rules.broken(Studio.shot(trace, Studio.word("w", "I", 40))))
                .containsExactly(
                        "A stroke of 'Trace' can't have the layer itself as its head, nor a group that holds it.");
        Layer gone = trace("w", Content.Along.SHAPE, ridden("b", false, 0.3));
        assertThat(Rules.broken(Studio.shot(gone, Studio.word("w", "I", 40))))
                .containsExactly("A stroke of 'Trace' has the head 'b', which is not in this shot.");
        Coat.Stroke left = (Coat.Stroke)
                ((Content.Trace) References.without(gone, Set.of("b")).content())
                        .coats()
                        .get(0);
        assertThat(left.rider()).isEmpty();
        assertThat(References.of(References.renamed(gone, Map.of("b", "c")))).contains("c");
    }
}

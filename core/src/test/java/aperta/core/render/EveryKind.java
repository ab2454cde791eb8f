package aperta.core.render;

import aperta.core.colour.Colour;
import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.BrushStroke;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.CutOut;
import aperta.core.shot.Figures;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.LetterLook;
import aperta.core.shot.LetterRun;
import aperta.core.shot.Mask;
import aperta.core.shot.Paint;
import aperta.core.shot.Passage;
import aperta.core.shot.PenLine;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.shot.Track;
import aperta.core.texture.Textures;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Rate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Layers of every kind of content, with masks, a cut, an arrival and a departure, on which tests of all properties run. */
public final class EveryKind {
    private static final List<Paint.Stop> STOPS =
            List.of(Paint.Stop.of("s1", 0, Colour.WHITE), Paint.Stop.of("s2", 1, new Colour(0.2, 0.4, 0.9, 1)));

    private EveryKind() {}

    private static BezierPath rectangle(double w, double h) {
        return Figures.rounded(Box.centred(w, h), 0);
    }

    /** One of each, the group's inner layer too. */
    public static List<Content> contents() {
        BezierPath path = rectangle(60, 30);
        Coat.Stroke stroke = Coat.Stroke.of(
                        "stroke", new Paint.Conic(Animated.of(new Point(2, 1)), Animated.of(40.0), STOPS))
                .withOpacity(Animated.of(0.9))
                .withDash(List.of(9.0, 4.0))
                .with(Coat.Measure.WIDTH, Animated.of(5.0))
                .with(Coat.Measure.END, Animated.of(0.7))
                .with(Coat.Measure.MITRE_LIMIT, Animated.of(1.2))
                .with(Coat.Measure.SOFTNESS, Animated.of(0.5))
                .with(Coat.Measure.HALO, Animated.of(12.0))
                .with(Coat.Measure.HEAD, Animated.of(8.0))
                .with(Coat.Measure.HEAD_TAIL, Animated.of(14.0))
                .with(Coat.Measure.HEAD_FADE, Animated.of(200.0));
        Animated<Point> size = Animated.of(new Point(70, 40));
        return List.of(
                letters(),
                new Content.Footage("rain"),
                new Content.Footage("rain")
                        .withCutOut(Optional.of(new CutOut(
                                List.of(new BrushStroke(3, true, 4, List.of(new Point(20, 30), new Point(22, 35.5)))),
                                Optional.of(new CutOut.Carried(
                                        Studio.COVERAGE,
                                        new Track.Clip(160, 90, Rate.of(24)),
                                        0,
                                        Collections.nCopies(48, 0.8),
                                        Collections.nCopies(48, 0.4))),
                                new CutOut.Tidy(Animated.of(0.5), Animated.of(4.0), Animated.of(3.0)),
                                Cut.Tone.PLAIN.withSpread(Animated.of(1.5)),
                                Animated.of(3.0)))),
                new Content.Still("map"),
                new Content.Sound("bell", Animated.of(0.0)),
                new Content.Shape(
                        List.of(new Content.Shape.Path("path", "Path 1", Animated.of(path))),
                        List.of(stroke, Coat.Fill.of("fill", new Colour(0.1, 0.6, 0.5, 1)))),
                drawn(),
                Content.Trace.of("again", Content.Along.SHAPE, List.of(stroke)),
                new Content.Fill(size, new Paint.Solid(Animated.of(Colour.WHITE))),
                new Content.Fill(
                        size, new Paint.Linear(Animated.of(new Point(-30, 0)), Animated.of(new Point(30, 5)), STOPS)),
                new Content.Fill(size, new Paint.Radial(Animated.of(new Point(4, 3)), Animated.of(30.0), STOPS)),
                new Content.Fill(size, new Paint.Conic(Animated.of(new Point(-3, 2)), Animated.of(20.0), STOPS)),
                new Content.Group(List.of(Studio.box("inner", 80, 45, 50, 20, Colour.WHITE))),
                new Content.Again("again"),
                new Content.Nested("inner", Optional.of(Studio.shot(Studio.word("w", "HILL", 40)))),
                new Content.Texture(
                        size,
                        AnimatedRecipe.of(Textures.of("noise").descriptor().standard())),
                new Content.Texture(
                        size,
                        AnimatedRecipe.of(Textures.of("steam").descriptor().standard())),
                new Content.Texture(
                        size,
                        AnimatedRecipe.of(
                                Textures.of("light-ripples").descriptor().standard())),
                new Content.Texture(
                        size,
                        AnimatedRecipe.of(
                                Textures.of("fe-turbulence").descriptor().standard())),
                new Content.Adjustment());
    }

    /** A line by hand, of which a part goes after some frames. */
    private static Content drawn() {
        BezierPath path = new BezierPath(
                List.of(
                        new BezierPath.Knot(new Point(-30, -10), Point.ORIGIN, Point.ORIGIN, 6),
                        new BezierPath.Knot(new Point(30, 12), Point.ORIGIN, Point.ORIGIN, 10)),
                false);
        PenLine line = new PenLine("1", path, Colour.WHITE, PenLine.Nib.ROUND, 0, List.of(0.0, 0.8), 0);
        return new Content.Drawings(
                List.of(line),
                List.of(
                        new Content.Drawings.Drawing(0, List.of(new Content.Drawings.Part("1", 0, 1)), false),
                        new Content.Drawings.Drawing(9, List.of(new Content.Drawings.Part("1", 0.2, 0.7)), true)));
    }

    /** Two lines, of which one has letters of another look, filled with a gradient. */
    private static Content.Text letters() {
        LetterLook look = LetterLook.plain("anton", 26)
                .with(LetterLook.Measure.FILL_OPACITY, Animated.of(0.9))
                .withEdge(Animated.of(new Colour(0.8, 0.2, 0.1, 1)))
                .with(LetterLook.Measure.EDGE_WIDTH, Animated.of(2.0))
                .with(LetterLook.Measure.EDGE_OPACITY, Animated.of(0.8));
        LetterLook other = LetterLook.NOTHING
                .with(LetterLook.Measure.SIZE, Animated.of(31.0))
                .with(LetterLook.Measure.TRACKING, Animated.of(20.0))
                .with(LetterLook.Measure.LEADING, Animated.of(1.0))
                .with(LetterLook.Measure.FILL_OPACITY, Animated.of(0.7))
                .with(LetterLook.Measure.EDGE_WIDTH, Animated.of(1.0))
                .with(LetterLook.Measure.EDGE_OPACITY, Animated.of(0.6))
                .withEdge(Animated.of(new Colour(0.1, 0.5, 0.9, 1)))
                .withFill(new Paint.Linear(Animated.of(new Point(-20, 0)), Animated.of(new Point(20, 9)), STOPS));
        return new Content.Text(
                "LAST\nTRAM", Content.Align.LEFT, true, look, List.of(new LetterRun("r1", 5, 7, other)));
    }

    /** A layer with that content, which changes over time in every way but by keys. */
    public static Layer layer(Content content) {
        Mask mask = new Mask(
                "mask",
                "Mask",
                Animated.of(rectangle(110, 70)),
                Animated.of(6.0),
                Animated.of(1.0),
                Animated.of(0.8),
                false,
                Mask.Mode.ADD,
                Mask.Lock.LAYER,
                Optional.empty());
        Cut.Tone tone = Cut.Tone.PLAIN
                .withBlack(Animated.of(0.1))
                .withSpread(Animated.of(1.0))
                .withBlur(Animated.of(1.5));
        Passage arrival = new Passage(
                10,
                0,
                Ease.LINEAR,
                Pose.REST,
                Optional.of(AnimatedRecipe.of(Openings.of("wipe").descriptor().standard())));
        Passage departure = new Passage(
                10,
                0,
                Ease.LINEAR,
                Pose.REST,
                Optional.of(AnimatedRecipe.of(Openings.of("iris").descriptor().standard())));
        return Layer.of("tested", "Tested", content, Span.of(0, 48), Place.at(new Point(82, 44)))
                .withMasks(List.of(mask))
                .withEffects(effects(content))
                .withCut(Optional.of(new Cut("cutter", Cut.With.SHAPE, Cut.Keep.INSIDE, tone)))
                .withArrive(Optional.of(arrival))
                .withLeave(Optional.of(departure));
    }

    /** Shapes have every effect, the others some; those of time draw the layer again and again, {@link EffectsTest} tries them. */
    private static List<LayerEffect> effects(Content content) {
        return Effects.all().stream()
                .filter(e -> e.purpose() != Effect.Purpose.TIME)
                .filter(e -> content instanceof Content.Shape
                        || SOME.contains(e.descriptor().kind()))
                .map(EveryKind::link)
                .toList();
    }

    private static final Set<String> SOME = Set.of("blur", "turbulence", "grade");

    private static LayerEffect link(Effect effect) {
        return LayerEffect.of(
                        effect.descriptor().kind(),
                        AnimatedRecipe.of(effect.descriptor().standard()),
                        effect.station())
                .withAmount(Animated.of(0.7));
    }

    /** The layer in a shot with all that it needs. */
    public static Shot shot(Layer layer) {
        List<Layer> all = new ArrayList<>();
        all.add(layer);
        all.add(Studio.box("cutter", 80, 45, 120, 60, new Colour(0.7, 0.7, 0.7, 0.9)));
        all.add(Layer.of(
                        "again",
                        "Again",
                        new Content.Group(List.of(Studio.box("deep", 70, 40, 30, 30, Colour.WHITE))),
                        Span.of(0, 48),
                        Place.at(Studio.SMALL.centre()).withAnchor(Animated.of(Studio.SMALL.centre())))
                .withHidden(true));
        return Studio.shot(all.toArray(Layer[]::new));
    }
}

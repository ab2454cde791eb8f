package aperta.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.edit.GroupEdits;
import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.picture.Picture;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Figures;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.LayerEffect.Station;
import aperta.core.shot.Mask;
import aperta.core.shot.Paint;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What every effect keeps to, beside what every step does ({@link StepContractTest}), and the order of the chain. */
class EffectsTest {
    private final Studio studio = new Studio();

    static Stream<Effect> effects() {
        return Effects.all().stream();
    }

    private static LayerEffect link(Recipe recipe, Station station, double amount) {
        return LayerEffect.of(recipe.kind(), AnimatedRecipe.of(recipe), station).withAmount(Animated.of(amount));
    }

    private static LayerEffect link(Effect effect, double amount) {
        return link(effect.descriptor().standard(), effect.station(), amount);
    }

    private static Recipe recipe(String kind, Map<String, ?> values) {
        return Recipe.of(Effects.of(kind).descriptor(), values);
    }

    private static final Layer SMOOTH =
            Layer.of("l", "Smooth", new Content.Footage(Studio.SMOOTH), Span.of(0, 48), Place.at(new Point(80, 45)));

    /** A word, and footage that fills the frame. */
    private static List<Layer> contents() {
        return List.of(Studio.word("l", "TRAM", 50), SMOOTH);
    }

    private Picture with(Layer layer, LayerEffect... effects) {
        return studio.render(Studio.shot(layer.withEffects(List.of(effects))), 0);
    }

    /** Half of an effect that mixes lies half way, also where what it made was kept and something above it changes. */
    @Test
    void halfAnAmountLiesHalfWay() {
        RecentCache cache = new RecentCache(64L << 20);
        Recipe soft = recipe("blur", Map.of("deviation", 5.0));
        Layer word = Studio.word("l", "TRAM", 50);
        Picture plain = with(word);
        Picture whole = with(word, link(soft, Station.BEFORE_CUT, 1));
        for (double stops : new double[] {0, 0, 0.001}) {
            LayerEffect brighter = link(recipe("exposure", Map.of("stops", stops)), Station.BEFORE_CUT, 1);
            Shot shot = Studio.shot(word.withEffects(List.of(link(soft, Station.BEFORE_CUT, 0.5), brighter)));
            Picture half = studio.render(shot, 0, 1, 1, cache);
            for (int y = 0; y < 90; y += 3) {
                for (int x = 0; x < 160; x += 3) {
                    float between = (plain.at(x, y)[3] + whole.at(x, y)[3]) / 2;
                    assertThat(half.at(x, y)[3]).as("%d, %d", x, y).isCloseTo(between, within(1e-5f));
                }
            }
        }
    }

    @ParameterizedTest
    @MethodSource("effects")
    void noAmountIsThePictureUntouched(Effect effect) {
        for (Layer layer : contents()) {
            Picture plain = with(layer);
            assertThat(Studio.furthest(with(layer, link(effect, 0)), plain)).isZero();
            assertThat(Studio.furthest(with(layer, link(effect, 1).withOn(false)), plain))
                    .isZero();
        }
    }

    /** A layer that is moved by whole pixels gives the picture moved by as many, within a step of eight bits. */
    @ParameterizedTest
    @MethodSource("effects")
    void itGoesWhereItsLayerGoes(Effect effect) {
        Layer layer = Studio.word("l", "IM", 30);
        Picture here = with(layer, link(effect, 0.7));
        Layer moved = layer.withPlace(layer.place().withPosition(Animated.of(new Point(87, 40))));
        Picture there = with(moved, link(effect, 0.7));
        for (int y = 10; y < 70; y++) {
            for (int x = 30; x < 120; x++) {
                for (int c = 0; c < 4; c++) {
                    assertThat(there.at(x + 7, y - 5)[c])
                            .as("%d, %d", x, y)
                            .isCloseTo(here.at(x, y)[c], within(1 / 255f));
                }
            }
        }
    }

    /**
     * At half the size it is close to the picture made smaller, means of four pixels: by a tenth of all that is there on the
     * average. Where a pattern is as fine as a pixel, as much is there and it varies as much.
     */
    @ParameterizedTest
    @MethodSource("effects")
    void atHalfTheSizeItIsLikeThePictureMadeSmaller(Effect effect) {
        boolean fine = FINE.contains(effect.descriptor().kind());
        for (Layer layer : contents()) {
            Shot shot = Studio.shot(layer.withEffects(List.of(link(withMap(effect), effect.station(), 1))), MAP);
            Picture full = studio.render(shot, 0);
            Picture half = studio.render(shot, 0, 0.5, 1, Cache.NONE);
            double off = 0;
            double all = 0;
            double other = 0;
            for (int y = 0; y < 45; y++) {
                for (int x = 0; x < 80; x++) {
                    for (int c = 0; c < 4; c++) {
                        double mean = 0;
                        for (int i = 0; i < 4; i++) {
                            mean += full.at(2 * x + i % 2, 2 * y + i / 2)[c] / 4;
                        }
                        off += Math.abs(mean - half.at(x, y)[c]);
                        all += mean;
                        other += half.at(x, y)[c];
                    }
                }
            }
            assertThat(other).as(effect.descriptor().label()).isCloseTo(all, within(0.04 * all + 1));
            assertThat(off / (all + 1))
                    .as(effect.descriptor().label() + " of " + layer.name())
                    .isLessThan(fine ? 0.4 : 0.1);
        }
    }

    /** Effects whose patterns are as fine as a pixel at their standard values. */
    private static final Set<String> FINE = Set.of("tape", "tile", "grain", "old-film");

    private static final Layer MAP = Studio.box("map", 80, 45, 90, 50, new Colour(0.8, 0.2, 0.4, 1));

    private static Recipe withMap(Effect effect) {
        Recipe recipe = effect.descriptor().standard();
        for (Parameter p : effect.descriptor().parameters()) {
            recipe = p.kind() == Parameter.Kind.LAYER ? recipe.with(p.name(), "map") : recipe;
        }
        return recipe;
    }

    /** Every parameter makes a difference somewhere: at its standard values, or where another one lets it. */
    @ParameterizedTest
    @MethodSource("effects")
    void everyParameterChangesThePicture(Effect effect) {
        for (Parameter p : effect.descriptor().parameters()) {
            if (p.kind() == Parameter.Kind.FILE || p.kind() == Parameter.Kind.LAYER) {
                continue;
            }
            Recipe recipe = withMap(effect);
            for (var needed : NEEDED.getOrDefault(effect.descriptor().kind() + "." + p.name(), Map.of())
                    .entrySet()) {
                recipe = recipe.with(needed.getKey(), needed.getValue());
            }
            double most = 0;
            for (Layer layer : contents()) {
                Layer moving = layer.withArrive(Optional.of(ON_ITS_WAY))
                        .withPlace(layer.place()
                                .withRotation(new Animated<>(
                                        0.0,
                                        List.of(new Key<>(0, 0.0, Ease.LINEAR), new Key<>(10, 90.0, Ease.LINEAR)))));
                Shot plain = Studio.shot(moving.withEffects(List.of(link(recipe, effect.station(), 1))), MAP);
                Shot other = Studio.shot(
                        moving.withEffects(List.of(link(recipe.with(p.name(), OtherValue.of(p)), effect.station(), 1))),
                        MAP);
                for (int frame : new int[] {5, 14}) {
                    most = Math.max(most, Studio.furthest(studio.render(plain, frame), studio.render(other, frame)));
                }
            }
            boolean table = effect.descriptor().kind().equals("colour-table");
            assertThat(most).as(p.name()).isGreaterThan(table ? -1 : 1e-4);
        }
    }

    /** What lets a parameter make a difference. */
    private static final Map<String, Map<String, ?>> NEEDED = Map.ofEntries(
            Map.entry("colour-matrix.type", Map.of("saturate", 0.3)),
            Map.entry("colour-matrix.saturate", Map.of("type", "saturate")),
            Map.entry("colour-matrix.hue", Map.of("type", "hue rotate")),
            Map.entry("colours-by-brightness.count", Map.of("colour5", Colour.BLACK, "at5", 0.5)),
            Map.entry("colours-by-brightness.colour5", Map.of("count", 8.0, "at5", 0.5)),
            Map.entry("colours-by-brightness.at5", Map.of("count", 8.0, "colour5", Colour.BLACK)),
            Map.entry("colours-by-brightness.colour6", Map.of("count", 8.0, "at6", 0.5)),
            Map.entry("colours-by-brightness.at6", Map.of("count", 8.0, "colour6", Colour.BLACK)),
            Map.entry("colours-by-brightness.colour7", Map.of("count", 8.0, "at7", 0.5)),
            Map.entry("colours-by-brightness.at7", Map.of("count", 8.0, "colour7", Colour.BLACK)),
            Map.entry("colours-by-brightness.colour8", Map.of("count", 8.0, "at8", 0.5)),
            Map.entry("colours-by-brightness.at8", Map.of("count", 8.0, "colour8", Colour.BLACK)));

    private static final Passage ON_ITS_WAY = new Passage(
            20,
            0,
            Ease.LINEAR,
            Pose.REST,
            Optional.of(AnimatedRecipe.of(Openings.of("wipe").descriptor().standard())));

    @ParameterizedTest
    @MethodSource("effects")
    void extremesGiveNumbersAndColourStaysWithinAlpha(Effect effect) {
        Recipe standard = withMap(effect);
        List<Recipe> extremes = new ArrayList<>(List.of(standard));
        for (Parameter p : effect.descriptor().parameters()) {
            if (p.standard() instanceof Double) {
                extremes.add(standard.with(p.name(), p.least()));
                extremes.add(standard.with(p.name(), p.most()));
            }
        }
        for (Recipe r : extremes) {
            Layer layer = Studio.word("l", "TRAM", 50).withArrive(Optional.of(ON_ITS_WAY));
            Shot shot = Studio.shot(layer.withEffects(List.of(link(r, effect.station(), 1))), MAP);
            Picture p = studio.render(shot, 5);
            for (int y = 0; y < 90; y += 3) {
                for (int x = 0; x < 160; x += 3) {
                    float[] v = p.at(x, y);
                    assertThat(v[3]).as("%s", r).isBetween(-1e-5f, 1 + 1e-5f);
                    for (int c = 0; c < 3; c++) {
                        float most = effect.isLight() ? Float.MAX_VALUE : v[3] + 1e-5f;
                        assertThat(v[c]).as("%s", r).isBetween(-1e-5f, most);
                    }
                }
            }
        }
    }

    /** The way that turbulence leads is, over many places, as strong as is said, and leads nowhere on the average. */
    @Test
    void turbulenceIsAsStrongAsIsSaid() {
        // A ramp tells each pixel's way: its value is where the pixel came from.
        int n = 0;
        double sum = 0;
        double squares = 0;
        for (int seed = 1; seed <= 40; seed++) {
            Recipe r =
                    recipe("turbulence", Map.of("across", 5.0, "down", 0.0, "wavelength", 24.0, "seed", (double) seed));
            Layer ramp = Studio.box("l", 80, 45, 1600, 900, Colour.WHITE);
            Paint paint = new Paint.Linear(
                    Animated.of(new Point(-800, 0)),
                    Animated.of(new Point(800, 0)),
                    List.of(Paint.Stop.of("a", 0, Colour.BLACK), Paint.Stop.of("b", 1, Colour.WHITE)));
            ramp = ramp.withContent(new Content.Fill(Animated.of(new Point(1600, 900)), paint));
            Picture p = with(ramp, link(r, Station.BEFORE_MASKS, 1));
            for (int y = 2; y < 90; y += 7) {
                for (int x = 2; x < 160; x += 7) {
                    double way = p.at(x, y)[0] * 1600 - (x + 0.5 + 720);
                    sum += way;
                    squares += way * way;
                    n++;
                }
            }
        }
        assertThat(sum / n).isCloseTo(0, within(0.25));
        assertThat(Math.sqrt(squares / n)).isCloseTo(5, within(0.15));
    }

    /** Before the masks it bends the letters and leaves the mask's edge calm; behind them it bends both. */
    @Test
    void theOrderOfTheChainCounts() {
        Mask left = Mask.of("m", "Left", Figures.rounded(new Box(-80, -45, 0, 45), 0));
        Layer layer = Studio.box("l", 80, 45, 400, 300, Colour.WHITE).withMasks(List.of(left));
        Recipe r = recipe("turbulence", Map.of("across", 6.0, "down", 6.0, "wavelength", 30.0));
        Picture before = with(layer, link(r, Station.BEFORE_MASKS, 1));
        Picture behind = with(layer, link(r, Station.BEFORE_CUT, 1));
        double calm = 0;
        double bent = 0;
        for (int y = 0; y < 90; y++) {
            calm += Math.abs(before.at(79, y)[3] - 1) + before.at(81, y)[3];
            bent += Math.abs(behind.at(79, y)[3] - 1) + behind.at(81, y)[3];
        }
        assertThat(calm).isZero();
        assertThat(bent).isGreaterThan(5);
        // Behind the cut a blur surrounds what is left; before it, it is cut.
        Layer card = Studio.box("card", 80, 45, 60, 40, Colour.WHITE);
        Layer cut = Studio.box("l", 80, 45, 160, 90, Colour.WHITE)
                .withCut(Optional.of(new Cut("card", Cut.With.SHAPE, Cut.Keep.INSIDE, Cut.Tone.PLAIN)));
        Recipe blur = recipe("blur", Map.of("deviation", 5.0));
        Picture inside =
                studio.render(Studio.shot(cut.withEffects(List.of(link(blur, Station.BEFORE_CUT, 1))), card), 0);
        Picture around =
                studio.render(Studio.shot(cut.withEffects(List.of(link(blur, Station.BEHIND_CUT, 1))), card), 0);
        assertThat(inside.at(45, 45)[3]).isZero();
        assertThat(around.at(45, 45)[3]).isGreaterThan(0.1f);
    }

    /** What weighs an effect limits it: where the other layer is, it works, elsewhere nothing changes. */
    @Test
    void whereItWorks() {
        Layer half = Studio.box("half", 40, 45, 80, 90, Colour.WHITE);
        Recipe dark = recipe("grade", Map.of("slopeRed", 0.5, "slopeGreen", 0.5, "slopeBlue", 0.5));
        for (Cut.Keep keep : Cut.Keep.values()) {
            LayerEffect e = link(dark, Station.BEFORE_CUT, 1)
                    .withWhere(Optional.of(new LayerEffect.Where("half", Cut.With.SHAPE, keep)));
            Layer white = Studio.box("l", 80, 45, 160, 90, Colour.WHITE).withEffects(List.of(e));
            Shot shot = Studio.shot(white, half);
            assertThat(Rules.broken(shot)).isEmpty();
            Picture p = studio.render(shot, 0);
            boolean inside = keep == Cut.Keep.INSIDE;
            assertThat(p.at(20, 45)[0]).isCloseTo(inside ? 0.5f : 1, within(1e-6f));
            assertThat(p.at(140, 45)[0]).isCloseTo(inside ? 1 : 0.5f, within(1e-6f));
        }
        LayerEffect onB = link(dark, Station.BEFORE_CUT, 1)
                .withWhere(Optional.of(new LayerEffect.Where("b", Cut.With.SHAPE, Cut.Keep.INSIDE)));
        LayerEffect onA = onB.withWhere(Optional.of(new LayerEffect.Where("a", Cut.With.SHAPE, Cut.Keep.INSIDE)));
        Shot circle = Studio.shot(
                Studio.box("a", 80, 45, 9, 9, Colour.WHITE).withEffects(List.of(onB)),
                Studio.box("b", 80, 45, 9, 9, Colour.WHITE).withEffects(List.of(onA)));
        assertThat(Rules.broken(circle)).anyMatch(s -> s.contains("circle"));
        Shot gone = Studio.shot(Studio.box("a", 80, 45, 9, 9, Colour.WHITE).withEffects(List.of(onB)));
        assertThat(Rules.broken(gone)).anyMatch(s -> s.contains("which is not in this shot"));
    }

    @Test
    void numbersOfEffectsAreKeyed() {
        Animated<Double> growing =
                new Animated<>(0.0, List.of(new Key<>(0, 0.0, Ease.LINEAR), new Key<>(10, 1.0, Ease.LINEAR)));
        Recipe dark = recipe("grade", Map.of("slopeRed", 0.0));
        LayerEffect e = link(dark, Station.BEFORE_CUT, 1).withAmount(growing);
        Shot shot = Studio.shot(Studio.box("l", 80, 45, 160, 90, Colour.WHITE).withEffects(List.of(e)));
        assertThat(studio.render(shot, 5).at(80, 45)[0]).isCloseTo(0.5f, within(1e-5f));
        assertThat(studio.render(shot, 10).at(80, 45)[0]).isCloseTo(0, within(1e-5f));
    }

    /** Dissolved, a group would lose what is done to it as one picture. */
    @Test
    void aGroupWithEffectsStaysOne() {
        Layer group = Layer.of(
                        "g",
                        "Group",
                        new Content.Group(List.of(Studio.word("w", "TRAM", 30))),
                        Span.of(0, 48),
                        Place.at(Point.ORIGIN))
                .withEffects(List.of(link(recipe("blur", Map.of()), Station.BEFORE_CUT, 1)));
        assertThatThrownBy(() -> new GroupEdits.Ungroup("g").apply(Studio.shot(group), studio.planner))
                .hasMessageContaining("effects");
    }
}

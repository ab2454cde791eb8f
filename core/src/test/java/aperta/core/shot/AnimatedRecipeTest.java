package aperta.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import aperta.core.time.Signal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class AnimatedRecipeTest {
    /** One parameter of each kind. */
    private static final Descriptor ALL = new Descriptor(
            "all",
            "All",
            "Has everything.",
            List.of(
                    Parameter.number("strength", "Strength", "px", -100, 100, 10),
                    Parameter.whole("octaves", "Octaves", "", 1, 9, 3),
                    Parameter.angle("turn", "Turn", 0),
                    Parameter.truth("soft", "Soft", true),
                    Parameter.choice("edge", "Edge", "empty", "repeat"),
                    Parameter.point("centre", "Centre", Point.ORIGIN),
                    Parameter.colour("tint", "Tint", Colour.WHITE),
                    Parameter.curve("curve", "Curve"),
                    Parameter.reference("map", "Map", Parameter.Kind.LAYER),
                    Parameter.reference("table", "Table", Parameter.Kind.FILE)));

    private static final Format SMALL = new Format(160, 90, Rate.of(24));

    private static Layer with(AnimatedRecipe recipe) {
        Content content = new Content.Fill(Animated.of(new Point(10, 10)), new Paint.Solid(Animated.of(Colour.WHITE)));
        return Layer.of("l", "l", content, Span.of(0, 48), Place.at(SMALL.centre()))
                .withArrive(Optional.of(new Passage(48, 0, Ease.LINEAR, Pose.REST, Optional.of(recipe))));
    }

    private static <T> Animated<T> keys(T from, T to) {
        return new Animated<>(from, List.of(new Key<>(0, from, Ease.LINEAR), new Key<>(20, to, Ease.LINEAR)));
    }

    private static Recipe at(AnimatedRecipe recipe, double frame) {
        Shot shot = new Shot("s", SMALL, 48, List.of(with(recipe)));
        return new Moment(shot, frame)
                .rest("l")
                .arrive()
                .orElseThrow()
                .opening()
                .orElseThrow()
                .rest();
    }

    @Test
    void allThatHasAMiddleIsAPropertyOfTheLayer() {
        List<Property<?>> all = Property.of(with(AnimatedRecipe.of(ALL.standard()))).stream()
                .filter(p -> p.section() == Property.Section.ARRIVE)
                .toList();

        assertThat(all)
                .extracting(Property::name)
                .containsExactly(
                        "arrive.strength",
                        "arrive.octaves",
                        "arrive.turn",
                        "arrive.centre",
                        "arrive.tint",
                        "arrive.curve");
        assertThat(all.get(0).title()).isEqualTo("Arrival strength");
    }

    @Test
    void eachIsMixedAsItsKindIs() {
        AnimatedRecipe moving = AnimatedRecipe.of(ALL.standard())
                .with("strength", keys(0.0, 40.0))
                .with("octaves", keys(1.0, 6.0))
                .with("turn", keys(0.0, 720.0))
                .with("centre", keys(Point.ORIGIN, new Point(20, 8)))
                .with("tint", keys(Colour.BLACK, Colour.WHITE))
                .with("curve", keys(ToneCurve.STRAIGHT, new ToneCurve(List.of(new Point(0, 1), new Point(1, 0)))));

        Recipe half = at(moving, 10);

        assertThat(half.number("strength")).isEqualTo(20);
        assertThat(half.number("octaves")).as("3.5 goes in steps").isEqualTo(4);
        assertThat(half.number("turn")).isEqualTo(360);
        assertThat(half.point("centre")).isEqualTo(new Point(10, 4));
        assertThat(half.colour("tint")).isEqualTo(new Colour(0.5, 0.5, 0.5, 1));
        // Half way between v and 1 − v every value becomes a half.
        assertThat(half.curve("curve").at(0.2)).isCloseTo(0.5, within(1e-12));
        assertThat(half.truth("soft")).isTrue();
        assertThat(at(moving, 30).number("strength")).as("after its last key").isEqualTo(40);
    }

    @Test
    void signalsMoveParametersWithinTheirRange() {
        Recipe drift = Recipe.of(new Signal.Drift().descriptor(), Map.of("rate", 48.0));
        AnimatedRecipe moving = AnimatedRecipe.of(ALL.standard())
                .with("strength", Animated.of(10.0).withSignals(List.of(drift)));

        assertThat(at(moving, 12).number("strength")).isEqualTo(34);
        assertThat(at(moving, 47).number("strength")).isEqualTo(100);
    }

    @Test
    void whatHasNoMiddleTakesNoKeys() {
        AnimatedRecipe still = AnimatedRecipe.of(ALL.standard());

        assertThatThrownBy(() -> still.with("edge", keys("empty", "repeat"))).hasMessage("'edge' can't have keys.");
        assertThat(still.with("edge", Animated.of("repeat")).rest().text("edge"))
                .isEqualTo("repeat");
        assertThatThrownBy(() -> still.with("strength", Animated.of(500.0))).hasMessageContaining("-100 and 100");
    }

    @Test
    void oneWithoutKeysEqualsItsRest() {
        AnimatedRecipe still = AnimatedRecipe.of(ALL.standard());
        AnimatedRecipe moving = still.with("turn", keys(0.0, 90.0));

        assertThat(moving).isNotEqualTo(still);
        assertThat(moving.with("turn", Animated.of(0.0))).isEqualTo(still);
    }
}

package aperta.core.opening;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.shot;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.recipe.Recipe;
import aperta.core.render.Studio;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Property;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WindowsTest {
    /** From 30 to 130 across, from 25 to 65 down. */
    private static final Layer BAR = box("b", 80, 45, 100, 40, Colour.WHITE);

    private final Studio studio = new Studio();

    private static AnimatedRecipe window(String kind, Map<String, ?> values) {
        return AnimatedRecipe.of(Recipe.of(Windows.of(kind).descriptor(), values));
    }

    private Picture render(Layer... layers) {
        return studio.render(Rules.demand(shot(layers)), 0);
    }

    private static void same(Picture a, Picture b) {
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                assertThat(a.at(x, y)).containsExactly(b.at(x, y), within(1e-6f));
            }
        }
    }

    @Test
    void aCropTakesItsSidesAway() {
        Picture p = render(BAR.withWindows(
                List.of(window("crop", Map.of("left", 10.0, "right", 30.0, "top", 5.0, "bottom", 15.0)))));
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                boolean inside = x >= 40 && x < 100 && y >= 30 && y < 50;
                assertThat(p.at(x, y)[3]).isEqualTo(inside ? 1 : 0);
            }
        }
    }

    /** The soft edge lies within: at the crop's side nothing is left, and half of it three quarters of a feather inside. */
    @Test
    void aCropsSoftEdgeEndsAtItsSide() {
        Layer tall = box("b", 80, 45, 100, 80, Colour.WHITE);
        Picture p = render(tall.withWindows(List.of(window("crop", Map.of("left", 10.0, "feather", 8.0)))));
        assertThat(p.at(40, 45)[3]).isLessThan(0.01f);
        assertThat(p.at(39, 45)[3]).isLessThan(0.005f);
        assertThat((p.at(51, 45)[3] + p.at(52, 45)[3]) / 2).isCloseTo(0.5f, within(0.01f));
        assertThat(p.at(70, 45)[3]).isGreaterThan(0.99f);
        assertThat(p.at(129, 45)[3]).as("the other sides are soft, too").isLessThan(0.02f);
    }

    /** The number and the opening are one: half wiped by hand is the opening at half its way. */
    @ParameterizedTest
    @CsvSource({"0, 0", "90, 12", "205, 5"})
    void aWipeByNumberIsTheOpeningsPicture(double angle, double feather) {
        Map<String, Double> edge = Map.of("angle", angle, "feather", feather);
        Recipe opening = Recipe.of(Openings.of("wipe").descriptor(), edge);
        Layer arriving = BAR.withArrive(
                Optional.of(new Passage(10, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(opening)))));
        Layer wiped =
                BAR.withWindows(List.of(window("wipe", Map.of("angle", angle, "feather", feather, "amount", 0.4))));
        same(studio.render(shot(arriving), 4), render(wiped));
    }

    @Test
    void allUncoveredIsTheVeryPicture() {
        same(render(BAR), render(BAR.withWindows(List.of(window("crop", Map.of()), window("wipe", Map.of())))));
        assertThat(render(BAR.withWindows(List.of(window("wipe", Map.of("amount", 0.0)))))
                        .at(80, 45)[3])
                .isZero();
    }

    @Test
    void windowsAreKeyedAndWorkOnGroups() {
        AnimatedRecipe moving = window("wipe", Map.of())
                .with(
                        "amount",
                        new Animated<>(1.0, List.of(new Key<>(0, 0.0, Ease.LINEAR), new Key<>(10, 1.0, Ease.LINEAR))));
        Layer group = Layer.of("g", "g", new Content.Group(List.of(BAR)), Span.of(0, 48), Place.at(Point.ORIGIN))
                .withWindows(List.of(moving));
        assertThat(Property.named(group, "wipe.amount").title()).isEqualTo("Wipe uncovered");
        Shot shot = Rules.demand(shot(group));
        for (int n = 0; n <= 10; n++) {
            Picture p = studio.render(shot, n);
            double seen = 0;
            for (int x = 0; x < 160; x++) {
                seen += p.at(x, 45)[3];
            }
            assertThat(seen).isCloseTo(10.0 * n, within(1e-3));
        }
    }

    @Test
    void eachKindOnce() {
        assertThatThrownBy(() -> render(BAR.withWindows(List.of(window("crop", Map.of()), window("crop", Map.of())))))
                .hasMessageContaining("two windows of one kind");
    }
}

package aperta.core.shot;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Rate;
import aperta.core.time.Signal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ReferencesTest {
    private static final Descriptor BY_MAP = new Descriptor(
            "by-map",
            "By map",
            "Follows another layer.",
            List.of(Parameter.reference("map", "Map", Parameter.Kind.LAYER)));

    /** A layer that names another in each way there is. */
    private static Layer naming() {
        Recipe follow =
                Recipe.of(new Signal.Follow().descriptor(), Map.of("layer", "followed", "property", "place.rotation"));
        Place place = Place.at(Point.ORIGIN);
        Passage byMap = new Passage(
                5, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(Recipe.of(BY_MAP, Map.of("map", "map")))));
        return Layer.of(
                        "l",
                        "l",
                        new Content.Again("group"),
                        Span.of(0, 10),
                        place.withRotation(Animated.of(0.0).withSignals(List.of(follow))))
                .withParent(Optional.of("parent"))
                .withCut(Optional.of(
                        new Cut("cutter", Cut.With.SHAPE, Cut.Keep.OUTSIDE, Cut.Tone.PLAIN.withBlur(Animated.of(3.0)))))
                .withLeave(Optional.of(byMap));
    }

    @Test
    void everyLayerThatIsNamedIsFound() {
        assertThat(References.of(naming())).containsExactlyInAnyOrder("parent", "cutter", "group", "map", "followed");
    }

    @Test
    void everyNameIsReplacedAndNothingElse() {
        Layer renamed = References.renamed(
                naming(),
                Map.of("parent", "p2", "cutter", "c2", "group", "g2", "map", "m2", "followed", "f2", "l", "other"));

        assertThat(References.of(renamed)).containsExactlyInAnyOrder("p2", "c2", "g2", "m2", "f2");
        assertThat(renamed.cut().orElseThrow().tone())
                .isEqualTo(naming().cut().orElseThrow().tone());
        assertThat(References.renamed(
                        renamed, Map.of("p2", "parent", "c2", "cutter", "g2", "group", "m2", "map", "f2", "followed")))
                .isEqualTo(naming());
    }

    @Test
    void whatNamesALayerThatIsGoneGoes() {
        Layer kept = References.without(naming(), Set.of("parent", "cutter", "map", "followed"));

        assertThat(References.of(kept)).containsExactly("group");
        assertThat(kept.leave()).map(Passage::opening).contains(Optional.empty());
        assertThat(kept.place().rotation().signals()).isEmpty();
    }

    @Test
    void anOpeningThatNamesALayerThatIsNotThereBreaksARule() {
        Layer layer = Layer.of("l", "l", new Content.Group(List.of()), Span.of(0, 10), Place.at(Point.ORIGIN))
                .withLeave(naming().leave());

        assertThat(Rules.broken(new Shot("s", new Format(160, 90, Rate.of(24)), 10, List.of(layer))))
                .containsExactly("'l' names the layer 'map', which is not in this shot.");
    }

    /** An effect whose map is deleted stays, without one. */
    @Test
    void anEffectWhoseMapIsGoneStays() {
        LayerEffect mapped = LayerEffect.of(
                "e", AnimatedRecipe.of(Recipe.of(BY_MAP, Map.of("map", "map"))), LayerEffect.Station.BEFORE_CUT);
        Layer layer = naming().withLeave(Optional.empty()).withEffects(List.of(mapped));
        Layer without = References.without(layer, Set.of("map"));
        assertThat(without.effects()).hasSize(1);
        assertThat(without.effects().get(0).recipe().rest().text("map")).isEmpty();
        assertThat(References.of(without)).doesNotContain("map", "");
    }
}

package aperta.core.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.colour.Colour;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.time.Animated;
import aperta.core.time.Rate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class RulesTest {
    private static final Format WIDE = new Format(1920, 1080, Rate.of(24));

    private static Layer layer(String id) {
        return Layer.of(
                id,
                id.toUpperCase(java.util.Locale.ROOT),
                new Content.Fill(Animated.of(new Point(10, 10)), new Paint.Solid(Animated.of(Colour.WHITE))),
                Span.of(0, 10),
                Place.at(WIDE.centre()));
    }

    private static Shot shot(Layer... layers) {
        return new Shot("test", WIDE, 24, List.of(layers));
    }

    private static Optional<Cut> by(String id) {
        return Optional.of(new Cut(id, Cut.With.SHAPE, Cut.Keep.INSIDE));
    }

    @Test
    void aSoundShotBreaksNothing() {
        assertThat(Rules.broken(
                        shot(layer("a").withParent(Optional.of("b")), layer("b").withCut(by("a")))))
                .isEmpty();
    }

    @Test
    void aCircleOfParentsNamesTheLayers() {
        Shot shot = shot(
                layer("a").withParent(Optional.of("b")),
                layer("b").withParent(Optional.of("c")),
                layer("c").withParent(Optional.of("a")));
        assertThat(Rules.broken(shot))
                .hasSize(1)
                .first()
                .asString()
                .contains("circle")
                .contains("A")
                .contains("→ C");
    }

    @Test
    void cutsMustNameAnotherLayerOfTheShot() {
        assertThat(Rules.broken(shot(layer("a").withCut(by("z")))))
                .containsExactly("'A' is cut by 'z', which is not in this shot.");
        assertThat(Rules.broken(shot(layer("a").withCut(by("a")))))
                .first()
                .asString()
                .contains("by itself");
    }

    @Test
    void twoLayersMayCutEachOther() {
        assertThat(Rules.broken(shot(layer("a").withCut(by("b")), layer("b").withCut(by("a")))))
                .isEmpty();
    }

    @Test
    void aGroupMayNotCutWhatItHolds() {
        Layer inside = layer("a").withCut(by("g"));
        Layer group = layer("g").withContent(new Content.Group(List.of(inside)));
        assertThat(Rules.broken(shot(group))).first().asString().contains("the group that holds it");
    }

    @Test
    void groupsThatCutEachOthersInsidesGoInACircle() {
        Layer one = layer("g").withContent(new Content.Group(List.of(layer("a").withCut(by("h")))));
        Layer two = layer("h").withContent(new Content.Group(List.of(layer("b").withCut(by("g")))));
        assertThat(Rules.broken(shot(one, two))).first().asString().contains("Groups, cuts and effects go round");
    }

    @Test
    void numbersStayInTheirRange() {
        Layer faint = layer("a").withPlace(layer("a").place().withOpacity(Animated.of(1.5)));
        assertThat(Rules.broken(shot(faint))).containsExactly("The opacity of 'A' lies between 0 % and 100 %.");
        Layer lost = layer("a").withPlace(layer("a").place().withPosition(Animated.of(new Point(Double.NaN, 0))));
        assertThat(Rules.broken(shot(lost))).hasSize(1);
    }

    @Test
    void idsAreUsedOnce() {
        assertThat(Rules.broken(shot(layer("a"), layer("a")))).containsExactly("Two layers have the id 'a'.");
    }

    @Test
    void recordsRefuseWhatCannotBe() {
        assertThatThrownBy(() -> Span.of(0, -3)).hasMessageContaining("at least one frame, not -3");
        assertThatThrownBy(() -> new Shot("x", WIDE, -1, List.of())).hasMessageContaining("not -1");
        assertThatThrownBy(() -> new Format(40_000, 40_000, Rate.of(24))).hasMessageContaining("8192");
        assertThatThrownBy(() -> new BezierPath(List.of())).hasMessageContaining("between 2 and");
        assertThatThrownBy(() -> Colour.parse("red")).hasMessageContaining("not a colour");
    }

    /** SMPTE ST 2046-1 (from memory): title safe is 90 % of 1920 × 1080, hence 1728 × 972 in the middle. */
    @Test
    void titleSafeIsNineTenths() {
        assertThat(WIDE.titleSafe()).isEqualTo(new Box(96, 54, 1824, 1026));
    }

    @Test
    void coloursAreReadAndWritten() {
        assertThat(Colour.parse("#1b2a33").hex()).isEqualTo("#1b2a33");
        assertThat(Colour.parse("#1b2a3380").hex()).isEqualTo("#1b2a3380");
        assertThat(new Colour(0.5, 0, 0, 1).isEightBit()).isFalse();
    }
}

package aperta.core.render;

import static aperta.core.render.Affecting.link;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Figures;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.LayerEffect.Station;
import aperta.core.shot.Mask;
import aperta.core.shot.Place;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Adjustment layers work on what lies below them in their group; the order of a chain counts. */
class AdjustmentTest {
    private final Studio studio = new Studio();

    private static final LayerEffect DARK = link("grade", Map.of("slopeRed", 0.5, "slopeGreen", 0.5, "slopeBlue", 0.5));

    private static Layer adjustment(LayerEffect... effects) {
        return Layer.of("a", "a", new Content.Adjustment(), Span.of(0, 48), Place.at(new Point(80, 45)))
                .withEffects(List.of(effects));
    }

    private Picture of(Layer... layers) {
        return studio.render(Studio.shot(layers), 0);
    }

    private static Layer card(String id, double x, double w) {
        return Studio.box(id, x, 45, w, 90, Colour.WHITE);
    }

    @Test
    void itWorksOnWhatLiesBelowAndOnNothingElse() {
        Picture p = of(card("top", 20, 40), adjustment(DARK), card("below", 100, 40));
        assertThat(p.at(20, 45)[0]).isEqualTo(1);
        assertThat(p.at(100, 45)[0]).isCloseTo(0.5f, within(1e-6f));
        assertThat(p.at(60, 45)[3]).isZero();
    }

    @Test
    void itStaysInsideItsGroup() {
        Layer group = Layer.of(
                "g",
                "g",
                new Content.Group(List.of(adjustment(DARK), card("in", 30, 60))),
                Span.of(0, 48),
                Place.at(Point.ORIGIN));
        Picture p = of(group, card("out", 130, 60));
        assertThat(p.at(30, 45)[0]).isCloseTo(0.5f, within(1e-6f));
        assertThat(p.at(130, 45)[0]).isEqualTo(1);
    }

    @Test
    void masksCutAndOpacityWeighIt() {
        Mask left = Mask.of("m", "m", Figures.rounded(new Box(-80, -45, 0, 45), 0));
        Layer masked = adjustment(DARK).withMasks(List.of(left));
        Picture p = of(masked, card("below", 80, 160));
        assertThat(p.at(40, 45)[0]).isCloseTo(0.5f, within(1e-6f));
        assertThat(p.at(120, 45)[0]).isEqualTo(1);
        Layer half = adjustment(DARK).withPlace(Place.at(new Point(80, 45)).withOpacity(Animated.of(0.5)));
        assertThat(of(half, card("below", 80, 160)).at(40, 45)[0]).isCloseTo(0.75f, within(1e-6f));
        for (Cut.Keep keep : Cut.Keep.values()) {
            Layer cut = adjustment(DARK).withCut(Optional.of(new Cut("by", Cut.With.SHAPE, keep, Cut.Tone.PLAIN)));
            Picture q = of(cut, card("below", 80, 160), card("by", 40, 80));
            boolean inside = keep == Cut.Keep.INSIDE;
            assertThat(q.at(40, 45)[0]).isCloseTo(inside ? 0.5f : 1, within(1e-6f));
            assertThat(q.at(120, 45)[0]).isCloseTo(inside ? 1 : 0.5f, within(1e-6f));
        }
        Layer screened = adjustment(DARK).withBlend(BlendMode.SCREEN);
        Picture s = of(screened, Studio.box("below", 80, 45, 160, 90, new Colour(0.4, 0.4, 0.4, 1)));
        assertThat(s.at(80, 45)[0]).isCloseTo(0.4f + 0.2f - 0.08f, within(1e-5f));
    }

    /** What is blurred takes the place of what was sharp: it isn't laid over it. */
    @Test
    void whatItMakesTakesThePlaceOfWhatWasThere() {
        Picture p = of(adjustment(link("blur", Map.of("deviation", 6.0))), card("below", 80, 40));
        Layer blurred = card("below", 80, 40).withEffects(List.of(link("blur", Map.of("deviation", 6.0))));
        Picture q = of(blurred);
        for (int x = 40; x < 120; x++) {
            assertThat(p.at(x, 45)[3]).as("%d", x).isCloseTo(q.at(x, 45)[3], within(1e-5f));
        }
    }

    /** Before the cut a shadow is cut by the card it falls on; behind it, it is not. */
    @Test
    void aShadowIsCutOrNot() {
        Layer card = Studio.box("card", 80, 45, 60, 40, Colour.WHITE);
        LayerEffect shadow =
                link("drop-shadow", Map.of("towards", 0.0, "distance", 30.0, "softness", 0.0, "colour", Colour.BLACK));
        Layer word = Studio.box("l", 90, 45, 30, 20, Colour.WHITE)
                .withCut(Optional.of(new Cut("card", Cut.With.SHAPE, Cut.Keep.INSIDE, Cut.Tone.PLAIN)));
        Picture inside = of(word.withEffects(List.of(shadow)), card);
        Picture outside = of(
                word.withEffects(List.of(new LayerEffect(
                        "s",
                        shadow.recipe(),
                        Station.BEHIND_CUT,
                        true,
                        Animated.of(1.0),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty()))),
                card);
        // The word reaches from 75 to 105, its shadow to 135; the card ends at 110.
        assertThat(inside.at(108, 45)[3]).isEqualTo(1);
        assertThat(inside.at(125, 45)[3]).isZero();
        assertThat(outside.at(125, 45)[3]).isEqualTo(1);
    }

    /** A group's chain works on it as one picture: an outline goes round the whole, not round each part. */
    @Test
    void aGroupsChainWorksOnItAsOnePicture() {
        LayerEffect rim = link("outline", Map.of("width", 4.0, "colour", new Colour(1, 0, 0, 1)));
        Layer a = card("a", 60, 40);
        Layer b = card("b", 100, 40);
        Layer group = Layer.of("g", "g", new Content.Group(List.of(a, b)), Span.of(0, 48), Place.at(Point.ORIGIN));
        Picture together = of(group.withEffects(List.of(rim)));
        Picture each = of(a.withEffects(List.of(rim)), b.withEffects(List.of(rim)));
        assertThat(together.at(80, 45)[1]).isEqualTo(1);
        assertThat(each.at(81, 45)[1]).isZero();
        assertThat(together.at(38, 45)[1]).isZero();
        assertThat(together.at(38, 45)[0]).isEqualTo(1);
    }
}

package aperta.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.picture.Picture;
import aperta.core.render.Studio;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Layer;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Ease;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** One layer gives way to the next. */
class PassEditsTest {
    private final Studio studio = new Studio();

    private Shot apply(Shot shot, Edit edit) {
        return edit.apply(shot, studio.planner);
    }

    private static Optional<AnimatedRecipe> opening(String kind) {
        return Optional.of(AnimatedRecipe.of(Openings.of(kind).descriptor().standard()));
    }

    private static Layer box(String id, Colour colour, long in, long length) {
        return Studio.box(id, 80, 45, 160, 90, colour).withSpan(Span.of(in, length));
    }

    private static Shot cut() {
        return Studio.shot(box("b", new Colour(0, 0, 1, 1), 24, 24), box("a", new Colour(1, 0, 0, 1), 0, 24));
    }

    private static Layer layer(Shot shot, String id) {
        return shot.layer(id).orElseThrow();
    }

    private static Shot even(Shot shot) {
        return shot.changing(
                "b",
                l -> l.withArrive(l.arrive()
                        .map(p -> new Passage(p.length(), p.delay(), Ease.LINEAR, p.pose(), p.opening(), p.pass()))));
    }

    @Test
    void itLiesAboutTheCutAndIsTakenAwayWithoutATrace() {
        Shot before = cut();
        Shot passing = apply(before, new PassEdits.Make("a", "b", 10, opening("fade"), Optional.empty()));
        assertThat(layer(passing, "b").span()).isEqualTo(new Span(19, 29, -5));
        assertThat(layer(passing, "a").span()).isEqualTo(new Span(0, 29, 0));
        Shot longer = apply(passing, new PassEdits.SetLength("b", 16));
        assertThat(layer(longer, "b").span().in()).isEqualTo(16);
        assertThat(layer(longer, "a").span().out()).isEqualTo(32);
        assertThat(layer(longer, "b").arrive().orElseThrow().length()).isEqualTo(16);
        assertThat(apply(longer, new PassEdits.Remove("b"))).isEqualTo(before);
        assertThatThrownBy(() -> apply(before, new PassEdits.Remove("b"))).hasMessageContaining("Nothing gives way");
        assertThatThrownBy(() -> apply(before, new PassEdits.SetLength("b", 5)))
                .hasMessageContaining("Nothing gives way");
        assertThatThrownBy(() -> apply(before, new PassEdits.Make("b", "a", 10, opening("fade"), Optional.empty())))
                .hasMessageContaining("begins after");
    }

    /** A clip has only the frames that there are; the overlap lies where it can. */
    @Test
    void aClipHasNoMoreFramesThanItHas() {
        Layer a = Studio.clip("rain").withSpan(Span.of(0, 24));
        Layer b = Studio.clip("map").withSpan(Span.of(24, 24));
        Shot shot = Studio.shot(b.withIdentity("b", "B"), a.withIdentity("a", "A"));
        Shot passing = apply(shot, new PassEdits.Make("a", "b", 10, opening("fade"), Optional.empty()));
        assertThat(layer(passing, "b").span())
                .as("nothing was trimmed off its beginning")
                .isEqualTo(Span.of(24, 24));
        assertThat(layer(passing, "a").span().out()).isEqualTo(34);
        Shot none = shot.changing("a", l -> l.withSpan(new Span(0, 24, 24)));
        assertThatThrownBy(() -> apply(none, new PassEdits.Make("a", "b", 10, opening("fade"), Optional.empty())))
                .hasMessageContaining("0 frames that can overlap");
    }

    @Test
    void aDissolveIsTheMeanOfBothByItsEase() {
        Shot shot = even(apply(cut(), new PassEdits.Make("a", "b", 10, opening("fade"), Optional.empty())));
        for (int f = 19; f <= 29; f++) {
            Picture p = studio.render(shot, f);
            float share = (f - 19) / 10f;
            assertThat(p.at(80, 45)[0]).as("frame %d", f).isCloseTo(1 - share, within(1e-5f));
            assertThat(p.at(80, 45)[2]).as("frame %d", f).isCloseTo(share, within(1e-5f));
            assertThat(p.at(80, 45)[3]).as("opaque throughout").isCloseTo(1, within(1e-5f));
        }
    }

    /** Inside the same letters their edge stays as it is, by a dissolve and by a wipe, and what lies below isn't touched. */
    @Test
    void insideTheSameLettersTheirEdgeStaysAsItIs() {
        Cut letters = new Cut("word", Cut.With.SHAPE, Cut.Keep.INSIDE, Cut.Tone.PLAIN);
        Layer word = Studio.word("word", "TRAM", 60);
        Layer white = box("a", Colour.WHITE, 0, 24).withCut(Optional.of(letters));
        Layer next = box("b", Colour.WHITE, 24, 24).withCut(Optional.of(letters));
        Picture alone = studio.render(Studio.shot(white.withSpan(Span.of(0, 48)), word), 24);
        for (String kind : List.of("fade", "wipe", "iris", "strips")) {
            Shot shot = apply(
                    Studio.shot(next, white, word), new PassEdits.Make("a", "b", 12, opening(kind), Optional.empty()));
            for (int f = 18; f < 31; f += 3) {
                assertThat(Studio.furthest(studio.render(shot, f), alone))
                        .as("%s, frame %d", kind, f)
                        .isLessThan(2e-5f);
            }
        }
    }

    @Test
    void theOneThatGoesMayLeaveByAnOpeningToo() {
        Shot shot = apply(cut(), new PassEdits.Make("a", "b", 10, opening("fade"), opening("fade")));
        assertThat(layer(shot, "a").leave().orElseThrow().length()).isEqualTo(10);
        Shot longer = apply(shot, new PassEdits.SetLength("b", 14));
        assertThat(layer(longer, "a").leave().orElseThrow().length()).isEqualTo(14);
        assertThat(apply(longer, new PassEdits.Remove("b"))).isEqualTo(cut());
    }

    /** What moves while it comes lies over the one that goes, which stays whole. */
    @Test
    void whatSlidesInLiesOverTheOneThatGoes() {
        Shot shot = apply(cut(), new PassEdits.Make("a", "b", 10, opening("slide"), Optional.empty()));
        Picture p = studio.render(shot, 22);
        double alpha = 0;
        for (int x = 0; x < 160; x++) {
            alpha += p.at(x, 45)[3];
        }
        assertThat(alpha).isCloseTo(160, within(1e-3));
    }

    @Test
    void namesFollowAndGoneLayersEndIt() {
        Shot shot = apply(cut(), new PassEdits.Make("a", "b", 10, opening("fade"), Optional.empty()));
        Shot gone = apply(shot, new LayerEdits.Delete(List.of("a")));
        assertThat(layer(gone, "b").arrive().orElseThrow().pass()).isEmpty();
        Layer far = Studio.box("far", 80, 45, 10, 10, Colour.WHITE);
        Shot grouped = Studio.shot(
                Layer.of("g", "g", new Content.Group(List.of(far)), Span.of(0, 48), Place.at(Point.ORIGIN)),
                box("a", Colour.WHITE, 0, 24));
        assertThatThrownBy(() -> apply(grouped, new PassEdits.Make("a", "far", 4, opening("fade"), Optional.empty())))
                .hasMessageContaining("side by side");
    }
}

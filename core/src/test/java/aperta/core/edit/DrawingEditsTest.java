package aperta.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.render.Studio;
import aperta.core.shot.Content.Drawings;
import aperta.core.shot.Layer;
import aperta.core.shot.PathLength;
import aperta.core.shot.PenLine;
import aperta.core.shot.Place;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** Lines that are drawn on frames, rubbed out, taken back and played. */
class DrawingEditsTest {
    private final Studio studio = new Studio();

    private static final Shot BLANK = Studio.shot(Layer.of(
            "d", "Drawings", new Drawings(List.of(), List.of()), Span.of(0, 40), Place.at(Studio.SMALL.centre())));

    private Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, studio.planner));
    }

    /** A straight line that the hand draws in a second, of one width. */
    private static DrawingEdits.Draw draw(long frame, int every, Point from, Point to, double width, PenLine.Nib nib) {
        List<DrawingEdits.Place> places = new ArrayList<>();
        for (int i = 0; i <= 20; i++) {
            places.add(new DrawingEdits.Place(from.mix(to, i / 20.0), width, i / 20.0));
        }
        return new DrawingEdits.Draw("d", frame, every, places, Colour.WHITE, nib, 0, 0, 0.5);
    }

    private static DrawingEdits.Draw draw(long frame, double y) {
        return draw(frame, 2, new Point(30, y), new Point(130, y), 6, PenLine.Nib.ROUND);
    }

    private static Drawings drawings(Shot shot) {
        return (Drawings) shot.layer("d").orElseThrow().content();
    }

    private static List<Long> starts(Shot shot) {
        return drawings(shot).drawings().stream().map(Drawings.Drawing::at).toList();
    }

    private double light(Shot shot, double frame) {
        return light(studio.render(shot, frame), 0, 160);
    }

    private static double light(Picture p, int x0, int x1) {
        double sum = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = x0; x < x1; x++) {
                sum += p.at(x, y)[3];
            }
        }
        return sum;
    }

    @Test
    void linesAreDrawnOnWhatIsThereAndHoldUntilTheNext() {
        Shot shot = apply(apply(BLANK, draw(4, 30)), draw(9, 60));
        // Frame 9 is drawn on frame 8, since each second frame is.
        assertThat(starts(shot)).containsExactly(4L, 8L);
        double one = 100 * 6 + Math.PI * 9;
        assertThat(light(shot, 3)).isZero();
        assertThat(light(shot, 4)).isCloseTo(one, within(2.0));
        assertThat(light(shot, 7)).isCloseTo(one, within(2.0));
        assertThat(light(shot, 8)).isCloseTo(2 * one, within(4.0));
        assertThat(light(shot, 39)).isCloseTo(2 * one, within(4.0));
    }

    @Test
    void pressureIsWidth() {
        List<DrawingEdits.Place> places = new ArrayList<>();
        for (int i = 0; i <= 50; i++) {
            places.add(new DrawingEdits.Place(new Point(30 + 2 * i, 45), 2 + i * 0.2, 0));
        }
        Shot shot = apply(BLANK, new DrawingEdits.Draw("d", 0, 1, places, Colour.WHITE, PenLine.Nib.ROUND, 0, 0, 0));
        Picture p = studio.render(shot, 0);
        for (int x = 40; x < 125; x += 10) {
            double column = 0;
            for (int y = 0; y < 90; y++) {
                column += p.at(x, y)[3];
            }
            assertThat(column).isCloseTo(2 + (x + 0.5 - 30) / 2 * 0.2, within(0.5));
        }
    }

    /** An edge of 20 pixels that is held level leaves a hairline along itself and a band of its length across. */
    @Test
    void aBroadNibIsThinOneWayAndWideTheOther() {
        Shot level = apply(BLANK, draw(0, 1, new Point(40, 45), new Point(120, 45), 20, PenLine.Nib.BROAD));
        Shot upright = apply(BLANK, draw(0, 1, new Point(80, 10), new Point(80, 80), 20, PenLine.Nib.BROAD));
        double thin = 0;
        double wide = 0;
        Picture a = studio.render(level, 0);
        Picture b = studio.render(upright, 0);
        for (int i = 0; i < 90; i++) {
            thin += a.at(80, i)[3];
        }
        for (int i = 0; i < 160; i++) {
            wide += b.at(i, 45)[3];
        }
        assertThat(thin).isCloseTo(2.4, within(0.1));
        assertThat(wide).isCloseTo(20, within(0.1));
    }

    @Test
    void aTremblingHandIsSteadied() {
        List<DrawingEdits.Place> places = new ArrayList<>();
        for (int i = 0; i <= 100; i++) {
            places.add(new DrawingEdits.Place(new Point(30 + i, 45 + (i % 2) * 3), 4, 0));
        }
        var shaky = new DrawingEdits.Draw("d", 0, 1, places, Colour.WHITE, PenLine.Nib.ROUND, 0, 0, 0);
        var steady = new DrawingEdits.Draw("d", 0, 1, places, Colour.WHITE, PenLine.Nib.ROUND, 0, 6, 0);
        double straight = 100;
        assertThat(new PathLength(drawings(apply(BLANK, shaky)).lines().get(0).path()).length())
                .isGreaterThan(2 * straight);
        assertThat(new PathLength(drawings(apply(BLANK, steady)).lines().get(0).path()).length())
                .isLessThan(1.15 * straight);
    }

    @Test
    void aLineIsTakenBackFromItsFrameOn() {
        Shot two = apply(apply(BLANK, draw(0, 30)), draw(0, 60));
        Shot one = apply(two, new DrawingEdits.RemoveLine("d", 10, 2, Optional.empty()));
        assertThat(light(one, 9)).isCloseTo(light(two, 9), within(1e-6));
        assertThat(light(one, 10)).isCloseTo(light(two, 0) / 2, within(2.0));
        assertThatThrownBy(() -> apply(one, new DrawingEdits.RemoveLine("d", 10, 2, Optional.of("2"))))
                .hasMessageContaining("isn't there");
    }

    /** The eraser takes what is under it; bound to one line, its neighbour is safe. */
    @Test
    void theEraserRubsOutWhatIsUnderItOrOfOneLineOnly() {
        Shot two = apply(apply(BLANK, draw(0, 40)), draw(0, 50));
        List<Point> way = List.of(new Point(80, 20), new Point(80, 70));
        Shot both = apply(two, new DrawingEdits.Rub("d", 4, 2, way, 10, DrawingEdits.Rubs.ALL));
        Picture p = studio.render(both, 4);
        assertThat(p.at(80, 40)[3]).isZero();
        assertThat(p.at(80, 50)[3]).isZero();
        assertThat(p.at(50, 40)[3]).isEqualTo(1f);
        assertThat(p.at(110, 50)[3]).isEqualTo(1f);
        assertThat(drawings(both).drawings().get(1).parts()).hasSize(4);
        Shot one = apply(two, new DrawingEdits.Rub("d", 4, 2, way, 10, DrawingEdits.Rubs.ONE_LINE));
        Picture q = studio.render(one, 4);
        assertThat(q.at(80, 40)[3]).isZero();
        assertThat(q.at(80, 50)[3]).isEqualTo(1f);
        List<Point> touch = List.of(new Point(60, 41));
        Shot gone = apply(two, new DrawingEdits.Rub("d", 4, 2, touch, 3, DrawingEdits.Rubs.WHOLE_LINES));
        assertThat(drawings(gone).drawings().get(1).parts())
                .extracting(Drawings.Part::line)
                .containsExactly("2");
    }

    /** Taken back so much a frame and reversed, the drawing is written, and stands in the end as it was. */
    @Test
    void erasedBackwardsAndReversedItIsWritten() {
        Shot whole = apply(apply(BLANK, draw(0, 30)), draw(0, 60));
        Shot erased = apply(whole, new DrawingEdits.EraseBackwards("d", 0, 2, 20, Optional.empty()));
        // Two lines of 100 pixels, 20 on each second frame: after ten of these nothing is left.
        assertThat(drawings(erased).drawings()).hasSize(11);
        double before = light(erased, 0);
        for (int f = 2; f <= 20; f += 2) {
            double now = light(erased, f);
            assertThat(now).as("frame %d", f).isLessThan(before);
            before = now;
        }
        assertThat(light(erased, 20)).isZero();
        Shot written = apply(erased, new DrawingEdits.Reverse("d"));
        double last = -1;
        for (int f = 0; f < 40; f += 2) {
            double now = light(written, f);
            assertThat(now).as("frame %d", f).isGreaterThanOrEqualTo(last);
            last = now;
        }
        assertThat(Studio.furthest(studio.render(written, 39), studio.render(whole, 39)))
                .isLessThan(1e-4f);
        Shot bound = apply(whole, new DrawingEdits.EraseBackwards("d", 0, 1, 25, Optional.of("1")));
        assertThat(light(bound, 30)).isCloseTo(light(whole, 0) / 2, within(2.0));
    }

    @Test
    void drawingsAreHeldInsertedRemovedCopiedAndPlayedFaster() {
        Shot three = apply(apply(apply(BLANK, draw(0, 20)), draw(4, 40)), draw(8, 60));
        assertThat(starts(apply(three, new DrawingEdits.Hold("d", 5, 3)))).containsExactly(0L, 4L, 11L);
        assertThat(starts(apply(three, new DrawingEdits.Hold("d", 5, -9)))).containsExactly(0L, 4L, 5L);
        assertThat(starts(apply(three, new DrawingEdits.Remove("d", 6)))).containsExactly(0L, 4L);
        assertThat(starts(apply(three, new DrawingEdits.Retime("d", 2)))).containsExactly(0L, 2L, 4L);
        assertThat(starts(apply(three, new DrawingEdits.Retime("d", 0.5)))).containsExactly(0L, 8L, 16L);
        Shot copied = apply(three, new DrawingEdits.Copy("d", 0, 20));
        assertThat(starts(copied)).containsExactly(0L, 4L, 8L, 20L);
        assertThat(light(copied, 20)).isCloseTo(light(three, 0), within(1e-6));
        Shot round = apply(apply(three, new DrawingEdits.Reverse("d")), new DrawingEdits.Reverse("d"));
        assertThat(drawings(round).drawings().get(0).parts())
                .isEqualTo(drawings(three).drawings().get(0).parts());
        assertThatThrownBy(() -> apply(BLANK, new DrawingEdits.Reverse("d"))).hasMessageContaining("Nothing is drawn");
        assertThatThrownBy(() -> apply(BLANK, new DrawingEdits.Remove("d", 3)))
                .hasMessageContaining("nothing is drawn yet");
    }

    /** A second each, half a second apart: at 24 frames a second half of the second line is there after two seconds. */
    @Test
    void aDrawingIsPlayedAsTheHandDrewIt() {
        Shot both = apply(apply(BLANK, draw(0, 30)), draw(0, 60));
        Shot played = apply(both, new DrawingEdits.Play("d", 0, true));
        double one = light(both, 0) / 2;
        assertThat(light(played, 12)).isZero();
        assertThat(light(played, 24)).isCloseTo(one / 2, within(0.04 * one));
        assertThat(light(played, 36)).isCloseTo(one, within(0.02 * one));
        assertThat(light(played, 39)).isCloseTo(one, within(0.02 * one));
        Shot longer = played.changing("d", l -> l.withSpan(Span.of(0, 96)));
        assertThat(light(longer, 60)).isCloseTo(1.5 * one, within(0.04 * one));
        assertThat(light(longer, 80)).isCloseTo(2 * one, within(0.02 * one));
    }
}

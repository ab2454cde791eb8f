package aperta.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.picture.Picture;
import aperta.core.recipe.Recipe;
import aperta.core.render.Studio;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Ink;
import aperta.core.shot.Layer;
import aperta.core.shot.LetterLook;
import aperta.core.shot.Passage;
import aperta.core.shot.PathLength;
import aperta.core.shot.Pose;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.shot.Stroke;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class InkEditsTest {
    private final Studio studio = new Studio();

    private Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, studio.planner));
    }

    /** A word that is written in twenty frames. */
    private static Shot written() {
        Recipe ink = Openings.of("ink").descriptor().standard();
        Passage passage = new Passage(20, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(ink)));
        return Studio.shot(Studio.word("w", "ILL", 60).withSpan(Span.of(0, 30)).withArrive(Optional.of(passage)));
    }

    private static Ink ink(Shot shot) {
        return shot.layers().get(0).ink().orElseThrow();
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
    void strokesThatWereTakenOverWriteTheSame() {
        Shot before = written();
        Shot after = apply(before, new InkEdits.Find("w", 0));
        assertThat(ink(after).strokes()).hasSize(3);
        for (int f = 0; f <= 20; f += 4) {
            assertThat(light(studio.render(after, f), 0, 160)).isEqualTo(light(studio.render(before, f), 0, 160));
        }
    }

    @Test
    void theOrderIsThatOfTheList() {
        Shot found = apply(written(), new InkEdits.Find("w", 0));
        List<Stroke> turned = new ArrayList<>(ink(found).strokes());
        java.util.Collections.reverse(turned);
        Shot other = found.changing("w", l -> l.withInk(l.ink().map(i -> i.withStrokes(turned))));
        // After a quarter of the time the first letter is there, or the last.
        assertThat(light(studio.render(found, 6), 0, 70)).isGreaterThan(light(studio.render(found, 6), 90, 160));
        assertThat(light(studio.render(other, 6), 0, 70)).isLessThan(light(studio.render(other, 6), 90, 160));
    }

    @Test
    void otherWordsFindTheirStrokesAnewAndKeepTheInk() {
        Shot found = apply(written(), new InkEdits.Find("w", 0));
        Shot other = found.changing("w", l -> l.withContent(((Content.Text) l.content()).withWords("HILL")));
        assertThat(studio.planner.strokes(studio.planner.moment(other, 0), "w")).hasSizeGreaterThan(3);
        assertThat(other.layers().get(0).arrive())
                .isEqualTo(found.layers().get(0).arrive());
        assertThat(light(studio.render(other, 25), 0, 160)).isPositive();
    }

    @Test
    void largerLettersHaveLargerStrokes() {
        Shot found = apply(written(), new InkEdits.Find("w", 0));
        Shot large = found.changing(
                "w", l -> l.withContent(((Content.Text) l.content()).with(LetterLook.Measure.SIZE, Animated.of(90.0))));
        double small = new PathLength(studio.planner
                        .strokes(studio.planner.moment(found, 0), "w")
                        .get(0)
                        .line())
                .length();
        Stroke first =
                studio.planner.strokes(studio.planner.moment(large, 0), "w").get(0);
        assertThat(new PathLength(first.line()).length()).isCloseTo(1.5 * small, within(1e-6));
        Shot fitted = apply(large, new InkEdits.Fit("w", 0));
        assertThat(ink(fitted).size()).isEqualTo(90);
        assertThat(ink(fitted).strokes().get(0).line()).isEqualTo(first.line());
        assertThat(first.line().knots().get(0).feather())
                .isCloseTo(
                        1.5 * ink(found).strokes().get(0).line().knots().get(0).feather(), within(1e-9));
    }

    @Test
    void aDrawnStrokeIsAsTheHandWent() {
        List<InkEdits.Place> places = new ArrayList<>();
        for (int i = 0; i <= 60; i++) {
            double a = i / 20.0;
            places.add(new InkEdits.Place(
                    new Point(80 + 30 * StrictMath.cos(a), 45 + 30 * StrictMath.sin(a)), 4 + i / 10.0));
        }
        Shot drawn = apply(written(), new InkEdits.Draw("w", 0, places, Optional.empty()));
        List<Stroke> all = ink(drawn).strokes();
        assertThat(all).hasSize(1);
        BezierPath path = all.get(0).line();
        assertThat(path.knots().get(0).feather()).isEqualTo(4);
        assertThat(path.knots().get(path.knots().size() - 1).feather()).isEqualTo(10);
        // The word stands in the middle of the picture.
        for (BezierPath.Knot k : path.knots()) {
            assertThat(k.at().length()).isCloseTo(30, within(1.3));
        }
        Shot again = apply(drawn, new InkEdits.Draw("w", 0, places.subList(0, 30), Optional.of("1")));
        assertThat(ink(again).strokes()).hasSize(1);
        assertThat(new PathLength(ink(again).strokes().get(0).line()).length())
                .isLessThan(new PathLength(path).length());
        assertThatThrownBy(() -> apply(written(), new InkEdits.Draw("w", 0, places.subList(0, 1), Optional.empty())))
                .hasMessageContaining("a start and an end");
    }

    @Test
    void strokesAreTurnedJoinedAndCut() {
        Shot found = apply(written(), new InkEdits.Find("w", 0));
        BezierPath first = ink(found).strokes().get(0).line();
        Shot turned = apply(found, new InkEdits.Reverse("w", List.of("1")));
        assertThat(ink(turned).strokes().get(0).line()).isEqualTo(first.reversed());

        Shot joined = apply(found, new InkEdits.Join("w", "1"));
        assertThat(ink(joined).strokes()).hasSize(2);
        BezierPath both = ink(joined).strokes().get(0).line();
        assertThat(both.knots())
                .hasSize(first.knots().size()
                        + ink(found).strokes().get(1).line().knots().size());

        Shot cut = apply(joined, new InkEdits.Split("w", "1", first.knots().size() - 1));
        assertThat(ink(cut).strokes()).hasSize(3);
        assertThat(ink(cut).strokes().get(0).line()).isEqualTo(first);
        assertThat(ink(cut).strokes().stream().map(Stroke::id)).doesNotHaveDuplicates();

        assertThatThrownBy(() -> apply(found, new InkEdits.Join("w", "3"))).hasMessageContaining("no stroke after it");
        assertThatThrownBy(() -> apply(found, new InkEdits.Split("w", "1", 0)))
                .hasMessageContaining("between its ends");
        assertThatThrownBy(() -> apply(found, new InkEdits.Reverse("w", List.of("9"))))
                .hasMessageContaining("no stroke '9'");
        assertThatThrownBy(() -> apply(written(), new InkEdits.Join("w", "1"))).hasMessageContaining("found, not set");
    }

    @Test
    void anInkIsSound() {
        Layer w = apply(written(), new InkEdits.Find("w", 0)).layers().get(0);
        Ink ink = w.ink().orElseThrow();
        Stroke s = ink.strokes().get(0);
        assertThatThrownBy(() -> ink.withStrokes(List.of(s, s))).hasMessageContaining("same id");
        assertThatThrownBy(() -> new Stroke.Time(0.4, 0.4)).hasMessageContaining("takes some of it");
        assertThatThrownBy(() -> Stroke.of("x", s.line().joined(), Stroke.Begins.STROKE))
                .hasMessageContaining("open");
    }

    /** A trembling line becomes a quiet one; its ends and its way stay. */
    @Test
    void aStrokeIsSmoothed() {
        Shot found = apply(written(), new InkEdits.Find("w", 25));
        List<BezierPath.Knot> knots = new ArrayList<>();
        for (int i = 0; i <= 30; i++) {
            knots.add(new BezierPath.Knot(
                    new Point(3 * i, i % 2 == 0 ? 1.5 : -1.5), Point.ORIGIN, Point.ORIGIN, i % 2 == 0 ? 8 : 12));
        }
        BezierPath trembling = new BezierPath(knots, false);
        Stroke first = ink(found).strokes().get(0);
        Shot shaky = found.changing(
                "w", l -> l.withInk(l.ink().map(k -> k.withStrokes(List.of(first.withPath(Animated.of(trembling)))))));
        BezierPath calm = ink(apply(shaky, new InkEdits.Smooth("w", List.of(first.id()), 8)))
                .strokes()
                .get(0)
                .line();
        assertThat(calm.knots().get(0).at()).isEqualTo(knots.get(0).at());
        assertThat(calm.knots().get(calm.knots().size() - 1).at())
                .isEqualTo(knots.get(30).at());
        assertThat(calm.knots()).hasSizeLessThan(12);
        double off = 0;
        for (int i = 0; i < calm.segments(); i++) {
            for (double t = 0.1; t < 1; t += 0.1) {
                Point p = calm.curve(i).at(t);
                off = Math.max(off, p.x() > 10 && p.x() < 80 ? Math.abs(p.y()) : 0);
            }
        }
        assertThat(off).isLessThan(0.7);
        assertThat(calm.knots().get(calm.knots().size() / 2).feather()).isCloseTo(10, within(0.7));
        assertThatThrownBy(() -> apply(shaky, new InkEdits.Smooth("w", List.of(first.id()), 0)))
                .hasMessageContaining("more than 0");
    }
}

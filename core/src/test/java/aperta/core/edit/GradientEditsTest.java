package aperta.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.render.Studio;
import aperta.core.shot.Layer;
import aperta.core.shot.Paint;
import aperta.core.shot.Painted;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.List;
import org.junit.jupiter.api.Test;

class GradientEditsTest {
    private static final Colour TEAL = new Colour(0.1, 0.6, 0.5, 1);
    private final Studio studio = new Studio();

    private Shot apply(Shot shot, Edit edit) {
        return edit.apply(shot, studio.planner);
    }

    private static Shot box() {
        return Studio.shot(Studio.box("b", 80, 45, 100, 60, TEAL));
    }

    private static Paint paint(Shot shot) {
        Layer layer = shot.layers().get(0);
        return Painted.of(layer).get(0).get().apply(layer);
    }

    private Shot linear() {
        return apply(box(), new GradientEdits.SetForm("b", "fill", 0, GradientEdits.Form.LINEAR));
    }

    @Test
    void aColourBecomesAGradientOfEachForm() {
        Paint.Linear linear = (Paint.Linear) paint(linear());
        assertThat(linear.from().rest()).isEqualTo(new Point(0, -30));
        assertThat(linear.to().rest()).isEqualTo(new Point(0, 30));
        assertThat(linear.stops().get(0).colour().rest()).isEqualTo(TEAL);
        Shot round = apply(linear(), new GradientEdits.SetForm("b", "fill", 0, GradientEdits.Form.RADIAL));
        assertThat(((Paint.Radial) paint(round)).radius().rest()).isEqualTo(30);
        Shot conic = apply(round, new GradientEdits.SetForm("b", "fill", 0, GradientEdits.Form.CONIC));
        assertThat(((Paint.Conic) paint(conic)).centre().rest()).isEqualTo(new Point(0, 0));
        assertThat(ChangedValue.of(round, conic))
                .as("what is called alike is read where it was")
                .isEmpty();
        Shot one = apply(conic, new GradientEdits.SetForm("b", "fill", 0, GradientEdits.Form.SOLID));
        assertThat(paint(one)).isEqualTo(Paint.solid(TEAL));
    }

    @Test
    void aStopThatIsAddedChangesNothingUntilItIsMoved() {
        Shot before = linear();
        Shot after = apply(before, new GradientEdits.AddStop("b", "fill", 0, "new", 0.3));
        assertThat(((Paint.Gradient) paint(after)).stops())
                .extracting(Paint.Stop::id)
                .containsExactly("s1", "new", "s2");
        assertThat(Studio.furthest(studio.render(before, 0), studio.render(after, 0)))
                .isLessThan(1e-6f);
        Shot without = apply(after, new GradientEdits.RemoveStop("b", "fill", "new"));
        assertThat(without).isEqualTo(before);
        assertThatThrownBy(() -> apply(before, new GradientEdits.RemoveStop("b", "fill", "s1")))
                .hasMessageContaining("at least two stops");
        assertThatThrownBy(() -> apply(box(), new GradientEdits.RemoveStop("b", "fill", "s1")))
                .hasMessageContaining("no gradient");
    }

    /** In a fade to clear, too, where colours that aren't premultiplied would be mixed differently. */
    @Test
    void addedInAFadeToClearItChangesNothingEither() {
        Paint fade = new Paint.Linear(
                Animated.of(new Point(-50, 0)),
                Animated.of(new Point(50, 0)),
                List.of(
                        Paint.Stop.of("a", 0, new Colour(1, 0.2, 0, 1)),
                        Paint.Stop.of("b", 1, new Colour(0, 0, 1, 0))));
        Shot before = box().changing("b", l -> Painted.named(l, "fill").set().apply(l, fade));
        Shot after = apply(before, new GradientEdits.AddStop("b", "fill", 0, "new", 0.6));
        assertThat(Studio.furthest(studio.render(before, 0), studio.render(after, 0)))
                .isLessThan(1e-6f);
    }

    @Test
    void stopsAreKeyedAndMayPassOneAnother() {
        Shot shot = linear();
        Layer layer = shot.layers().get(0);
        assertThat(Property.of(layer)).extracting(Property::name).contains("fill.stop.s1.at", "fill.stop.s2.colour");
        Shot keyed = shot.changing(
                "b",
                l -> Painted.named(l, "fill")
                        .set()
                        .apply(
                                l,
                                ((Paint.Gradient) paint(shot))
                                        .withStop(((Paint.Gradient) paint(shot))
                                                .stop("s1")
                                                .withAt(new Animated<>(
                                                        0.0,
                                                        List.of(
                                                                new Key<>(0, 0.0, Ease.LINEAR),
                                                                new Key<>(20, 1.0, Ease.LINEAR)))))
                                        .withStop(((Paint.Gradient) paint(shot))
                                                .stop("s2")
                                                .withAt(Animated.of(0.5)))));
        Picture start = studio.render(keyed, 0);
        Picture end = studio.render(keyed, 20);
        assertThat(start.at(80, 16)[1]).isGreaterThan(start.at(80, 72)[1]);
        assertThat(end.at(80, 16)[1]).as("teal lies at the other end now").isLessThan(end.at(80, 72)[1]);
    }

    @Test
    void endsAreMovedInPixelsOfTheShot() {
        Shot turned = linear().changing("b", l -> l.withPlace(l.place().withRotation(Animated.of(90.0))));
        Shot moved = apply(
                turned, new GradientEdits.MoveEnd("b", "fill", 0, GradientEdits.End.TO, new Point(50, 45), false));
        Point to = ((Paint.Linear) paint(moved)).to().rest();
        assertThat(to.x()).isCloseTo(0, within(1e-9));
        assertThat(to.y()).isCloseTo(30, within(1e-9));
        Shot conic = apply(linear(), new GradientEdits.SetForm("b", "fill", 0, GradientEdits.Form.CONIC));
        Shot pointed = apply(
                conic, new GradientEdits.MoveEnd("b", "fill", 0, GradientEdits.End.TO, new Point(79.9, 0), false));
        assertThat(((Paint.Conic) paint(pointed)).angle().rest()).isCloseTo(269.9, within(0.3));
        Shot keyed = apply(
                linear(), new GradientEdits.MoveEnd("b", "fill", 6, GradientEdits.End.FROM, new Point(90, 20), true));
        assertThat(((Paint.Linear) paint(keyed)).from().keys()).hasSize(1);
    }
}

package aperta.core.edit;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.shot;
import static aperta.core.render.Studio.word;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.render.Studio;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.LetterLook;
import aperta.core.shot.Place;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShapeEditsTest {
    private final Studio studio = new Studio();

    private Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, studio.planner));
    }

    private static ShapeEdits.Add figure(String id, Optional<String> onto, Figure figure) {
        return new ShapeEdits.Add(id, onto, 0, figure, new Point(40, 20), new Point(120, 70), 5, 0.5, 0, 0);
    }

    private static Content.Shape shape(Shot shot, String id) {
        return (Content.Shape) shot.layer(id).orElseThrow().content();
    }

    @Test
    void aFigureBecomesALayerWithItsSpaceInItsMiddle() {
        Shot drawn =
                apply(shot(box("b", 80, 45, 10, 10, Colour.BLACK)), figure("s", Optional.empty(), Figure.RECTANGLE));
        Layer layer = drawn.layers().get(0);
        assertThat(layer.place().position().rest()).isEqualTo(new Point(80, 45));
        assertThat(studio.planner.extent(studio.planner.moment(drawn, 0), "s").corners())
                .contains(new Point(-40, -25), new Point(40, 25));
        Picture picture = studio.render(drawn, 0);
        assertThat(picture.at(60, 30)[3]).isEqualTo(1);
        assertThat(picture.at(39, 45)[3]).isZero();
    }

    @Test
    void oneMorePathGoesWhereItWasDrawnOnATurnedShape() {
        Shot one = apply(shot(), figure("s", Optional.empty(), Figure.ELLIPSE));
        Layer s = one.layer("s").orElseThrow();
        Shot turned = one.changing(
                "s",
                l -> l.withPlace(Place.at(new Point(20, 20))
                        .withRotation(Animated.of(40.0))
                        .withScale(Animated.of(new Point(2, -1)))));
        Shot two = apply(turned, figure("p", Optional.of("s"), Figure.RECTANGLE));
        assertThat(shape(two, "s").paths()).extracting(Content.Shape.Path::name).containsExactly("Path 1", "Path 2");
        Picture picture = studio.render(two, 0);
        assertThat(picture.at(42, 22)[3]).isEqualTo(1);
        assertThat(picture.at(118, 68)[3]).isEqualTo(1);
        assertThat(s.content()).isNotEqualTo(two.layer("s").orElseThrow().content());
        assertThatThrownBy(() ->
                        apply(shot(box("b", 0, 0, 9, 9, Colour.BLACK)), figure("p", Optional.of("b"), Figure.STAR)))
                .hasMessage("'b' is not a shape.");
    }

    @Test
    void anOpenPathGetsALineAndCanBeClosedBrokenAndReversed() {
        BezierPath open = new BezierPath(
                List.of(BezierPath.Knot.corner(10, 10), BezierPath.Knot.corner(90, 10), BezierPath.Knot.corner(90, 60)),
                false);
        Shot drawn = apply(shot(), new ShapeEdits.Draw("s", Optional.empty(), 0, open));
        assertThat(shape(drawn, "s").coats().get(0)).isInstanceOf(Coat.Stroke.class);
        assertThat(studio.render(drawn, 0).at(50, 36)[3]).isZero();
        Shot closed = apply(drawn, new PathEdits.SetClosed("s", "path.path", 0, 0, true));
        assertThat(studio.render(closed, 0).at(50, 35)[3]).isEqualTo(1);
        assertThatThrownBy(() -> apply(closed, new PathEdits.SetClosed("s", "path.path", 0, 0, true)))
                .hasMessageContaining("closed already");
        Shot broken = apply(closed, new PathEdits.SetClosed("s", "path.path", 0, 1, false));
        BezierPath path = shape(broken, "s").paths().get(0).path().rest();
        assertThat(path.knots()).hasSize(4);
        assertThat(path.knots().get(0)).isEqualTo(path.knots().get(3));
        Shot back = apply(broken, new PathEdits.Reverse("s", "path.path", 0));
        assertThat(shape(back, "s").paths().get(0).path().rest()).isEqualTo(path.reversed());
    }

    /** J9: the line round a word goes with it. */
    @Test
    void aFrameGoesRoundALayerAndWithIt() {
        Layer word =
                word("w", "Orrin", 30).withPlace(Place.at(new Point(80, 45)).withRotation(Animated.of(30.0)));
        Shot framed = apply(shot(word), new ShapeEdits.FrameRound("w", "f", 0, 6, 0));
        assertThat(framed.layers()).extracting(Layer::id).containsExactly("f", "w");
        var moment = studio.planner.moment(framed, 0);
        var inner = studio.planner.extent(moment, "w");
        var outer = studio.planner.extent(moment, "f");
        assertThat(outer).isEqualTo(inner.grown(6));
        assertThat(moment.of("f").toShot()).isEqualTo(moment.of("w").toShot());
    }

    /** The same picture; java.awt offsets quadratic curves and the same ones as cubic ones differently, at single pixels. */
    @ParameterizedTest
    @CsvSource({"0, 0.004", "3, 0.13"})
    void wordsBecomeAShapeThatLooksTheSame(double edge, float most) {
        Layer word = word("w", "Bo& 8", 40);
        Content.Text text = ((Content.Text) word.content())
                .with(LetterLook.Measure.EDGE_WIDTH, Animated.of(edge))
                .with(LetterLook.Measure.FILL_OPACITY, Animated.of(0.6));
        text = text.withLook(text.look().withEdge(Animated.of(new Colour(0.8, 0.1, 0.1, 1))));
        Shot before = shot(word.withContent(text));
        Shot after = apply(before, new ShapeEdits.TextToShape("w"));
        assertThat(shape(after, "w").paths()).hasSizeGreaterThan(7);
        Picture one = studio.render(before, 0);
        Picture two = studio.render(after, 0);
        float worst = 0;
        double sum = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                float off = Math.abs(two.at(x, y)[3] - one.at(x, y)[3]);
                worst = Math.max(worst, off);
                sum += off;
            }
        }
        assertThat(worst).isLessThan(most);
        assertThat(sum / (160 * 90)).isLessThan(1 / 2550.0);
        assertThatThrownBy(() -> apply(after, new ShapeEdits.TextToShape("w"))).hasMessage("'w' is not a text.");
    }

    @Test
    void pathsAndCoatsHaveIdsOfTheirOwn() {
        Shot one = apply(shot(), figure("s", Optional.empty(), Figure.STAR));
        Content.Shape shape = shape(one, "s");
        Coat fill = shape.coats().get(0);
        Shot twice = one.changing("s", l -> l.withContent(new Content.Shape(shape.paths(), List.of(fill, fill))));
        assertThat(Rules.broken(twice)).singleElement().asString().contains("have the same id");
    }
}

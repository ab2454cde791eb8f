package aperta.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.render.Studio;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Place;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class TraceEditsTest {
    private final Studio studio = new Studio();

    private Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, studio.planner));
    }

    private static double light(Picture p) {
        double sum = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                sum += p.at(x, y)[3];
            }
        }
        return sum;
    }

    private static final Shot WORD = Studio.shot(Studio.word("w", "OR", 60));

    @Test
    void aTraceLiesOverItsLayerAndGoesWithIt() {
        Shot shot = apply(WORD, new TraceEdits.Add("w", "t", Content.Along.SHAPE));
        assertThat(shot.layers()).extracting(Layer::id).containsExactly("t", "w");
        assertThat(shot.layer("t").orElseThrow().parent()).contains("w");
        Shot gone = apply(shot, new LayerEdits.Delete(List.of("w")));
        assertThat(gone.layers()).isEmpty();
    }

    /** The outline draws itself, then the word fades up where it is: the edges of both are the same. */
    @Test
    void anOutlineIsDrawnAndTheWordFadesUpInTenFrames() {
        Shot shot = apply(WORD, new TraceEdits.DrawOn("w", "t", Content.Along.SHAPE, 20));
        double whole = light(studio.render(WORD, 0));
        assertThat(light(studio.render(shot, 0))).isLessThan(5);
        // On its way the line has a dot at each end, with light around it.
        assertThat(light(studio.render(shot, 10))).isBetween(200.0, 700.0);
        double drawn = light(studio.render(shot, 20));
        assertThat(light(studio.render(shot, 25))).isBetween(drawn, whole);
        Picture stands = studio.render(shot, 40);
        assertThat(Studio.furthest(stands, studio.render(WORD, 40))).isLessThan(1e-6f);
        assertThat(shot.layer("w").orElseThrow().place().opacity().keys()).hasSize(2);
    }

    @Test
    void whatIsTooShortOrFadesAlreadyIsSaid() {
        assertThatThrownBy(() -> apply(WORD, new TraceEdits.DrawOn("w", "t", Content.Along.SHAPE, 40)))
                .hasMessageContaining("is there for 48 frames")
                .hasMessageContaining("takes 60");
        Shot keyed = apply(WORD, new TraceEdits.DrawOn("w", "t", Content.Along.SHAPE, 20));
        assertThatThrownBy(() -> apply(keyed, new TraceEdits.DrawOn("w", "t2", Content.Along.SHAPE, 20)))
                .hasMessageContaining("opacity of 'w' moves already");
    }

    @Test
    void aTraceBecomesAShapeThatLooksTheSame() {
        for (Content of : List.of(
                Content.Text.of("OR8", "anton", 60),
                new Content.Fill(
                        Animated.of(new Point(70, 40)), new aperta.core.shot.Paint.Solid(Animated.of(Colour.WHITE))))) {
            Layer layer = Layer.of("w", "w", of, Span.of(0, 48), Place.at(Studio.SMALL.centre()));
            Shot traced = apply(Studio.shot(layer), new TraceEdits.Add("w", "t", Content.Along.SHAPE));
            Shot shape = apply(traced, new TraceEdits.ToShape("t", 5));
            assertThat(shape.layer("t").orElseThrow().content()).isInstanceOf(Content.Shape.class);
            assertThat(Studio.furthest(studio.render(traced, 5), studio.render(shape, 5)))
                    .isLessThan(1e-4f);
        }
        assertThatThrownBy(() -> apply(WORD, new TraceEdits.ToShape("w", 5))).hasMessageContaining("not a trace");
    }

    @Test
    void whatIsTracedMayBeReplacedAndTheTraceFollows() {
        Shot shot = apply(WORD, new TraceEdits.Add("w", "t", Content.Along.SHAPE));
        Shot other = apply(shot, new ReplaceEdits.ByContent("w", Content.Text.of("ILL", "anton", 40), "ILL"));
        Layer bare = other.layer("t").orElseThrow();
        assertThat(light(studio.render(other.changing("w", l -> l.withHidden(true)), 5)))
                .isCloseTo(
                        light(studio.render(
                                apply(
                                        Studio.shot(Studio.word("w", "ILL", 40).withHidden(true)),
                                        new TraceEdits.Add("w", "t", Content.Along.SHAPE)),
                                5)),
                        within(1e-3));
        assertThat(bare.content()).isEqualTo(shot.layer("t").orElseThrow().content());
    }

    @Test
    void aTraceOfATraceOrOfItsGroupIsRefused() {
        Shot shot = apply(WORD, new TraceEdits.Add("w", "t", Content.Along.SHAPE));
        assertThatThrownBy(() -> apply(shot, new TraceEdits.Add("t", "t2", Content.Along.SHAPE)))
                .hasMessageContaining("no picture of its own");
        Layer inner = shot.layer("t").orElseThrow().withParent(Optional.empty());
        Layer group = Layer.of(
                "g",
                "Group",
                new Content.Group(List.of(inner.withContent(Content.Trace.of("g", Content.Along.SHAPE, List.of())))),
                Span.of(0, 48),
                Place.at(Point.ORIGIN));
        assertThat(Rules.broken(Studio.shot(group))).anyMatch(s -> s.contains("a group that holds it"));
        assertThat(Rules.broken(
                        Studio.shot(inner.withContent(Content.Trace.of("nobody", Content.Along.SHAPE, List.of())))))
                .anyMatch(s -> s.contains("not in this shot"));
    }
}

package aperta.core.edit;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.shot;
import static aperta.core.render.Studio.word;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.render.Studio;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Layer;
import aperta.core.shot.Place;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ReplaceEditsTest {
    private static final Edit.Extents EXTENTS = new Studio().planner;

    private final Layer word = word("w", "TRAM", 40)
            .withPlace(Place.at(new Point(9, 8)).withRotation(Animated.of(30.0)))
            .withSpan(new Span(3, 20, 1));
    private final Layer card = box("c", 80, 45, 30, 20, Colour.WHITE);
    private final Layer cut =
            box("x", 80, 45, 30, 20, Colour.WHITE).withCut(Optional.of(new Cut("w", Cut.With.SHAPE, Cut.Keep.INSIDE)));

    private static Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, EXTENTS));
    }

    @Test
    void allButTheContentStays() {
        Shot after = apply(shot(word, cut), new ReplaceEdits.ByContent("w", new Content.Still("mark"), "mark"));
        Layer mark = after.layers().get(0);
        assertThat(mark.content()).isEqualTo(new Content.Still("mark"));
        assertThat(mark.withContent(word.content()).withIdentity("w", "w")).isEqualTo(word.withIdentity("w", "w"));
        assertThat(after.layers().get(1)).as("what it cuts is cut by it").isEqualTo(cut);
    }

    @Test
    void aLayerTakesThePlaceOfAnotherAndGoes() {
        Shot after = apply(shot(word, cut, card), new ReplaceEdits.ByLayer("w", "c"));
        assertThat(after.layers()).extracting(Layer::id).containsExactly("w", "x");
        assertThat(after.layers().get(0).content()).isEqualTo(card.content());
        assertThat(after.layers().get(0).place()).isEqualTo(word.place());
        assertThat(after.layers().get(0).span()).isEqualTo(word.span());
    }

    @Test
    void whatCantBeIsASentence() {
        Layer group = Layer.of("g", "g", new Content.Group(List.of(card)), Span.of(0, 48), Place.at(Point.ORIGIN));
        Shot shot = shot(
                word,
                group,
                Layer.of("s", "s", new Content.Sound("bell", Animated.of(0.0)), Span.of(0, 9), Place.at(Point.ORIGIN)));
        assertThatThrownBy(() -> apply(shot, new ReplaceEdits.ByLayer("g", "c")))
                .hasMessageContaining("one lies in the other");
        assertThatThrownBy(() -> apply(shot, new ReplaceEdits.ByLayer("w", "w")))
                .hasMessageContaining("the same layer");
        assertThatThrownBy(() ->
                        apply(shot, new ReplaceEdits.ByContent("w", new Content.Sound("bell", Animated.of(0.0)), "x")))
                .hasMessageContaining("heard");
        Shot again = apply(shot, new LayerEdits.UseAgain("g", "g2"));
        assertThatThrownBy(() -> apply(again, new ReplaceEdits.ByLayer("w", "g")))
                .hasMessageContaining("used again");
    }
}

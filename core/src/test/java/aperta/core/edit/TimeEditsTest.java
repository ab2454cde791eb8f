package aperta.core.edit;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.clip;
import static aperta.core.render.Studio.shot;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.render.Studio;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Layer;
import aperta.core.shot.Marker;
import aperta.core.shot.Moment;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Range;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TimeEditsTest {
    private static final Passage WAY = new Passage(6, 0, Ease.LINEAR, Pose.faded(0), Optional.empty());
    private final Layer rain = keyed(clip("rain")).withSpan(new Span(10, 20, 4));

    private static Layer keyed(Layer l) {
        return l.withPlace(l.place()
                .withRotation(new Animated<>(
                        0.0, List.of(new Key<>(4, 0.0, Ease.LINEAR), new Key<>(24, 20.0, Ease.LINEAR)))));
    }

    private static Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, new Studio().planner));
    }

    private static double content(Shot shot, String layer, double frame) {
        return new Moment(shot, frame).of(layer).content();
    }

    private static double turn(Shot shot, double frame) {
        return new Moment(shot, frame).rest("rain").place().rotation().rest();
    }

    @Test
    void slidingTakesContentAndKeysAlong() {
        Shot after = apply(shot(rain), new TimeEdits.Slide(List.of("rain"), 7));
        assertThat(after.layers().get(0).span()).isEqualTo(new Span(17, 20, 4));
        assertThat(content(after, "rain", 20)).isEqualTo(content(shot(rain), "rain", 13));
        assertThat(turn(after, 20)).isEqualTo(turn(shot(rain), 13));
    }

    @Test
    void whatLiesInAMovedGroupIsMovedOnce() {
        Layer group = group("g", rain);
        Shot after = apply(shot(group), new TimeEdits.Slide(List.of("g", "rain"), 5));
        assertThat(after.layer("g").orElseThrow().span().in()).isEqualTo(5);
        assertThat(after.layer("rain").orElseThrow().span().in()).isEqualTo(10);
    }

    private static Layer group(String id, Layer... inside) {
        return Layer.of(
                id,
                id,
                new Content.Group(List.of(inside)),
                Span.of(0, 48),
                Place.at(new Point(80, 45)).withAnchor(Animated.of(new Point(80, 45))));
    }

    @Test
    void slippingMovesTheContentOnly() {
        Shot after = apply(shot(rain), new TimeEdits.Slip(List.of("rain"), 3));
        assertThat(after.layers().get(0).span()).isEqualTo(new Span(10, 20, 7));
        assertThat(content(after, "rain", 13)).isEqualTo(content(shot(rain), "rain", 13) + 3);
        assertThat(turn(after, 13)).isEqualTo(turn(shot(rain), 13));
    }

    @Test
    void trimmingLeavesContentWhereItIs() {
        Shot start = apply(shot(rain), new TimeEdits.Trim(List.of("rain"), 15, TimeEdits.End.START));
        assertThat(start.layers().get(0).span()).isEqualTo(new Span(15, 15, 9));
        Shot end = apply(start, new TimeEdits.Trim(List.of("rain"), 20, TimeEdits.End.END));
        assertThat(end.layers().get(0).span()).isEqualTo(new Span(15, 6, 9));
        for (int f = 15; f < 21; f++) {
            assertThat(content(end, "rain", f)).isEqualTo(content(shot(rain), "rain", f));
            assertThat(turn(end, f)).isEqualTo(turn(shot(rain), f));
        }
        Shot longer = apply(end, new TimeEdits.Trim(List.of("rain"), 40, TimeEdits.End.END));
        assertThat(longer.layers().get(0).span().out()).isEqualTo(41);
        assertThatThrownBy(() -> apply(end, new TimeEdits.Trim(List.of("rain"), 30, TimeEdits.End.START)))
                .hasMessage("'rain' is not there on that frame.");
    }

    @Test
    void trimmingInsideAGroupKeepsToTheGroupsTime() {
        Shot inside = shot(group("g", rain).withSpan(new Span(6, 42, 0)));
        Shot after = apply(inside, new TimeEdits.Trim(List.of("rain"), 21, TimeEdits.End.START));
        assertThat(after.layer("rain").orElseThrow().span()).isEqualTo(new Span(15, 15, 9));
    }

    @Test
    void splitHalvesShowWhatTheWholeShowed() {
        Layer whole = rain.withArrive(Optional.of(WAY)).withLeave(Optional.of(WAY));
        Shot after = apply(shot(whole), new TimeEdits.Split(List.of("rain"), List.of("two"), 18));
        Layer first = after.layer("rain").orElseThrow();
        Layer second = after.layer("two").orElseThrow();
        assertThat(after.layers()).containsExactly(second, first);
        assertThat(first.span()).isEqualTo(new Span(10, 8, 4));
        assertThat(second.span()).isEqualTo(new Span(18, 12, 12));
        assertThat(first.arrive()).contains(WAY);
        assertThat(first.leave()).isEmpty();
        assertThat(second.arrive()).isEmpty();
        assertThat(second.leave()).contains(WAY);
        assertThat(second.name()).isEqualTo("rain");
        Studio studio = new Studio();
        for (int f = 9; f < 31; f++) {
            assertThat(studio.render(after, f).at(70, 40))
                    .isEqualTo(studio.render(shot(whole), f).at(70, 40));
        }
        Layer cut = box("c", 80, 45, 9, 9, Colour.WHITE)
                .withCut(Optional.of(new Cut("rain", Cut.With.SHAPE, Cut.Keep.INSIDE)));
        assertThatThrownBy(() -> apply(shot(cut, rain), new TimeEdits.Split(List.of("rain"), List.of("two"), 18)))
                .hasMessageContaining("'rain' cuts 'c'");
        assertThatThrownBy(() -> apply(shot(rain), new TimeEdits.Split(List.of("rain"), List.of("two"), 10)))
                .hasMessageContaining("nothing before that frame");
    }

    /** The beginnings of five layers on frames 3, 9, 4, 20 and 5. */
    @ParameterizedTest
    @CsvSource({
        "LIST, 4, 3 7 11 15 19",
        "REVERSED, 4, 19 15 11 7 3",
        "MIDDLE, 3, 9 6 3 6 9",
        "LIST, -2, 11 9 7 5 3",
        "LIST, 0, 3 3 3 3 3"
    })
    void staggeredLayersBeginOneAfterAnother(TimeEdits.Order order, long by, String ins) {
        long[] in = {3, 9, 4, 20, 5};
        Layer[] layers = new Layer[5];
        for (int i = 0; i < 5; i++) {
            layers[i] = box("b" + i, 40, 40, 9, 9, Colour.WHITE).withSpan(Span.of(in[i], 10));
        }
        Shot after = apply(shot(layers), new TimeEdits.Stagger(List.of("b4", "b0", "b1", "b2", "b3"), by, order));
        assertThat(after.layers().stream().map(l -> "" + l.span().in())).containsExactly(ins.split(" "));
    }

    @Test
    void aStretchedLayerRunsSlowerWithItsKeys() {
        Shot after = apply(shot(rain.withArrive(Optional.of(WAY))), new TimeEdits.Stretch("rain", 40));
        Layer l = after.layers().get(0);
        assertThat(l.span()).isEqualTo(new Span(10, 40, 8));
        for (int f = 0; f < 20; f++) {
            assertThat(content(after, "rain", 10 + 2 * f)).isEqualTo(content(shot(rain), "rain", 10 + f));
            assertThat(turn(after, 10 + 2 * f)).isEqualTo(turn(shot(rain), 10 + f));
        }
        assertThat(l.arrive().orElseThrow().length()).isEqualTo(12);
    }

    @Test
    void aFrozenLayerShowsTheFrameUnderThePlayhead() {
        Shot slow = apply(shot(rain), new TimeEdits.Stretch("rain", 40));
        for (Shot shot : List.of(shot(rain), slow)) {
            Shot after = apply(shot, new TimeEdits.Freeze(List.of("rain"), 16));
            assertThat(content(after, "rain", 12)).isEqualTo(content(shot, "rain", 16));
            assertThat(content(after, "rain", 29)).isEqualTo(content(shot, "rain", 16));
            assertThat(turn(after, 12)).isEqualTo(turn(shot, 12));
        }
    }

    @Test
    void aPartOfAShotShowsWhatTheWholeShowsThere() {
        Shot whole = shot(rain.withArrive(Optional.of(WAY)), clip("plate"));
        Shot part = whole.only(new Range(12, 20));
        assertThat(part.length()).isEqualTo(8);
        Studio studio = new Studio();
        for (int f = 0; f < 8; f++) {
            assertThat(studio.render(part, f).at(60, 40))
                    .isEqualTo(studio.render(whole, 12 + f).at(60, 40));
        }
    }

    @Test
    void aShotIsMadeLongerWithOrWithoutWhatIsInIt() {
        Layer plate = clip("plate");
        Shot before =
                shot(rain, plate).withMarkers(List.of(new Marker(40, "tram"))).withWork(Optional.of(new Range(10, 40)));
        Shot stays = apply(before, new TimeEdits.Relength(96, TimeEdits.Inside.STAYS));
        assertThat(stays.layers()).isEqualTo(before.layers());
        Shot ends = apply(before, new TimeEdits.Relength(96, TimeEdits.Inside.ENDS));
        assertThat(ends.layer("plate").orElseThrow().span()).isEqualTo(Span.of(0, 96));
        assertThat(ends.layer("rain").orElseThrow().span()).isEqualTo(rain.span());
        Shot stretched = apply(before, new TimeEdits.Relength(96, TimeEdits.Inside.STRETCHES));
        assertThat(stretched.layer("rain").orElseThrow().span()).isEqualTo(new Span(20, 40, 8));
        assertThat(stretched.markers()).containsExactly(new Marker(80, "tram"));
        assertThat(stretched.work()).contains(new Range(20, 80));
        Shot shorter = apply(before, new TimeEdits.Relength(24, TimeEdits.Inside.ENDS));
        assertThat(shorter.layer("plate").orElseThrow().span()).isEqualTo(Span.of(0, 24));
        assertThat(shorter.markers()).containsExactly(new Marker(23, "tram"));
        assertThat(shorter.work()).contains(new Range(10, 24));
    }
}

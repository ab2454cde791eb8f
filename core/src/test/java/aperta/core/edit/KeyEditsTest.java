package aperta.core.edit;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.shot;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.recipe.Recipe;
import aperta.core.render.Studio;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Beyond;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Mix;
import aperta.core.time.Signal;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class KeyEditsTest {
    private static final Edit.Extents EXTENTS = new Studio().planner;
    private static final Ease SHARP = new Ease.CubicBezier(0.8, 0.1, 0.9, 0.4);

    /** Opacity 0 → 1 → 0.5 on frames 4, 10 and 12 of a layer that begins on frame 3. */
    private final Layer a = faded("a", 3);

    private static Layer faded(String id, long in) {
        Layer l = box(id, 40, 40, 20, 10, Colour.WHITE).withSpan(Span.of(in, 40));
        return l.withPlace(l.place()
                .withOpacity(new Animated<>(
                        1.0,
                        List.of(
                                new Key<>(4, 0.0, SHARP),
                                new Key<>(10, 1.0, Ease.LINEAR),
                                new Key<>(12, 0.5, Ease.HOLD)))));
    }

    private static Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, EXTENTS));
    }

    private static KeyEdits.KeyName key(String layer, long at) {
        return new KeyEdits.KeyName(layer, "place.opacity", at);
    }

    private static List<Key<Double>> keys(Shot shot, String layer) {
        return shot.layer(layer).orElseThrow().place().opacity().keys();
    }

    private static double opacity(Shot shot, String layer, double frame) {
        return new Moment(shot, frame).of(layer).opacity();
    }

    @Test
    void reversedKeysRunBackwardsOnEveryFrame() {
        Shot before = shot(a);
        Shot after = apply(before, new KeyEdits.ReverseKeys(List.of(key("a", 4), key("a", 10), key("a", 12))));
        for (int i = 0; i <= 8; i++) {
            assertThat(opacity(after, "a", 7 + i)).isCloseTo(opacity(before, "a", 15 - i), within(1e-12));
        }
        Shot again = apply(after, new KeyEdits.ReverseKeys(List.of(key("a", 4), key("a", 6), key("a", 12))));
        assertThat(keys(again, "a").get(1)).isEqualTo(keys(before, "a").get(1));
    }

    @Test
    void theArrivingSideOfAKeyIsTheEaseOfTheOneBefore() {
        Shot after = apply(
                shot(a),
                new KeyEdits.SetEase(
                        List.of(key("a", 4), key("a", 12)), Ease.EASE_OUT, KeyEdits.Side.ARRIVING, KeyEdits.Half.BOTH));
        assertThat(keys(after, "a")).extracting(Key::ease).containsExactly(SHARP, Ease.EASE_OUT, Ease.HOLD);
        assertThatThrownBy(() -> apply(
                        shot(a),
                        new KeyEdits.SetEase(
                                List.of(key("a", 4)), Ease.EASE, KeyEdits.Side.ARRIVING, KeyEdits.Half.BOTH)))
                .hasMessageContaining("No key comes before");
    }

    /** The other half stays; a straight line is a curve, too, a hold is none. */
    @Test
    void halfOfAnEaseIsSetByItself() {
        Ease soft = new Ease.CubicBezier(0.3, 0.2, 0.1, 1);
        List<KeyEdits.KeyName> all = List.of(key("a", 4), key("a", 10), key("a", 12));
        Shot start = apply(shot(a), new KeyEdits.SetEase(all, soft, KeyEdits.Side.LEAVING, KeyEdits.Half.START));
        assertThat(keys(start, "a"))
                .extracting(Key::ease)
                .containsExactly(new Ease.CubicBezier(0.3, 0.2, 0.9, 0.4), new Ease.CubicBezier(0.3, 0.2, 1, 1), soft);
        Shot end = apply(shot(a), new KeyEdits.SetEase(all, soft, KeyEdits.Side.ARRIVING, KeyEdits.Half.END));
        assertThat(keys(end, "a"))
                .extracting(Key::ease)
                .containsExactly(new Ease.CubicBezier(0.8, 0.1, 0.1, 1), new Ease.CubicBezier(0, 0, 0.1, 1), Ease.HOLD);
    }

    @Test
    void keysOfSeveralLayersAreTurnedRoundTogether() {
        Shot after = apply(
                shot(a, faded("b", 13)),
                new KeyEdits.ReverseKeys(List.of(key("a", 4), key("a", 10), key("b", 4), key("b", 12))));
        // On the bars: a 7 and 13, b 17 and 25; together 7 to 25.
        assertThat(keys(after, "a")).extracting(Key::at).containsExactly(12L, 16L, 22L);
        assertThat(keys(after, "b")).extracting(Key::at).containsExactly(-6L, 2L, 10L);
    }

    @Test
    void stretchingIsAboutAFrameThatStays() {
        List<KeyEdits.KeyName> all = List.of(key("a", 4), key("a", 10), key("a", 12));
        Shot after = apply(shot(a), new KeyEdits.StretchKeys(all, 7, 2));
        assertThat(keys(after, "a")).extracting(Key::at).containsExactly(4L, 16L, 20L);
        Shot squeezed = apply(shot(a), new KeyEdits.StretchKeys(all, 15, 0.25));
        assertThat(keys(squeezed, "a")).extracting(Key::at).containsExactly(10L, 12L);
        assertThatThrownBy(() -> new KeyEdits.StretchKeys(all, 7, -1)).hasMessageContaining("factor over 0");
    }

    @Test
    void copiedKeysLandOnThePlayheadOfOtherLayers() {
        Layer b = box("b", 40, 40, 20, 10, Colour.WHITE).withSpan(Span.of(20, 20));
        Layer c = box("c", 40, 40, 20, 10, Colour.WHITE).withSpan(new Span(0, 40, 5));
        KeyEdits.Track track = new KeyEdits.Track(
                0, "place.opacity", List.of(new Key<>(7, 0.0, SHARP), new Key<>(13, 1.0, Ease.LINEAR)));
        Shot after = apply(shot(a, b, c), new KeyEdits.PasteKeys(List.of(track), List.of("b", "c"), 22));
        for (String id : List.of("b", "c")) {
            assertThat(opacity(after, id, 22)).isZero();
            assertThat(opacity(after, id, 25)).isCloseTo(SHARP.at(0.5), within(1e-12));
            assertThat(opacity(after, id, 28)).isEqualTo(1);
        }
        KeyEdits.Track second = new KeyEdits.Track(1, "place.opacity", track.keys());
        assertThatThrownBy(() -> apply(shot(a, b), new KeyEdits.PasteKeys(List.of(track, second), List.of("b"), 22)))
                .hasMessage("The keys were copied from 2 layers; choose as many to put them on, not 1.");
        assertThatThrownBy(() -> apply(shot(a), new KeyEdits.PasteKeys(List.of(), List.of("a"), 1)))
                .hasMessage("No keys have been copied yet.");
    }

    @Test
    void pathsAreBentAndKeysGiveUpTheirTime() {
        Layer moving = a.withPlace(a.place()
                .withPosition(new Animated<>(
                        Point.ORIGIN,
                        List.of(
                                new Key<>(0, Point.ORIGIN, Ease.LINEAR),
                                new Key<>(2, new Point(30, 0), Ease.LINEAR),
                                new Key<>(20, new Point(30, 10), Ease.LINEAR)))));
        Shot bent =
                apply(shot(moving), new PlaceEdits.MovePath("a", 3, 2, PathEdits.Part.OUT, new Point(30, 20), true));
        Key<Point> corner = bent.layers().get(0).place().position().keys().get(1);
        assertThat(corner.out().orElseThrow().minus(new Point(0, 20)).length()).isLessThan(1e-9);
        assertThat(corner.in().orElseThrow().minus(new Point(0, -20)).length()).isLessThan(1e-9);
        Shot straight = apply(bent, new PlaceEdits.MovePath("a", 3, 2, PathEdits.Part.OUT, new Point(30, 1), false));
        assertThat(straight.layers().get(0).place().position().keys().get(1).out())
                .isEmpty();
        Shot moved = apply(
                shot(moving),
                new Several(List.of(
                        new PlaceEdits.MovePath("a", 3, 2, PathEdits.Part.AT, new Point(31, 5), false),
                        new KeyEdits.MoveKeys(List.of(new KeyEdits.KeyName("a", "place.position", 2)), 3))));
        assertThat(moved.layers().get(0).place().position().keys().get(1))
                .satisfies(k -> assertThat(k.at()).isEqualTo(5))
                .satisfies(k ->
                        assertThat(k.value().minus(new Point(31, 5)).length()).isLessThan(1e-9));
        assertThatThrownBy(() ->
                        apply(shot(moving), new PlaceEdits.MovePath("a", 3, 1, PathEdits.Part.AT, Point.ORIGIN, false)))
                .hasMessageContaining("has no key on frame 1");
        Shot loose = apply(
                shot(moving), new KeyEdits.SetLoose(List.of(new KeyEdits.KeyName("a", "place.position", 2)), true));
        // 40 px in 20 frames: 2 px a frame, so that the corner is reached on frame 15.
        Animated<Point> position = loose.layers().get(0).place().position();
        assertThat(position.at(5, Mix.POINT)).isEqualTo(new Point(10, 0));
        assertThat(position.at(17, Mix.POINT)).isEqualTo(new Point(30, 4));
    }

    @Test
    void whatIsBeyondTheKeysIsSet() {
        Shot after = apply(shot(a), new KeyEdits.SetBeyond("a", "place.opacity", Beyond.HOLD, Beyond.LOOP));
        assertThat(opacity(after, "a", 3 + 12 + 6)).isEqualTo(opacity(after, "a", 3 + 4 + 6));
    }

    @Test
    void unpackedSignalsDoTheSameOnEveryFrame() {
        Recipe jitter = Recipe.of(Signal.of("jitter").descriptor(), Map.of("amount", 0.3, "times", 5.0));
        Shot moved = apply(shot(a), new KeyEdits.SetSignals("a", "place.opacity", List.of(jitter)));
        Shot plain = apply(moved, new KeyEdits.Unpack("a", "place.opacity"));
        assertThat(plain.layers().get(0).place().opacity().signals()).isEmpty();
        assertThat(keys(plain, "a")).hasSize(40);
        for (int f = 3; f < 43; f++) {
            assertThat(opacity(plain, "a", f)).isEqualTo(opacity(moved, "a", f));
        }
        assertThat(opacity(moved, "a", 30)).isNotEqualTo(opacity(shot(a), "a", 30));
    }

    @Test
    void aValueMayAskForAKey() {
        Layer still = box("s", 40, 40, 20, 10, Colour.WHITE);
        Shot rest = apply(shot(still), new KeyEdits.SetValue("s", "place.opacity", 9, 0.5, false));
        assertThat(keys(rest, "s")).isEmpty();
        Shot keyed = apply(shot(still), new KeyEdits.SetValue("s", "place.opacity", 9, 0.5, true));
        assertThat(keys(keyed, "s")).extracting(Key::at).containsExactly(9L);
    }
}

package aperta.core.edit;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.shot;
import static aperta.core.render.Studio.word;
import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Paint;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.List;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;

class ChangedValueTest {
    private static final Shot BEFORE = shot(word("w", "HILL", 40), box("b", 20, 20, 10, 10, Colour.WHITE));

    private static Shot with(String id, UnaryOperator<Layer> change) {
        return BEFORE.changing(id, change);
    }

    @Test
    void oneValueIsSaidWithItsUnit() {
        assertThat(ChangedValue.of(
                        BEFORE,
                        with("w", l -> l.withPlace(l.place().withPosition(Animated.of(new Point(640, 200.25)))))))
                .contains("640, 200.2 px");
        assertThat(ChangedValue.of(BEFORE, with("w", l -> l.withPlace(l.place().withOpacity(Animated.of(0.125))))))
                .contains("12.5 %");
        assertThat(ChangedValue.of(
                        BEFORE,
                        with(
                                "w",
                                l -> l.withContent(
                                        ((Content.Text) l.content()).withFill(Paint.solid(Colour.parse("#aa0000")))))))
                .contains("#aa0000");
    }

    @Test
    void ofKeysItIsTheOneThatChanged() {
        Animated<Double> turning =
                new Animated<>(0.0, List.of(new Key<>(3, 10.0, Ease.LINEAR), new Key<>(9, 20.0, Ease.LINEAR)));
        Shot keyed = with("w", l -> l.withPlace(l.place().withRotation(turning)));

        assertThat(ChangedValue.of(
                        keyed,
                        keyed.changing(
                                "w", l -> l.withPlace(l.place().withRotation(turning.withKey(9, 45.5, Ease.LINEAR))))))
                .contains("45.5 °");
        assertThat(ChangedValue.of(BEFORE, keyed)).as("two keys at once").isEmpty();
    }

    @Test
    void severalChangesAndOtherOnesAreNotSaid() {
        assertThat(ChangedValue.of(BEFORE, BEFORE)).isEmpty();
        assertThat(ChangedValue.of(BEFORE, with("w", l -> l.withMotionBlur(true))))
                .isEmpty();
        assertThat(ChangedValue.of(
                        BEFORE,
                        with("w", l -> l.withPlace(l.place().withOpacity(Animated.of(0.5))))
                                .changing("b", l -> l.withPlace(l.place().withOpacity(Animated.of(0.5))))))
                .isEmpty();
    }
}

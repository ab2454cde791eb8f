package aperta.media.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class OwnPixelsTest {
    private static final Animated<Point> GROWING = Animated.of(new Point(1, 1))
            .withKeys(List.of(new Key<>(0, new Point(2, 2), Ease.LINEAR), new Key<>(10, new Point(4, 4), Ease.LINEAR)));

    private static Layer layer(String id) {
        return Layer.of(id, id, Content.Text.of("HILL", "anton", 40), Span.of(6, 20), Place.at(new Point(80, 45)));
    }

    private static Shot shot(Layer... layers) {
        return new Shot("x", new Format(160, 90, Rate.of(24)), 48, List.of(layers));
    }

    @Test
    void eachKeyIsDividedByTheScaleOnItsFrame() {
        Layer old = layer("a");
        Animated<Double> blur =
                Animated.of(0.0).withKeys(List.of(new Key<>(0, 12.0, Ease.LINEAR), new Key<>(5, 6.0, Ease.LINEAR)));
        Place place = old.place().withScale(GROWING).withBlur(blur);
        Layer next = OwnPixels.of(shot(old.withPlace(place))).layers().get(0);
        assertThat(next.place().blur().keys()).extracting(Key::value).containsExactly(6.0, 2.0);
    }

    @Test
    void thoseOfCutsAndPosesTooWithTheScaleOfTheGroupsAround() {
        Cut.Tone tone = Cut.Tone.PLAIN.withBlur(Animated.of(9.0)).withSpread(Animated.of(-3.0));
        Pose pose = Pose.scaled(2).withBlur(24);
        Layer old = layer("a")
                .withCut(Optional.of(new Cut("b", Cut.With.SHAPE, Cut.Keep.INSIDE, tone)))
                .withArrive(Optional.of(new Passage(8, 0, Ease.LINEAR, pose, Optional.empty())));
        Place triple = Place.at(Point.ORIGIN).withScale(Animated.of(new Point(3, 3)));
        Layer group = Layer.of("g", "g", new Content.Group(List.of(old)), Span.of(0, 48), triple);
        Layer next = OwnPixels.of(shot(group, layer("b"))).layer("a").orElseThrow();
        assertThat(next.cut().orElseThrow().tone().blur().rest()).isEqualTo(3);
        assertThat(next.cut().orElseThrow().tone().spread().rest()).isEqualTo(-1);
        assertThat(next.arrive().orElseThrow().pose().blur()).isCloseTo(4, within(1e-9));
    }

    @Test
    void whatHasNoLengthsOrIsOfItsOwnSizeIsTheVerySame() {
        Layer plain = layer("a").withPlace(layer("a").place().withScale(GROWING));
        Layer blurred = layer("b").withPlace(layer("b").place().withBlur(Animated.of(7.0)));
        Shot old = shot(plain, blurred);
        assertThat(OwnPixels.of(old)).isEqualTo(old);
    }
}

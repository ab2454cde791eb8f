package aperta.media.json;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Pace;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import jakarta.json.Json;
import jakarta.json.JsonObject;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AnimationJsonTest {
    private static final Animated<Double> FADE =
            Animated.of(1.0).withKeys(List.of(new Key<>(0, 0.0, Ease.EASE), new Key<>(8, 1.0, Ease.HOLD)));
    private static final BezierPath SQUARE = BezierPath.rectangle(new Box(0, 0, 9, 9));

    private static Layer words() {
        Place place = Place.at(new Point(80, 45));
        Mask mask = Mask.of("m", "Window", SQUARE)
                .withPath(Animated.of(SQUARE).withKeys(List.of(new Key<>(2, SQUARE, Ease.LINEAR))));
        return Layer.of("w", "w", Content.Text.of("HILL", "anton", 40), new Span(6, 12, 2), place)
                .withPlace(place.withOpacity(FADE))
                .withMasks(List.of(mask));
    }

    private static Shot inside(Pace pace) {
        Layer group = Layer.of(
                        "g", "g", new Content.Group(List.of(words())), new Span(10, 40, 4), Place.at(Point.ORIGIN))
                .withPace(pace);
        return new Shot("x", new Format(160, 90, Rate.of(24)), 80, List.of(group));
    }

    @Test
    void whatMovesIsToldWithItsKeysButForThePointsOfPaths() {
        JsonObject all = AnimationJson.of(inside(Pace.EVEN));
        assertThat(all.getJsonObject("g").getJsonArray("properties")).isEmpty();
        List<JsonObject> moving =
                all.getJsonObject("w").getJsonArray("properties").getValuesAs(JsonObject.class);
        assertThat(moving).extracting(p -> p.getString("name")).containsExactly("place.opacity", "mask.m.path");
        assertThat(moving).extracting(p -> p.getString("label")).containsExactly("Opacity", "Window path");
        assertThat(moving.get(0).getJsonArray("keys").getJsonObject(1))
                .isEqualTo(ShotJson.parse("{\"at\": 8, \"ease\": \"hold\", \"loose\": false, \"value\": 1}"));
        assertThat(moving.get(1).getJsonArray("keys").getJsonObject(0))
                .isEqualTo(ShotJson.parse("{\"at\": 2, \"ease\": \"linear\", \"loose\": false}"));
    }

    /** The other way round than a moment reckons it: own frame to frame of the shot, held against the moment itself. */
    @ParameterizedTest
    @CsvSource({"1, false", "2, false", "0.5, false", "1, true", "0.25, true"})
    void anOwnFrameLiesWhereTheMomentFindsIt(double speed, boolean reversed) {
        Shot shot = inside(new Pace(speed, reversed, 1, Optional.empty(), false));
        JsonObject w = AnimationJson.of(shot).getJsonObject("w");
        for (int own : new int[] {0, 3, 11}) {
            double frame = w.getJsonNumber("start").doubleValue()
                    + own * w.getJsonNumber("step").doubleValue();
            assertThat(new Moment(shot, frame).of("w").frame()).isEqualTo(own);
        }
    }

    @Test
    void copiedKeysHaveTheirValuesAndCountInTheShot() {
        JsonObject copied = AnimationJson.copied(
                inside(Pace.EVEN),
                List.of(
                        new AnimationJson.KeyOf("w", "place.opacity", 8),
                        new AnimationJson.KeyOf("w", "mask.m.path", 2),
                        new AnimationJson.KeyOf("w", "place.opacity", 5)));
        List<JsonObject> tracks = copied.getJsonArray("tracks").getValuesAs(JsonObject.class);
        assertThat(tracks).extracting(t -> t.getString("property")).containsExactly("place.opacity", "mask.m.path");
        assertThat(tracks.get(0).getJsonArray("keys"))
                .singleElement()
                .satisfies(k -> assertThat(k.asJsonObject())
                        .containsEntry("at", Json.createValue(10 - 4 + 6 - 2 + 8))
                        .containsKey("value"));
        assertThat(tracks.get(1).getJsonArray("keys").getJsonObject(0)).containsKey("value");
    }
}

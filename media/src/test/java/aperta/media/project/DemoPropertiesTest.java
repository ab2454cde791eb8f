package aperta.media.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Layer;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.media.json.BadDocument;
import aperta.media.json.ShotJson;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every property of every layer of the demo's shots, as JSON. */
class DemoPropertiesTest {
    private static Object other(Property<?> property, Object value) {
        if (value instanceof Double d) {
            double step = Math.min(property.most() - property.least(), 4) / 7;
            return d + step <= property.most() ? d + step : d - step;
        }
        if (value instanceof Point p) {
            return new Point(p.x() * 0.8 + 3, p.y() * 0.9 + 2);
        }
        if (value instanceof ToneCurve) {
            return new ToneCurve(List.of(new Point(0, 0.2), new Point(1, 0.7)));
        }
        if (value instanceof BezierPath line && !line.closed()) {
            return line.translated(new Point(7, -4));
        }
        return value instanceof Colour c
                ? new Colour(1 - c.red(), c.green() / 2, c.blue(), 1)
                : BezierPath.rectangle(new Box(0, 0, 90, 50));
    }

    private static <T> Layer keyed(Layer layer, Property<T> property) {
        Animated<T> now = property.get().apply(layer);
        // Another value of the same kind is of the same type.
        @SuppressWarnings("unchecked")
        T next = (T) other(property, now.rest());
        return property.set()
                .apply(
                        layer,
                        now.withKeys(List.of(new Key<>(3, now.rest(), Ease.LINEAR), new Key<>(9, next, Ease.EASE))));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "opening",
                "line-9",
                "see-you",
                "terminus",
                "the-conductor",
                "ticket",
                "shimmer",
                "archive",
                "see-you-written",
                "the-bell",
                "overhead-wire",
                "passing",
                "behind-him"
            })
    void keysOnAPropertyAreWrittenAndRead(String name) {
        Shot shot = ShotFile.read(Path.of("../demo", name + ".json")).shot();
        String before = ShotJson.write(shot).toString();
        for (Layer layer : shot.everyLayer()) {
            for (Property<?> property : Property.of(layer)) {
                Shot changed = shot.changing(layer.id(), l -> keyed(l, property));
                String written = ShotJson.write(changed).toString();
                assertThat(written).as(property.name()).isNotEqualTo(before);
                assertThat(ShotJson.read(written)).as(property.name()).isEqualTo(changed);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"by", "seed"})
    void aParameterThatIsNotOneIsRefused(String field) {
        Shot shot = ShotFile.read(Path.of("../demo/see-you.json")).shot();
        String written = ShotJson.write(shot).toString();
        String broken = written.replaceAll("\"" + field + "\":(\"[a-z]+\"|\\d+)", "\"" + field + "\":{\"rest\":[1]}");
        assertThat(broken).isNotEqualTo(written);

        assertThatThrownBy(() -> ShotJson.read(broken))
                .isInstanceOf(BadDocument.class)
                .hasMessageContaining(field);
    }
}

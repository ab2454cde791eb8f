package aperta.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.colour.Colour;
import aperta.core.colour.ToneCurve;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.shot.Content;
import aperta.core.shot.Figures;
import aperta.core.shot.Layer;
import aperta.core.shot.Property;
import aperta.core.shot.Rules;
import aperta.core.time.Animated;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What must hold of each property that there is, and of each kind of content. */
public class EveryPropertyTest {
    private final Studio studio = new Studio();

    static Stream<Content> contents() {
        return EveryKind.contents().stream();
    }

    /** Another value in the property's range. */
    public static Object other(Property<?> property, Object value) {
        if (value instanceof Double d) {
            double span = Math.min(property.most() - property.least(), 4);
            double up = d + span / 7;
            return up <= property.most() ? up : d - span / 7;
        }
        if (value instanceof Point p) {
            return new Point(p.x() * 0.8 + 3, p.y() * 0.9 + 2);
        }
        if (value instanceof Colour c) {
            return new Colour(1 - c.red(), c.green() / 2, c.blue(), 1);
        }
        if (value instanceof ToneCurve) {
            return new ToneCurve(List.of(new Point(0, 0.2), new Point(1, 0.9)));
        }
        return Figures.rounded(Box.centred(90, 50), 4);
    }

    /** The layer with another value of a property. */
    public static <T> Layer changed(Layer layer, Property<T> property) {
        T now = property.get().apply(layer).rest();
        // Another value of the same kind is of the same type.
        @SuppressWarnings("unchecked")
        T next = (T) other(property, now);
        return property.set().apply(layer, Animated.of(next));
    }

    private List<ContentKey> keys(Layer layer) {
        List<ContentKey> all = new ArrayList<>();
        for (int frame : new int[] {4, 24, 43}) {
            all.add(studio.planner
                    .plan(studio.planner.moment(EveryKind.shot(layer), frame), 1)
                    .key());
        }
        return all;
    }

    @ParameterizedTest
    @MethodSource("contents")
    void aChangedPropertyChangesTheKeyOfAFrame(Content content) {
        Layer layer = EveryKind.layer(content);
        if (!content.isSeen() || content instanceof Content.Adjustment) {
            // What has no picture of its own has no key that could change.
            return;
        }
        List<ContentKey> before = keys(layer);
        for (Property<?> property : Property.of(layer)) {
            assertThat(keys(changed(layer, property)))
                    .as(property.name() + " of " + content)
                    .isNotEqualTo(before);
        }
    }

    @ParameterizedTest
    @MethodSource("contents")
    void aPropertyIsReadAsItWasSetAndKeepsTheRules(Content content) {
        Layer layer = EveryKind.layer(content);
        Set<String> names = new HashSet<>();
        for (Property<?> property : Property.of(layer)) {
            assertThat(names.add(property.name())).as(property.name()).isTrue();
            Layer changed = changed(layer, property);
            assertThat(property.get().apply(changed))
                    .isNotEqualTo(property.get().apply(layer));
            assertThat(Rules.broken(EveryKind.shot(changed)))
                    .as(property.name())
                    .isEmpty();
            assertThat(property.isNeutral(changed)).as(property.name()).isFalse();
        }
    }

    @Test
    void thereIsOneOfEachKindOfContent() {
        assertThat(EveryKind.contents().stream().map(Object::getClass).toList())
                .extracting(Class::getName)
                .containsAll(kinds());
    }

    private static List<String> kinds() {
        return Stream.of(Content.class.getPermittedSubclasses())
                .flatMap(k -> k.isSealed() ? Stream.of(k.getPermittedSubclasses()) : Stream.of(k))
                .map(Class::getName)
                .toList();
    }

    @ParameterizedTest
    @MethodSource("contents")
    void everyKindIsDrawnAndHasASize(Content content) {
        Layer layer = EveryKind.layer(content);
        var moment = studio.planner.moment(EveryKind.shot(layer), 24);

        Box box = studio.planner.extent(moment, "tested");
        Picture picture = studio.render(EveryKind.shot(layer), 24);

        assertThat(box.isEmpty()).isEqualTo(!content.isSeen());
        assertThat(picture.domain()).isEqualTo(Studio.FRAME);
    }

    /** An adjustment without effects leaves the very picture that is there without it. */
    @Test
    void whatLiesBelowAnAdjustmentPassesThrough() {
        Layer below = Studio.clip("rain");
        Layer adjustment = Layer.of("a", "a", new Content.Adjustment(), below.span(), below.place());

        var with = studio.planner.plan(studio.planner.moment(Studio.shot(adjustment, below), 3), 1);
        var without = studio.planner.plan(studio.planner.moment(Studio.shot(below), 3), 1);

        assertThat(with.key()).isEqualTo(without.key());
    }
}

package aperta.media.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.colour.Colour;
import aperta.core.edit.Edit;
import aperta.core.edit.Figure;
import aperta.core.edit.GroupEdits;
import aperta.core.edit.KeyEdits;
import aperta.core.edit.LayerEdits;
import aperta.core.edit.LookEdits;
import aperta.core.edit.MaskEdits;
import aperta.core.edit.PassageEdits;
import aperta.core.edit.PathEdits;
import aperta.core.edit.PlaceEdits;
import aperta.core.edit.Several;
import aperta.core.edit.Snap;
import aperta.core.edit.TakeApart;
import aperta.core.edit.TimeEdits;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.recipe.Recipe;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Opened;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import aperta.core.time.Signal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EditJsonTest {
    private static final Shot SHOT = new Shot(
            "x",
            new Format(160, 90, Rate.of(24)),
            24,
            List.of(Layer.of(
                    "w", "w", Content.Text.of("HILL", "anton", 40), Span.of(0, 24), Place.at(new Point(80, 45)))));

    private static Edit read(String json) {
        return EditJson.read(ShotJson.parse(json.replace('\'', '"')), SHOT);
    }

    @Test
    void placesAreMovedScaledTurnedAndFitted() {
        assertThat(read("{'kind': 'move', 'layer': 'w', 'frame': 3, 'by': [1, -2], 'snap': true}"))
                .isEqualTo(new PlaceEdits.Move("w", 3, new Point(1, -2), true, PlaceEdits.Stance.REST));
        assertThat(read("{'kind': 'move', 'layer': 'w', 'frame': 3, 'by': [1, -2], 'snap': true, 'guides':"
                        + " {'upright': [40], 'level': [12.5, 60]}}"))
                .isEqualTo(new PlaceEdits.Move(
                        "w",
                        3,
                        new Point(1, -2),
                        true,
                        new Snap.Guides(List.of(40.0), List.of(12.5, 60.0)),
                        PlaceEdits.Stance.REST));
        assertThat(read("{'kind': 'scale', 'layer': 'w', 'frame': 3, 'from': [1, 2], 'to': [3, 4]}"))
                .isEqualTo(
                        new PlaceEdits.Scale("w", 3, new Point(1, 2), new Point(3, 4), true, PlaceEdits.Stance.REST));
        assertThat(read("{'kind': 'turn', 'layer': 'w', 'frame': 3, 'from': [1, 2], 'to': [3, 4], 'steps': true}"))
                .isEqualTo(new PlaceEdits.Turn("w", 3, new Point(1, 2), new Point(3, 4), true, PlaceEdits.Stance.REST));
        assertThat(read("{'kind': 'move-anchor', 'layer': 'w', 'frame': 0, 'to': [3, 4]}"))
                .isEqualTo(new PlaceEdits.MoveAnchor("w", 0, new Point(3, 4)));
        assertThat(read("{'kind': 'fit', 'layer': 'w', 'frame': 0, 'cover': true}"))
                .isEqualTo(new PlaceEdits.Fit("w", 0, true));
    }

    @Test
    void keysAreNamedByLayerPropertyAndFrame() {
        KeyEdits.KeyName key = new KeyEdits.KeyName("w", "place.opacity", 6);
        String name = "[{'layer': 'w', 'property': 'place.opacity', 'at': 6}]";
        assertThat(read("{'kind': 'add-key', 'layer': 'w', 'property': 'place.opacity', 'frame': 6}"))
                .isEqualTo(new KeyEdits.AddKey("w", "place.opacity", 6));
        assertThat(read("{'kind': 'move-keys', 'keys': " + name + ", 'by': -2}"))
                .isEqualTo(new KeyEdits.MoveKeys(List.of(key), -2));
        assertThat(read("{'kind': 'remove-keys', 'keys': " + name + "}"))
                .isEqualTo(new KeyEdits.RemoveKeys(List.of(key)));
        assertThat(read("{'kind': 'set-ease', 'keys': " + name + ", 'ease': 'hold'}"))
                .isEqualTo(new KeyEdits.SetEase(List.of(key), Ease.HOLD, KeyEdits.Side.LEAVING, KeyEdits.Half.BOTH));
    }

    @Test
    void aValueIsReadAsItsPropertyIs() {
        assertThat(value("place.opacity", "0.5")).isEqualTo(0.5);
        assertThat(value("place.position", "[3, 4]")).isEqualTo(new Point(3, 4));
        assertThat(value("text.fill", "'#102030'")).isEqualTo(Colour.parse("#102030"));
        assertThatThrownBy(() -> value("place.position", "7"))
                .hasMessage("value: expected 2 numbers in a list, not 7.");
        assertThatThrownBy(() -> value("fill.size", "[1, 2]")).hasMessageContaining("has no property 'fill.size'");
        assertThatThrownBy(() -> read("{'kind': 'set-value', 'layer': 'q', 'property': 'p', 'frame': 0, 'value': 1}"))
                .hasMessageContaining("no layer 'q'");
    }

    private static Object value(String property, String value) {
        return ((KeyEdits.SetValue) read("{'kind': 'set-value', 'layer': 'w', 'property': '" + property
                        + "', 'frame': 0, 'value': " + value + "}"))
                .value();
    }

    @Test
    void copiedKeysHaveTheTypeOfTheirProperty() {
        Edit paste =
                read("{'kind': 'paste-keys', 'layers': ['w'], 'frame': 4, 'tracks': [{'property': 'place.position',"
                        + " 'keys': [{'at': 2, 'value': [1, 2], 'ease': {'spring': 3}}]}]}");
        assertThat(paste)
                .isEqualTo(new KeyEdits.PasteKeys(
                        List.of(new KeyEdits.Track(
                                0, "place.position", List.of(new Key<>(2, new Point(1, 2), new Ease.Spring(3))))),
                        List.of("w"),
                        4));
        assertThatThrownBy(() -> read("{'kind': 'paste-keys', 'layers': ['w'], 'frame': 4, 'tracks': [{'property':"
                        + " 'place.opacity', 'keys': [{'at': 2, 'value': [1, 2]}]}]}"))
                .hasMessageContaining("expected a number");
        assertThatThrownBy(() -> read("{'kind': 'paste-keys', 'layers': [], 'frame': 4, 'tracks': []}"))
                .hasMessageContaining("choose the layers");
    }

    @Test
    void timesAndWaysAreReadByTheirNames() {
        assertThat(read("{'kind': 'trim', 'layers': ['w'], 'frame': 4, 'end': 'start'}"))
                .isEqualTo(new TimeEdits.Trim(List.of("w"), 4, TimeEdits.End.START));
        assertThat(read("{'kind': 'stagger', 'layers': ['w'], 'by': 4}"))
                .isEqualTo(new TimeEdits.Stagger(List.of("w"), 4, TimeEdits.Order.LIST));
        assertThat(read("{'kind': 'relength', 'length': 40, 'inside': 'stretches'}"))
                .isEqualTo(new TimeEdits.Relength(40, TimeEdits.Inside.STRETCHES));
        assertThat(read("{'kind': 'stretch-keys', 'keys': [], 'pivot': 4, 'factor': 0.5}"))
                .isEqualTo(new KeyEdits.StretchKeys(List.of(), 4, 0.5));
        assertThat(read("{'kind': 'copy-parts', 'from': 'w', 'to': ['v'], 'parts': ['text-style', 'cut']}"))
                .isEqualTo(new LookEdits.CopyParts(
                        "w", List.of("v"), List.of(LookEdits.Part.TEXT_STYLE, LookEdits.Part.CUT)));
        assertThat(read("{'kind': 'take-apart', 'layer': 'w'}")).isEqualTo(new TakeApart("w", Opened.Unit.LETTERS));
        assertThat(read("{'kind': 'move-to', 'layer': 'w', 'group': 'g', 'to': 0, 'frame': 3}"))
                .isEqualTo(new GroupEdits.MoveTo("w", Optional.of("g"), 0, 3));
        assertThat(read(
                        "{'kind': 'several', 'edits': [{'kind': 'slide', 'layers': ['w'], 'by': 3}, {'kind': 'set-value',"
                                + " 'layer': 'w', 'property': 'place.opacity', 'frame': 2, 'value': 0.5}]}"))
                .isEqualTo(new Several(List.of(
                        new TimeEdits.Slide(List.of("w"), 3),
                        new KeyEdits.SetValue("w", "place.opacity", 2, 0.5, false))));
        assertThat(read("{'kind': 'move-to', 'layer': 'w', 'to': 0, 'frame': 3}"))
                .isEqualTo(new GroupEdits.MoveTo("w", Optional.empty(), 0, 3));
        Recipe fade = Recipe.of(Openings.of("fade").descriptor(), Map.of());
        assertThat(read("{'kind': 'set-opening', 'layers': ['w'], 'arriving': true, 'opening': {'kind': 'fade'}}"))
                .isEqualTo(new PassageEdits.SetOpening(List.of("w"), true, Optional.of(AnimatedRecipe.of(fade))));
        Recipe drift = Recipe.of(Signal.of("drift").descriptor(), Map.of("rate", 3.0));
        assertThat(read("{'kind': 'set-signals', 'layer': 'w', 'property': 'place.rotation', 'signals': [{'kind':"
                        + " 'drift', 'rate': 3}]}"))
                .isEqualTo(new KeyEdits.SetSignals("w", "place.rotation", List.of(drift)));
    }

    @Test
    void layersAndMasksAreMadeAndTakenAway() {
        assertThat(read("{'kind': 'delete', 'layers': ['w']}")).isEqualTo(new LayerEdits.Delete(List.of("w")));
        assertThat(read("{'kind': 'duplicate', 'layer': 'w', 'newId': 'v'}"))
                .isEqualTo(new LayerEdits.Duplicate("w", "v"));
        assertThat(read("{'kind': 'reorder', 'layer': 'w', 'to': 99999999999}"))
                .isEqualTo(new LayerEdits.Reorder("w", Integer.MAX_VALUE));
        assertThat(read("{'kind': 'group', 'layers': ['w'], 'newId': 'g', 'name': 'Title'}"))
                .isEqualTo(new LayerEdits.Group(List.of("w"), "g", "Title"));
        assertThat(read("{'kind': 'add', 'above': 'w', 'layer': "
                        + ShotJson.write(SHOT)
                                .getJsonArray("layers")
                                .get(0)
                                .toString()
                                .replace('"', '\'') + "}"))
                .isEqualTo(new LayerEdits.Add(SHOT.layers().get(0), Optional.of("w")));
        assertThat(read(
                        "{'kind': 'add-mask', 'layer': 'w', 'newId': 'm', 'frame': 0, 'shape': 'ellipse', 'from': [0, 0],"
                                + " 'to': [5, 5]}"))
                .isEqualTo(new MaskEdits.Add("w", "m", 0, Figure.ELLIPSE, Point.ORIGIN, new Point(5, 5), 5, 0.5, 0, 0));
        assertThat(read(
                        "{'kind': 'move-point', 'layer': 'w', 'property': 'mask.m.path', 'frame': 0, 'index': 2, 'part':"
                                + " 'out', 'to': [5, 5]}"))
                .isEqualTo(
                        new PathEdits.MovePoint("w", "mask.m.path", 0, 2, PathEdits.Part.OUT, new Point(5, 5), false));
        assertThat(read(
                        "{'kind': 'move-points', 'layer': 'w', 'property': 'mask.m.path', 'frame': 0, 'points': [1, 3], 'by':"
                                + " [5, 5]}"))
                .isEqualTo(new PathEdits.MovePoints("w", "mask.m.path", 0, List.of(1, 3), new Point(5, 5)));
        assertThat(read(
                        "{'kind': 'draw-mask', 'layer': 'w', 'newId': 'm', 'frame': 0, 'path': {'open': [[0, 0, 0, 0, 1, 1],"
                                + " [9, 9, 0, 0, 0, 0, 4]]}}"))
                .isEqualTo(new MaskEdits.Draw(
                        "w",
                        "m",
                        0,
                        new BezierPath(
                                List.of(
                                        new BezierPath.Knot(Point.ORIGIN, Point.ORIGIN, new Point(1, 1)),
                                        BezierPath.Knot.corner(9, 9).withFeather(4)),
                                false)));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "{'kind': 'move', 'layer': 'w', 'frame': 3} | the field 'by' is missing.",
                "{'kind': 'move', 'layer': 'w', 'frame': 3, 'by': [1, 2], 'fast': true} | there is no field 'fast' here",
                "{'kind': 'turn', 'layer': 7, 'frame': 3, 'from': [1, 2], 'to': [3, 4]} | layer: expected text, not 7.",
                "{'kind': 'add-mask', 'layer': 'w', 'newId': 'm', 'frame': 0, 'shape': 'heart', 'from': [0, 0], 'to': [5, 5]} | shape: expected one of rectangle, rounded, ellipse",
                "{'edit': 1} | expected a kind out of",
            })
    void whatIsWrongIsSaidPlainly(String json, String sentence) {
        assertThatThrownBy(() -> read(json)).isInstanceOf(BadDocument.class).hasMessageContaining(sentence);
    }

    @Test
    void valuesAreWrittenAsTheyAreRead() {
        Layer layer = SHOT.layers().get(0);
        for (var property : aperta.core.shot.Property.of(layer)) {
            String kind = written(property, layer).getValueType().name();
            assertThat(kind)
                    .as(property.name())
                    .isEqualTo(
                            switch (property.kind()) {
                                case NUMBER -> "NUMBER";
                                case POINT, PATH, CURVE -> "ARRAY";
                                case COLOUR -> "STRING";
                            });
        }
        BezierPath path = BezierPath.rectangle(new aperta.core.geometry.Box(0, 0, 2, 3));
        assertThat(TimeCodecs.PATH.read(TimeCodecs.PATH.write(path), "")).isEqualTo(path);
    }

    private static <T> jakarta.json.JsonValue written(aperta.core.shot.Property<T> property, Layer layer) {
        return EditJson.write(property, property.at(layer, 0));
    }
}

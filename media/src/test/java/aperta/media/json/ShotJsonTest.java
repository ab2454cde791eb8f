package aperta.media.json;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Shot;
import aperta.core.time.Ease;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import jakarta.json.Json;
import jakarta.json.JsonObject;
import jakarta.json.stream.JsonGenerator;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ShotJsonTest {
    private static final String EMPTY =
            "{'name': 'x', 'format': {'width': 1920, 'height': 1080, 'rate': '24'}, 'length': 24, 'layers': [%s]}";
    private static final String LAYER =
            "{'id': '%s', 'name': '%s', 'content': {'kind': 'text', 'words': 'TRAM', 'font':"
                    + " 'anton', 'size': 100}, 'span': {'in': 0, 'length': %s}, 'place': {'position': [10, 20]%s}%s}";

    private static String shot(String... layers) {
        return String.format(EMPTY, String.join(",", layers)).replace('\'', '"');
    }

    private static String layer(String id, String length, String place, String more) {
        return String.format(LAYER, id, id, length, place, more);
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
    void theDemoComesBackAsItWas(String name) throws IOException {
        String text = Files.readString(Path.of("../demo/" + name + ".json"));
        Shot shot = ShotJson.read(ShotJson.parse(text).getJsonObject("shot"));
        String written = ShotJson.write(shot).toString();
        assertThat(ShotJson.read(written)).isEqualTo(shot);
        assertThat(ShotJson.write(ShotJson.read(written))).hasToString(written);
    }

    /** The schema of docs/, by a JSON Schema validator that isn't ours. */
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
    void theSchemaAcceptsTheDemoBothAsWrittenByPeopleAndByUs(String name) throws IOException {
        Schema schema = schema();
        String text = Files.readString(Path.of("../demo/" + name + ".json"));
        String people = ShotJson.parse(text).getJsonObject("shot").toString();
        assertThat(schema.validate(people, InputFormat.JSON)).isEmpty();
        assertThat(schema.validate(ShotJson.write(ShotJson.read(people)).toString(), InputFormat.JSON))
                .isEmpty();
    }

    @Test
    void theSchemaRefusesWhatTheReaderRefuses() throws IOException {
        Schema schema = schema();
        for (String bad : List.of(
                shot(layer("a", "10", "", ", 'glow': 3")),
                shot(layer("a", "10", ", 'opacity': 'half'", "")),
                shot(layer("a", "10", "", ", 'blend': 'glossy'")),
                shot("{}"))) {
            assertThat(schema.validate(bad, InputFormat.JSON)).as(bad).isNotEmpty();
            assertThatThrownBy(() -> ShotJson.read(bad)).isInstanceOf(BadDocument.class);
        }
    }

    private static Schema schema() throws IOException {
        SchemaRegistry registry = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12);
        return registry.getSchema(Files.readString(Path.of("../docs/shot.schema.json")), InputFormat.JSON);
    }

    @Test
    void shapesComeBackAsTheyWere() throws IOException {
        String shape = shot("{'id': 's', 'name': 's', 'span': {'in': 0, 'length': 9}, 'place': {'position': [0, 0]},"
                + " 'content': {'kind': 'shape', 'paths': [{'id': 'p', 'name': 'p', 'path': {'open': [[0, 0, 0, 0, 0, 0], [9,"
                + " 0, 0, 0, 0, 0]]}}], 'coats': [{'kind': 'stroke', 'id': 'a', 'colour': '#ff8000', 'cap': 'round',"
                + " 'corner': 'bevel', 'dash': [3, 4], 'end': {'rest': 1, 'keys': [{'at': 2, 'value': 0.5}]}, 'taperEnd':"
                + " 0.2}, {'kind': 'fill', 'id': 'b', 'colour': '#000000', 'opacity': 0.4}]}}");
        assertThat(schema().validate(shape, InputFormat.JSON)).isEmpty();
        Shot read = ShotJson.read(shape);
        String written = ShotJson.write(read).toString();
        assertThat(ShotJson.read(written)).isEqualTo(read);
        assertThat(schema().validate(written, InputFormat.JSON)).isEmpty();
        Content.Shape content = (Content.Shape) read.layers().get(0).content();
        assertThat(content.coats()).hasSize(2);
        assertThat(content.paths().get(0).path().rest().closed()).isFalse();
        assertThatThrownBy(() -> ShotJson.read(shape.replace("[3,4]", "[0]").replace("[3, 4]", "[0]")))
                .hasMessageContaining("not all of them 0");
    }

    @Test
    void theSchemaInDocsIsTheOneInForce() throws IOException {
        if (Boolean.getBoolean("aperta.docs")) {
            JsonObject now = ShotJson.schema();
            StringWriter pretty = new StringWriter();
            Json.createWriterFactory(Map.of(JsonGenerator.PRETTY_PRINTING, true))
                    .createWriter(pretty)
                    .write(now);
            Files.writeString(Path.of("../docs/shot.schema.json"), pretty + "\n");
        }
        assertThat(ShotJson.parse(Files.readString(Path.of("../docs/shot.schema.json"))))
                .isEqualTo(ShotJson.schema());
    }

    @Test
    void whatIsLeftOutHasItsDefault() {
        Shot shot = ShotJson.read(shot(layer("a", "10", "", "")));
        assertThat(shot.layers().get(0).place().opacity().rest()).isEqualTo(1);
        assertThat(((Content.Text) shot.layers().get(0).content()).kerning()).isTrue();
    }

    @Test
    void easesAreNamesOrFourNumbers() {
        String keys =
                ", 'opacity': {'rest': 1, 'keys': [{'at': 0, 'value': 0, 'ease': 'ease-in-out'}, {'at': 5, 'value': 1,"
                        + " 'ease': [0.1, 0.2, 0.3, 0.4]}]}";
        Shot shot = ShotJson.read(shot(layer("a", "10", keys, "")));
        var opacity = shot.layers().get(0).place().opacity();
        assertThat(opacity.keys().get(0).ease()).isEqualTo(Ease.EASE_IN_OUT);
        assertThat(opacity.keys().get(1).ease()).isEqualTo(new Ease.CubicBezier(0.1, 0.2, 0.3, 0.4));
        assertThat(ShotJson.read(ShotJson.write(shot).toString())).isEqualTo(shot);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "-3 | `` | `` | layers[0].span: A layer lasts at least one frame, not -3.",
                "1.5 | `` | `` | layers[0].span.length: expected a whole number, not 1.5.",
                "10 | , 'opacity': 7 | `` | The opacity of 'a' lies between 0 % and 100 %.",
                "10 | , 'scale': [1] | `` | layers[0].place.scale: expected 2 numbers in a list, not [1].",
                "10 | `` | , 'cut': {'by': 'z'} | 'a' is cut by 'z', which is not in this shot.",
                "10 | `` | , 'parent': 'a' | Parents go round in a circle: a → a.",
            })
    void whatIsWrongIsSaidPlainlyWithItsPlace(String length, String place, String more, String sentence) {
        String json = String.format(
                        EMPTY, layer("a", length, place == null ? "" : " " + place, more == null ? "" : more))
                .replace('\'', '"');
        assertThatThrownBy(() -> ShotJson.read(json))
                .isInstanceOf(BadDocument.class)
                .hasMessage(sentence);
    }

    @Test
    void unknownFieldsAreNamedWithThoseThereAre() {
        assertThatThrownBy(() -> ShotJson.read(shot(layer("a", "10", ", 'tilt': 3", ""))))
                .hasMessageStartingWith(
                        "layers[0].place: there is no field 'tilt' here; the fields are anchor, position");
        assertThatThrownBy(() -> ShotJson.read("not json")).hasMessageStartingWith("This is not a JSON object");
        assertThatThrownBy(() -> ShotJson.read("[]")).hasMessageStartingWith("This is not a JSON object");
    }

    /** What a newer version wrote is kept as it is, and said to be unknown; what is wrong with a known one is said. */
    @Test
    void anEffectOfAnUnknownKindIsNeverLost() {
        String effect = "{'id': 'e', 'effect': {'kind': 'teleport', 'strength': 0.5, 'to': [1, {'x': true}]}}";
        String json = shot(layer("a", "10", "", ", 'effects': [" + effect + "]"));
        Shot read = ShotJson.read(json);
        AnimatedRecipe unknown = read.layers().get(0).effects().get(0).recipe();
        assertThat(unknown.kind()).isEqualTo("teleport");
        assertThat(unknown.descriptor().isUnknown()).isTrue();
        assertThat(ShotJson.write(read).toString())
                .contains("\"effect\":{\"kind\":\"teleport\",\"strength\":0.5,\"to\":[1,{\"x\":true}]}");
        assertThat(ShotJson.read(ShotJson.write(read).toString())).isEqualTo(read);

        String far = effect.replace("teleport", "blur")
                .replace(", 'to': [1, {'x': true}]", "")
                .replace("strength", "deviation");
        assertThatThrownBy(() ->
                        ShotJson.read(shot(layer("a", "10", "", ", 'effects': [" + far.replace("0.5", "-3") + "]"))))
                .isInstanceOf(BadDocument.class)
                .hasMessageContaining("'deviation' lies between 0 and 1000, not at -3.0.");
    }
}

package aperta.server.shot;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.render.Planner;
import aperta.core.shot.Marker;
import aperta.core.shot.Shot;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.ClipSources;
import aperta.media.json.ShotJson;
import jakarta.json.Json;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import java.io.StringReader;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Undoing and redoing a gesture fifty times, as the service does it with what it keeps, gives the same bytes. */
class StepsTest {
    private static final String WORD =
            "{'id': '%1$s', 'name': '%1$s', 'span': {'in': 0, 'length': 24}, 'place': {'position': [80, 45], 'rotation':"
                    + " {'rest': 0, 'keys': [{'at': 0, 'value': 0}, {'at': 12, 'value': 30, 'ease': [0.3, 0, 0.1, 1.2]}]}},"
                    + " 'content': {'kind': 'text', 'words': 'LINE', 'font': 'anton', 'size': 40}}";

    private final Planner planner =
            new Planner(new ClipSources(id -> Optional.empty()), new FontShelf(id -> Optional.empty()));

    private static JsonObject json(String text) {
        return Json.createReader(new StringReader(text.replace('\'', '"'))).readObject();
    }

    private static Shot shot() {
        String layers = WORD.formatted("v")
                        .replace("{'at': 12, 'value': 30, 'ease': [0.3, 0, 0.1, 1.2]}", "{'at': 12, 'value': 0}")
                + ", " + WORD.formatted("w") + ", " + Gestures.CARD;
        return ShotJson.read(
                json("{'name': 'Line 9', 'format': {'width': 160, 'height': 90, 'rate': '24'}, 'length': 24,"
                        + " 'layers': [" + layers + "]}"));
    }

    @ParameterizedTest
    @MethodSource("aperta.server.shot.Gestures#all")
    void aGestureLeadsToAndFroWithoutATrace(String gesture) {
        Shot before = shot();
        String body = gesture.startsWith("'patch'") ? gesture : "'edit': {" + gesture + "}";
        JsonObject from = ShotJson.write(before);
        JsonObject to = ShotJson.write(new Change(json("{" + body + "}")).apply(before, planner));
        assertThat(to).isNotEqualTo(from);
        String patch = Steps.diff(from, to);
        String inverse = Steps.diff(to, from);
        String document = to.toString();
        for (int i = 0; i < 50; i++) {
            document = Steps.applied(document, inverse).toString();
            assertThat(document).isEqualTo(from.toString());
            document = Steps.applied(document, patch).toString();
            assertThat(document).isEqualTo(to.toString());
        }
    }

    private static String there(String from, String to) {
        return Steps.diff(json(from), json(to));
    }

    /** Both ways, by the library's own application of patches (RFC 6902). */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{'a': 1} | {'b': 2}",
                "{'a/b': 1, 'c~d': [1]} | {'a/b': 2, 'c~d': [1, 2]}",
                "{'l': [{'id': 'a'}, {'id': 'b'}, {'id': 'c'}]} | {'l': [{'id': 'c'}, {'id': 'a', 'x': 1}, {'id': 'b'}]}",
                "{'l': [{'id': 'a'}, {'id': 'b'}]} | {'l': [{'id': 'a'}, {'id': 'n'}, {'id': 'b'}]}",
                "{'l': [{'at': 0}, {'at': 5}, {'at': 9}]} | {'l': [{'at': 0}, {'at': 9}]}",
                "{'l': [{'at': 0}, {'at': 0}]} | {'l': [{'at': 0}]}",
                "{'l': []} | {'l': [{'id': 'a'}]}",
                "{'v': [1, 2]} | {'v': {'rest': [1, 2], 'keys': []}}",
                "{'v': null} | {'v': [[1, 2], [3, 4]]}"
            })
    void aPatchLeadsToTheOtherDocumentAndBack(String one, String other) {
        JsonObject a = json(one);
        JsonObject b = json(other);
        assertThat(Change.patched(
                        a, Json.createReader(new StringReader(Steps.diff(a, b))).readArray()))
                .isEqualTo(b);
        assertThat(Change.patched(
                        b, Json.createReader(new StringReader(Steps.diff(b, a))).readArray()))
                .isEqualTo(a);
    }

    /** Ten thousand places of a list that change at once are kept as one list, not as ten thousand copies of it. */
    @Test
    void aLongListIsKeptWhole() {
        List<Marker> many = IntStream.range(0, Shot.MOST_MARKERS)
                .mapToObj(i -> new Marker(i, "m" + i))
                .toList();
        JsonObject none = ShotJson.write(shot());
        JsonObject all = ShotJson.write(shot().withLength(Shot.MOST_MARKERS).withMarkers(many));
        JsonObject few = ShotJson.write(shot().withLength(Shot.MOST_MARKERS).withMarkers(many.subList(0, 3)));
        for (JsonObject other : List.of(none, few)) {
            JsonArray patch =
                    Json.createReader(new StringReader(Steps.diff(other, all))).readArray();
            assertThat(patch).hasSizeLessThan(4);
            assertThat(Steps.applied(other.toString(), patch.toString())).isEqualTo(all);
            assertThat(Steps.applied(all.toString(), Steps.diff(all, other))).isEqualTo(other);
        }
        assertThatThrownBy(() -> shot().withMarkers(Stream.concat(many.stream(), Stream.of(new Marker(0, "one more")))
                        .toList()))
                .hasMessage("A shot has at most 10000 markers, not 10001.");
    }

    /** What is kept of a change is no larger than it need be. */
    @Test
    void onlyWhatChangedIsKept() {
        assertThat(there(
                        "{'a': [{'id': 'x', 'v': 1}, {'id': 'y', 'v': 2}]}",
                        "{'a': [{'id': 'x', 'v': 1}, {'id': 'y', 'v': 3}]}"))
                .isEqualTo("[{\"op\":\"replace\",\"path\":\"/a/1/v\",\"value\":3}]");
        assertThat(there("{'a': [{'id': 'x'}, {'id': 'y'}]}", "{'a': [{'id': 'n'}, {'id': 'x'}, {'id': 'y'}]}"))
                .isEqualTo("[{\"op\":\"add\",\"path\":\"/a/0\",\"value\":{\"id\":\"n\"}}]");
        assertThat(there("{'p': [[0, 0], [1, 0]]}", "{'p': [[0, 0], [1, 1]]}"))
                .as("the points of a path together")
                .isEqualTo("[{\"op\":\"replace\",\"path\":\"/p\",\"value\":[[0,0],[1,1]]}]");
        assertThat(there("{'a': 1}", "{'a': 1}")).isEqualTo("[]");
    }
}

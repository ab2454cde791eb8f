package aperta.server.shot;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.render.Planner;
import aperta.core.shot.Shot;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.ClipSources;
import aperta.media.json.ShotJson;
import jakarta.json.Json;
import jakarta.json.JsonObject;
import java.io.StringReader;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
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
}

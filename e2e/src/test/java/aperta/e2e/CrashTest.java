package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.json.Json;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import java.io.StringReader;
import org.junit.jupiter.api.Test;

/** The server is killed at once in the middle of editing and of a render: no acknowledged edit is lost, the render ends. */
class CrashTest {
    private static JsonObject json(String text) {
        return Json.createReader(new StringReader(text)).readObject();
    }

    private static JsonArray list(String text) {
        return Json.createReader(new StringReader(text)).readArray();
    }

    @Test
    void whatWasAcknowledgedIsThereAfterwardsAndTheRenderEnds() {
        try (App app = new App(false)) {
            String project =
                    json(app.post("/api/projects", "{\"name\": \"Last Tram\"}")).getString("id");
            String shot = json(app.post(
                            "/api/projects/" + project + "/shots",
                            "{\"name\": \"Terminus\", \"width\": 1280, \"height\": 720, \"rate\": \"24\", \"length\": 120}"))
                    .getString("id");
            String path = "/api/shots/" + shot;
            edit(
                    app,
                    path,
                    0,
                    "{\"kind\": \"add\", \"layer\": {\"id\": \"w\", \"name\": \"w\", \"content\": {\"kind\": \"text\","
                            + " \"words\": \"TERMINUS\", \"font\": \"anton\", \"size\": 200}, \"span\": {\"in\": 0, \"length\": 240},"
                            + " \"place\": {\"position\": [640, 360]}}}");
            String job =
                    json(app.post(path + "/renders", "{\"output\": \"PNG\"}")).getString("job");
            Wait.until(
                    "the render is under way", 60, () -> job(app, project, job).getInt("done") > 5);
            long acknowledged = 1;
            for (int i = 1; i <= 30; i++) {
                acknowledged = edit(
                        app,
                        path,
                        i,
                        "{\"kind\": \"set-value\", \"layer\": \"w\", \"property\": \"place.rotation\","
                                + " \"frame\": 0, \"value\": " + i + "}");
            }
            app.killAtOnce();
            app.start();
            JsonObject after = json(app.get(path));
            assertThat(after.getJsonNumber("revision").longValue()).isEqualTo(acknowledged);
            assertThat(after.getJsonObject("shot")
                            .getJsonArray("layers")
                            .getJsonObject(0)
                            .getJsonObject("place")
                            .getInt("rotation"))
                    .isEqualTo(30);
            JsonObject undone = json(app.post(path + "/undo", "{\"revision\": " + acknowledged + "}"));
            assertThat(undone.getJsonObject("shot")
                            .getJsonArray("layers")
                            .getJsonObject(0)
                            .getJsonObject("place")
                            .getInt("rotation"))
                    .isEqualTo(29);
            Wait.until(
                    "the render ends",
                    180,
                    () -> job(app, project, job).getString("state").equals("DONE"));
        }
    }

    private static JsonObject job(App app, String project, String id) {
        return list(app.get("/api/projects/" + project + "/jobs")).getValuesAs(JsonObject.class).stream()
                .filter(j -> j.getString("id").equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static long edit(App app, String path, long revision, String edit) {
        return json(app.post(
                        path + "/edits",
                        "{\"revision\": " + revision + ", \"label\": \"test\", \"edit\": " + edit + "}"))
                .getJsonNumber("revision")
                .longValue();
    }
}

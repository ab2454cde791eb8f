package aperta.server.shot;

import static aperta.media.json.Provider.JSON;

import aperta.media.json.ShotJson;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import java.io.StringReader;

/** Steps from one document to another and back, as they are kept. */
final class Steps {
    private Steps() {}

    /** A JSON Patch (RFC 6902) that leads from the one to the other. */
    static String diff(JsonObject from, JsonObject to) {
        return JSON.createDiff(from, to).toJsonArray().toString();
    }

    /** The document after a kept patch, written in its one usual form. */
    static JsonObject applied(String document, String patch) {
        JsonArray operations = JSON.createReader(new StringReader(patch)).readArray();
        return ShotJson.write(ShotJson.read(Change.patched(ShotJson.parse(document), operations)));
    }
}

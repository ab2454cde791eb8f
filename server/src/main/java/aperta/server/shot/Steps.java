package aperta.server.shot;

import static aperta.media.json.Provider.JSON;

import aperta.media.json.ShotJson;
import jakarta.json.Json;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import jakarta.json.JsonPatchBuilder;
import jakarta.json.JsonValue;
import java.io.StringReader;
import java.util.List;
import java.util.Objects;

/** Steps from one document to another and back, as they are kept. */
final class Steps {
    /**
     * More changed places of a list than this are kept as the whole list: applying each place by itself copies the list each time,
     * which takes the square of its length.
     */
    private static final int MANY = 32;

    private Steps() {}

    /**
     * A JSON Patch (RFC 6902) that leads from the one to the other, in a time that goes with the size of the documents: the
     * library's own looks for the longest common part of lists, which takes the square of a path's points.
     */
    static String diff(JsonObject from, JsonObject to) {
        JsonPatchBuilder patch = JSON.createPatchBuilder();
        diff("", from, to, patch);
        return patch.build().toJsonArray().toString();
    }

    private static void diff(String path, JsonValue from, JsonValue to, JsonPatchBuilder into) {
        if (from instanceof JsonObject a && to instanceof JsonObject b) {
            fields(path, a, b, into);
        } else if (from instanceof JsonArray a && to instanceof JsonArray b && areObjects(a) && areObjects(b)) {
            objects(path, a, b, into);
        } else if (!from.equals(to)) {
            into.replace(path, to);
        }
    }

    private static void fields(String path, JsonObject from, JsonObject to, JsonPatchBuilder into) {
        for (String key : from.keySet()) {
            if (!to.containsKey(key)) {
                into.remove(path + "/" + Json.encodePointer(key));
            }
        }
        to.forEach((key, value) -> {
            String there = path + "/" + Json.encodePointer(key);
            if (from.containsKey(key)) {
                diff(there, from.get(key), value, into);
            } else {
                into.add(there, value);
            }
        });
    }

    private static boolean areObjects(JsonArray all) {
        return all.stream().allMatch(JsonObject.class::isInstance);
    }

    /** Layers, masks, keys and the like: each by itself where they stay in their places, else those between what stays. */
    private static void objects(String path, JsonArray from, JsonArray to, JsonPatchBuilder into) {
        if (ids(from).equals(ids(to))) {
            if (different(from, to) > MANY) {
                into.replace(path, to);
                return;
            }
            for (int i = 0; i < to.size(); i++) {
                diff(path + "/" + i, from.get(i), to.get(i), into);
            }
            return;
        }
        int least = Math.min(from.size(), to.size());
        int first = 0;
        while (first < least && from.get(first).equals(to.get(first))) {
            first++;
        }
        int last = 0;
        while (last < least - first && from.get(from.size() - 1 - last).equals(to.get(to.size() - 1 - last))) {
            last++;
        }
        if (from.size() + to.size() - 2 * (first + last) > MANY) {
            into.replace(path, to);
            return;
        }
        for (int i = from.size() - 1 - last; i >= first; i--) {
            into.remove(path + "/" + i);
        }
        for (int i = first; i < to.size() - last; i++) {
            into.add(path + "/" + i, to.get(i));
        }
    }

    private static int different(JsonArray from, JsonArray to) {
        int all = 0;
        for (int i = 0; i < to.size(); i++) {
            all += from.get(i).equals(to.get(i)) ? 0 : 1;
        }
        return all;
    }

    /** What tells objects of a list apart; what has none is told by its place. */
    private static List<String> ids(JsonArray all) {
        return all.getValuesAs(JsonObject.class).stream()
                .map(o -> Objects.toString(o.get("id"), ""))
                .toList();
    }

    /** The document after a kept patch, written in its one usual form. */
    static JsonObject applied(String document, String patch) {
        JsonArray operations = JSON.createReader(new StringReader(patch)).readArray();
        return ShotJson.write(ShotJson.read(Change.patched(ShotJson.parse(document), operations)));
    }
}

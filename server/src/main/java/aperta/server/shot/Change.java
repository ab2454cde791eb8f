package aperta.server.shot;

import static aperta.media.json.Provider.JSON;

import aperta.core.edit.Edit;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.media.json.EditJson;
import aperta.media.json.ShotJson;
import jakarta.json.JsonArray;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonException;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonString;
import jakarta.json.JsonStructure;
import jakarta.json.JsonValue;
import java.util.List;
import java.util.Optional;

/**
 * A change that was asked for: a JSON Patch (RFC 6902) of the document or of one of its layers, or an edit with rules of its
 * own.
 */
public final class Change {
    /** Of a JSON Patch: each of them copies the list that it changes. */
    static final int MOST_OPERATIONS = 500;

    private final JsonObject request;

    /**
     * @param request with {@code patch}, a list, whose paths begin at the layer that {@code layer} names, or at each
     *     of those that {@code layers} names, where they name any; or {@code edit}, an object with a {@code kind}
     */
    public Change(JsonObject request) {
        this.request = request;
    }

    /**
     * The changed shot, sound as a whole.
     *
     * @throws IllegalArgumentException with a plain sentence where that can't be
     */
    public Shot apply(Shot shot, Edit.Extents extents) {
        if (request.get("edit") instanceof JsonObject edit) {
            return Rules.demand(EditJson.read(edit, shot).apply(shot, extents));
        }
        if (request.get("patch") instanceof JsonArray patch) {
            if (patch.size() > MOST_OPERATIONS) {
                throw new IllegalArgumentException("A JSON Patch has at most " + MOST_OPERATIONS
                        + " operations; replace a whole list instead of its single places.");
            }
            JsonObject document = ShotJson.write(shot);
            if (request.get("layers") instanceof JsonArray layers) {
                JsonValue changed = document;
                for (JsonString layer : layers.getValuesAs(JsonString.class)) {
                    String there = pointer(document, layer.getString());
                    changed = patched(changed.asJsonObject(), beginningAt(there, patch));
                }
                return ShotJson.read(changed);
            }
            JsonArray whole = request.get("layer") instanceof JsonString layer
                    ? beginningAt(pointer(document, layer.getString()), patch)
                    : patch;
            return ShotJson.read(patched(document, whole));
        }
        throw new IllegalArgumentException("A change needs a 'patch' (a list) or an 'edit' (an object).");
    }

    /** Where a layer lies in the document, whatever groups it lies in. */
    private static String pointer(JsonObject document, String layer) {
        return pointer(document.getJsonArray("layers"), "/layers", layer)
                .orElseThrow(() -> new IllegalArgumentException("There is no layer '" + layer + "' in this shot."));
    }

    private static Optional<String> pointer(JsonArray layers, String base, String id) {
        for (int i = 0; i < layers.size(); i++) {
            JsonObject layer = layers.getJsonObject(i);
            String here = base + "/" + i;
            if (layer.getString("id").equals(id)) {
                return Optional.of(here);
            }
            if (layer.getJsonObject("content").get("layers") instanceof JsonArray inside) {
                Optional<String> found = pointer(inside, here + "/content/layers", id);
                if (found.isPresent()) {
                    return found;
                }
            }
        }
        return Optional.empty();
    }

    private static JsonArray beginningAt(String pointer, JsonArray patch) {
        JsonArrayBuilder whole = JSON.createArrayBuilder();
        for (JsonValue operation : patch) {
            if (operation instanceof JsonObject o) {
                JsonObjectBuilder moved = JSON.createObjectBuilder(o);
                for (String field : List.of("path", "from")) {
                    if (o.get(field) instanceof JsonString path) {
                        moved.add(field, pointer + path.getString());
                    }
                }
                whole.add(moved);
            } else {
                whole.add(operation);
            }
        }
        return whole.build();
    }

    static JsonValue patched(JsonStructure document, JsonArray patch) {
        try {
            return JSON.createPatch(patch).apply(document);
        } catch (JsonException | ClassCastException | NullPointerException | IllegalStateException e) {
            throw new IllegalArgumentException(
                    "The JSON Patch doesn't fit the document: an operation is malformed, or its path isn't there.", e);
        }
    }
}

package aperta.server.shot;

import static aperta.media.json.Provider.JSON;

import aperta.core.edit.Edit;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.media.json.EditJson;
import aperta.media.json.ShotJson;
import jakarta.json.JsonArray;
import jakarta.json.JsonException;
import jakarta.json.JsonObject;
import jakarta.json.JsonStructure;
import jakarta.json.JsonValue;

/** A change that was asked for: a JSON Patch (RFC 6902) of the document, or an edit with rules of its own. */
public final class Change {
    /** Of a JSON Patch: each of them copies the list that it changes. */
    static final int MOST_OPERATIONS = 500;

    private final JsonObject request;

    /** @param request with {@code patch}, a list, or {@code edit}, an object with a {@code kind} */
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
            return ShotJson.read(patched(ShotJson.write(shot), patch));
        }
        throw new IllegalArgumentException("A change needs a 'patch' (a list) or an 'edit' (an object).");
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

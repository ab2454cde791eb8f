package aperta.server.cutout;

import static aperta.media.json.Provider.JSON;

import jakarta.json.JsonObject;

/**
 * What carrying a figure needs to know.
 *
 * @param from and {@code to}: frames of the clip
 */
record CutOutSettings(String layer, long from, long to) {
    JsonObject write() {
        return JSON.createObjectBuilder()
                .add("layer", layer)
                .add("from", from)
                .add("to", to)
                .build();
    }

    static CutOutSettings read(JsonObject json) {
        return new CutOutSettings(
                json.getString("layer"),
                json.getJsonNumber("from").longValue(),
                json.getJsonNumber("to").longValue());
    }
}

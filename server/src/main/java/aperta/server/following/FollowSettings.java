package aperta.server.following;

import static aperta.media.json.Provider.JSON;

import jakarta.json.JsonObject;

/**
 * What following a track needs to know.
 *
 * @param from and {@code to}: frames of the clip
 * @param quick whether pictures of half the size will do
 */
record FollowSettings(String layer, String track, long from, long to, boolean quick) {
    JsonObject write() {
        return JSON.createObjectBuilder()
                .add("layer", layer)
                .add("track", track)
                .add("from", from)
                .add("to", to)
                .add("quick", quick)
                .build();
    }

    static FollowSettings read(JsonObject json) {
        return new FollowSettings(
                json.getString("layer"),
                json.getString("track"),
                json.getJsonNumber("from").longValue(),
                json.getJsonNumber("to").longValue(),
                json.getBoolean("quick"));
    }
}

package aperta.server.render;

import static aperta.media.json.Provider.JSON;

import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Nesting;
import aperta.core.shot.Shot;
import aperta.media.json.ShotJson;
import aperta.media.output.Output;
import aperta.media.output.Outputs;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import java.util.Optional;

/**
 * What a render makes.
 *
 * @param shot as it was when the render was asked for; later edits don't change it
 */
record RenderSettings(Output output, Shot shot) {
    static RenderSettings read(JsonObject json) {
        JsonObject shots = json.getJsonObject("shots");
        return new RenderSettings(
                Outputs.of(json.getString("output")), shown(ShotJson.read(json.getJsonObject("shot")), shots));
    }

    private static Shot shown(Shot shot, JsonObject shots) {
        return Nesting.filled(
                shot,
                id -> Optional.ofNullable(shots)
                        .map(s -> s.getJsonObject(id))
                        .map(s -> shown(ShotJson.read(s), shots)));
    }

    JsonObject write() {
        JsonObjectBuilder shots = JSON.createObjectBuilder();
        collect(shot, shots);
        return JSON.createObjectBuilder()
                .add("output", output.word())
                .add("shot", ShotJson.write(shot))
                .add("shots", shots)
                .build();
    }

    /** The shots that a shot shows, as they are now. */
    private static void collect(Shot shot, JsonObjectBuilder into) {
        for (Layer layer : shot.everyLayer()) {
            if (layer.content() instanceof Content.Nested nested
                    && nested.found().isPresent()) {
                into.add(nested.shot(), ShotJson.write(nested.found().get()));
                collect(nested.found().get(), into);
            }
        }
    }
}

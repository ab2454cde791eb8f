package aperta.server.render;

import static aperta.media.json.Provider.JSON;

import aperta.core.shot.Shot;
import aperta.media.json.ShotJson;
import aperta.media.output.Output;
import aperta.media.output.Outputs;
import jakarta.json.JsonObject;

/**
 * What a render makes.
 *
 * @param shot as it was when the render was asked for; later edits don't change it
 */
record RenderSettings(Output output, Shot shot) {
    static RenderSettings read(JsonObject json) {
        return new RenderSettings(Outputs.of(json.getString("output")), ShotJson.read(json.getJsonObject("shot")));
    }

    JsonObject write() {
        return JSON.createObjectBuilder()
                .add("output", output.word())
                .add("shot", ShotJson.write(shot))
                .build();
    }
}

package aperta.server.kept;

import static aperta.media.json.Provider.JSON;

import aperta.core.shot.LayerEffect;
import aperta.media.json.ShotJson;
import aperta.server.project.Projects;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import java.util.List;
import org.springframework.stereotype.Service;

/** Chains of effects that are kept: objects with a list of {@code effects}, as a layer has it. */
@Service
public class KeptChains extends KeptThings<List<LayerEffect>> {
    private static final String EFFECTS = "effects";

    KeptChains(KeptRows rows, Projects projects) {
        super(rows, projects, KeptRow.Kind.CHAIN, "chain");
    }

    @Override
    List<LayerEffect> read(JsonObject document) {
        if (document.get(EFFECTS) instanceof JsonArray effects && !effects.isEmpty()) {
            return ShotJson.readEffects(effects);
        }
        throw new IllegalArgumentException("A kept chain has at least one effect.");
    }

    @Override
    JsonObject write(List<LayerEffect> effects) {
        return JSON.createObjectBuilder()
                .add(EFFECTS, ShotJson.writeEffects(effects))
                .build();
    }
}

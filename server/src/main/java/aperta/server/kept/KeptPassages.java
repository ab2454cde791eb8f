package aperta.server.kept;

import aperta.core.shot.Passage;
import aperta.media.json.ShotJson;
import aperta.server.project.Projects;
import jakarta.json.JsonObject;
import org.springframework.stereotype.Service;

/** Arrivals and departures that are kept. */
@Service
public class KeptPassages extends KeptThings<Passage> {
    KeptPassages(KeptRows rows, Projects projects) {
        super(rows, projects, KeptRow.Kind.PASSAGE, "opening");
    }

    @Override
    Passage read(JsonObject document) {
        return ShotJson.readPassage(document);
    }

    @Override
    JsonObject write(Passage passage) {
        return ShotJson.write(passage).asJsonObject();
    }
}

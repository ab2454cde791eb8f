package aperta.server.kept;

import aperta.core.shot.Passage;
import aperta.media.json.Characters;
import aperta.media.json.ShotJson;
import aperta.server.http.NotFound;
import aperta.server.project.Projects;
import jakarta.json.JsonObject;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Arrivals and departures that people keep by name, to lay them on other layers. */
@Service
public class KeptPassages {
    private static final int LONGEST_NAME = 80;

    private final KeptRows rows;
    private final Projects projects;

    KeptPassages(KeptRows rows, Projects projects) {
        this.rows = rows;
        this.projects = projects;
    }

    /** One of them. */
    public record Kept(UUID id, String name, Passage passage) {}

    public List<Kept> of(UUID project) {
        return rows.findByProjectIdAndKindOrderByCreatedAt(project, KeptRow.Kind.PASSAGE).stream()
                .map(KeptPassages::kept)
                .toList();
    }

    private static Kept kept(KeptRow row) {
        return new Kept(row.id, row.name, ShotJson.readPassage(ShotJson.parse(row.document)));
    }

    public Kept get(UUID id) {
        return kept(row(id));
    }

    private KeptRow row(UUID id) {
        return rows.findById(id).orElseThrow(() -> new NotFound("There is no such kept opening."));
    }

    /** @throws IllegalArgumentException where it isn't an arrival or departure, or has no name */
    @Transactional
    public Kept keep(UUID project, String name, JsonObject passage) {
        projects.get(project).touch();
        String document = ShotJson.write(ShotJson.readPassage(passage)).toString();
        return kept(rows.save(new KeptRow(project, KeptRow.Kind.PASSAGE, named(name), document)));
    }

    @Transactional
    public Kept rename(UUID id, String name) {
        KeptRow row = row(id);
        row.name = named(name);
        return kept(rows.save(row));
    }

    @Transactional
    public void remove(UUID id) {
        rows.delete(row(id));
    }

    private static String named(String name) {
        if (name == null || name.isBlank() || name.length() > LONGEST_NAME || !Characters.canBeKept(name)) {
            throw new IllegalArgumentException("What is kept needs a name of 1 to " + LONGEST_NAME + " letters.");
        }
        return name.strip();
    }
}

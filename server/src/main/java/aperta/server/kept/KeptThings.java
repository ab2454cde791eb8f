package aperta.server.kept;

import aperta.media.json.Characters;
import aperta.media.json.ShotJson;
import aperta.server.http.NotFound;
import aperta.server.project.Projects;
import jakarta.json.JsonObject;
import java.util.List;
import java.util.UUID;
import org.springframework.transaction.annotation.Transactional;

/** Things of one kind that people keep by name in a project, to lay them on other layers. */
public abstract class KeptThings<T> {
    private static final int LONGEST_NAME = 80;

    private final KeptRows rows;
    private final Projects projects;
    private final KeptRow.Kind kind;
    private final String called;

    /** @param called what one of them is called in a sentence */
    KeptThings(KeptRows rows, Projects projects, KeptRow.Kind kind, String called) {
        this.rows = rows;
        this.projects = projects;
        this.kind = kind;
        this.called = called;
    }

    /** @throws IllegalArgumentException with a plain sentence where it isn't one */
    abstract T read(JsonObject document);

    abstract JsonObject write(T what);

    public List<Kept<T>> of(UUID project) {
        return rows.findByProjectIdAndKindOrderByCreatedAt(project, kind).stream()
                .map(this::kept)
                .toList();
    }

    private Kept<T> kept(KeptRow row) {
        return new Kept<>(row.id, row.name, read(ShotJson.parse(row.document)));
    }

    public Kept<T> get(UUID id) {
        return kept(row(id));
    }

    private KeptRow row(UUID id) {
        return rows.findById(id)
                .filter(r -> r.kind == kind)
                .orElseThrow(() -> new NotFound("There is no such kept " + called + "."));
    }

    /** @throws IllegalArgumentException where it isn't one, or has no name */
    @Transactional
    public Kept<T> keep(UUID project, String name, JsonObject document) {
        projects.get(project).touch();
        String text = write(read(document)).toString();
        return kept(rows.save(new KeptRow(project, kind, named(name), text)));
    }

    @Transactional
    public Kept<T> rename(UUID id, String name) {
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

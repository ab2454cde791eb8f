package aperta.server.project;

import aperta.media.json.Characters;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;

/** A project holds shots and the media that they show. */
@Entity
public class Project {
    @Id
    private UUID id;

    private String name;
    private Instant createdAt;
    private Instant changedAt;

    protected Project() {}

    public Project(String name) {
        this.id = UUID.randomUUID();
        this.createdAt = Instant.now();
        rename(name);
    }

    public void rename(String other) {
        if (other == null || other.isBlank() || other.length() > 200 || !Characters.canBeKept(other)) {
            throw new IllegalArgumentException("A project needs a name of 1 to 200 letters.");
        }
        name = other.strip();
        changedAt = Instant.now();
    }

    public void touch() {
        changedAt = Instant.now();
    }

    public UUID id() {
        return id;
    }

    public String name() {
        return name;
    }

    public Instant changedAt() {
        return changedAt;
    }
}

package aperta.server.shot;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A shot as it is kept: its document at its newest revision, and where undo and redo go on. */
@Entity
@Table(name = "shot")
class ShotRow {
    @Id
    UUID id;

    UUID projectId;
    String name;
    long revision;

    @Column(columnDefinition = "text")
    String document;

    Long undoEdit;
    Long redoEdit;
    Instant createdAt;
    Instant changedAt;
    /** When it was deleted; it can be brought back for a while. */
    Instant removedAt;

    protected ShotRow() {}

    ShotRow(UUID projectId, String name, String document) {
        this.id = UUID.randomUUID();
        this.projectId = projectId;
        this.name = name;
        this.document = document;
        this.createdAt = Instant.now();
        this.changedAt = createdAt;
    }
}

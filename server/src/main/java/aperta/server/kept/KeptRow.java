package aperta.server.kept;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** Something that is kept by name in a project. */
@Entity
@Table(name = "kept")
class KeptRow {
    /** What is kept. */
    enum Kind {
        PASSAGE,
        CHAIN
    }

    @Id
    UUID id;

    UUID projectId;

    @Enumerated(EnumType.STRING)
    Kind kind;

    String name;

    @Column(columnDefinition = "text")
    String document;

    Instant createdAt;

    protected KeptRow() {}

    KeptRow(UUID projectId, Kind kind, String name, String document) {
        this.id = UUID.randomUUID();
        this.projectId = projectId;
        this.kind = kind;
        this.name = name;
        this.document = document;
        this.createdAt = Instant.now();
    }
}

package aperta.server.finding;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** What was found out about a stretch of a clip. */
@Entity
@Table(name = "footage_finding")
class FootageFindingRow {
    @Id
    UUID id;

    String kind;
    String key;
    String clip;
    long firstFrame;
    long lastFrame;
    String hash;
    long bytes;
    Instant createdAt;

    protected FootageFindingRow() {}

    FootageFindingRow(FootageFindings.Question of, String hash, long bytes) {
        this.id = UUID.randomUUID();
        this.kind = of.kind();
        this.key = of.key();
        this.clip = of.clip();
        this.firstFrame = of.first();
        this.lastFrame = of.last();
        this.hash = hash;
        this.bytes = bytes;
        this.createdAt = Instant.now();
    }
}

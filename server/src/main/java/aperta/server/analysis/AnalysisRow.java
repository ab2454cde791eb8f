package aperta.server.analysis;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** What was found out about a stretch of a clip. */
@Entity
@Table(name = "analysis")
class AnalysisRow {
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

    protected AnalysisRow() {}

    AnalysisRow(Analyses.Question of, String hash, long bytes) {
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

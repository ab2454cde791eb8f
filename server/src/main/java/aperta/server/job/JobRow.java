package aperta.server.job;

import aperta.media.json.ShotJson;
import jakarta.json.JsonObject;
import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** Long work: what it is, how far it is, and how it ended. */
@Entity
@Table(name = "job")
class JobRow {
    @Id
    UUID id;

    UUID projectId;
    UUID shotId;
    UUID mediaId;

    @Enumerated(EnumType.STRING)
    Job.Kind kind;

    String title;

    @Enumerated(EnumType.STRING)
    Job.State state;

    long done;
    long total;
    String message;

    @Column(columnDefinition = "text")
    String settings;

    String file;
    boolean cancel;
    Instant createdAt;
    Instant startedAt;
    Instant finishedAt;

    protected JobRow() {}

    JobRow(Job.Kind kind, UUID projectId, String title, JsonObject settings, long total) {
        this.id = UUID.randomUUID();
        this.kind = kind;
        this.projectId = projectId;
        this.title = title;
        this.total = total;
        this.state = Job.State.WAITING;
        this.message = "";
        this.settings = settings.toString();
        this.createdAt = Instant.now();
    }

    Job job() {
        return new Job(
                id,
                projectId,
                shotId,
                mediaId,
                kind,
                title,
                state,
                done,
                total,
                message,
                ShotJson.parse(settings),
                file,
                createdAt,
                startedAt,
                finishedAt);
    }
}

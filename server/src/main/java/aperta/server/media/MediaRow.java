package aperta.server.media;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A clip, a still or a font that someone brought. */
@Entity
@Table(name = "media")
class MediaRow {
    @Id
    UUID id;

    UUID projectId;
    String name;

    @Enumerated(EnumType.STRING)
    MediaService.Kind kind;

    @Enumerated(EnumType.STRING)
    MediaService.State state;

    String message;
    String hash;
    /** Of its file's name, with its dot; the rest of the name is the hash. */
    String ending;

    int width;
    int height;
    String rate;
    long frames;
    boolean alpha;
    Instant createdAt;
    Instant removedAt;

    protected MediaRow() {}

    MediaRow(UUID projectId, String name, MediaService.Kind kind, String hash, String ending) {
        this.id = UUID.randomUUID();
        this.projectId = projectId;
        this.name = name;
        this.kind = kind;
        this.state = MediaService.State.IMPORTING;
        this.message = "";
        this.hash = hash;
        this.ending = ending;
        this.rate = "24";
        this.createdAt = Instant.now();
    }

    /** The same file as a medium of another project. */
    MediaRow in(UUID project) {
        MediaRow row = new MediaRow(project, name, kind, hash, ending);
        row.state = state;
        row.message = message;
        row.width = width;
        row.height = height;
        row.rate = rate;
        row.frames = frames;
        row.alpha = alpha;
        return row;
    }
}

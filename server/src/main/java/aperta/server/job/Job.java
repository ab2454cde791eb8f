package aperta.server.job;

import jakarta.json.JsonObject;
import java.time.Instant;
import java.util.UUID;

/**
 * Long work as it stands.
 *
 * @param settings what its kind of work needs to know
 * @param file the name of the finished file in the data folder
 */
public record Job(
        UUID id,
        UUID projectId,
        UUID shotId,
        UUID mediaId,
        Kind kind,
        String title,
        State state,
        long done,
        long total,
        String message,
        JsonObject settings,
        String file,
        Instant createdAt,
        Instant startedAt,
        Instant finishedAt) {
    public enum Kind {
        IMPORT,
        RENDER,
        /** Marks are followed through a clip. */
        TRACK,
        /** A figure is cut out of a clip. */
        CUT_OUT
    }

    public enum State {
        WAITING,
        RUNNING,
        DONE,
        FAILED,
        CANCELLED
    }
}

package aperta.server.job;

import java.time.Instant;
import java.util.UUID;

/**
 * Long work as it stands.
 *
 * @param document what it works on, as it was when it was asked for
 * @param output the kind of file that a render makes
 * @param file the finished file
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
        String document,
        String output,
        String file,
        Instant createdAt,
        Instant startedAt,
        Instant finishedAt) {
    public enum Kind {
        IMPORT,
        RENDER
    }

    public enum State {
        WAITING,
        RUNNING,
        DONE,
        FAILED,
        CANCELLED
    }
}

package aperta.server.shot;

import java.time.Duration;
import java.time.Instant;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Forgets deleted shots once they can't be brought back any more. */
@Component
class DeletedShots {
    private final ShotService shots;
    private final Duration kept;

    /** @param kept for how long they can be brought back */
    DeletedShots(ShotService shots, @Value("${aperta.deleted-shots-kept}") Duration kept) {
        this.shots = shots;
        this.kept = kept;
    }

    @Scheduled(initialDelayString = "PT10M", fixedDelayString = "PT30M")
    void forget() {
        shots.forget(Instant.now().minus(kept));
    }
}

package aperta.server.media;

import aperta.server.Storage;
import aperta.server.finding.FootageFindings;
import aperta.server.job.JobService;
import jakarta.annotation.PostConstruct;
import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Removes files that nobody has any more: at the start what an end of the process left behind, then now and then what deleted
 * projects and removed media leave.
 */
@Component
public class Upkeep {
    private static final Logger LOG = LoggerFactory.getLogger(Upkeep.class);
    private static final Duration JUST_WRITTEN = Duration.ofMinutes(10);

    private final Storage storage;
    private final MediaService media;
    private final FootageFindings findings;
    private final JobService jobs;
    private final Duration kept;
    private final String database;
    private boolean ours;

    /** @param kept how long removed media stay */
    Upkeep(
            Storage storage,
            MediaService media,
            FootageFindings findings,
            JobService jobs,
            JdbcTemplate jdbc,
            @Value("${aperta.removed-media-kept}") Duration kept) {
        this.storage = storage;
        this.media = media;
        this.findings = findings;
        this.jobs = jobs;
        this.kept = kept;
        this.database = jdbc.queryForObject("select id::text from installation", String.class);
    }

    /** Before anybody is answered, so that nothing is in the making. */
    @PostConstruct
    void begin() {
        ours = storage.belongsTo(database);
        if (!ours) {
            LOG.warn("The files in {} belong to another database; none of them is removed", storage);
            return;
        }
        storage.clearUnfinished();
        sweep(Instant.now());
    }

    @Scheduled(initialDelayString = "PT10M", fixedDelayString = "PT30M")
    void now() {
        media.forget(Instant.now().minus(kept));
        sweep(Instant.now().minus(JUST_WRITTEN));
    }

    /** @param since files that changed later are left alone */
    public void sweep(Instant since) {
        if (!ours) {
            return;
        }
        Set<String> clips = media.hashes();
        findings.forgetAllBut(clips);
        storage.sweep(clips, findings.hashes(), jobs.ids(), since);
    }

    @Configuration
    @EnableScheduling
    static class Clock {}
}

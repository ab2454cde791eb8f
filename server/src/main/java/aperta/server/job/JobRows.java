package aperta.server.job;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface JobRows extends JpaRepository<JobRow, UUID> {
    List<JobRow> findTop100ByProjectIdOrderByCreatedAtDesc(UUID projectId);

    @Query("select j.id from JobRow j")
    Set<UUID> ids();

    @Modifying
    @Query("update JobRow j set j.done = :done where j.id = :id")
    void progress(UUID id, long done);

    @Query("select j.cancel from JobRow j where j.id = :id")
    Boolean cancelled(UUID id);

    @Modifying
    @Query("update JobRow j set j.cancel = true where j.id = :id")
    void cancel(UUID id);

    @Modifying
    @Query("update JobRow j set j.state = aperta.server.job.Job$State.RUNNING, j.startedAt = :now, j.done = 0,"
            + " j.message = '' where j.id = :id")
    void started(UUID id, Instant now);
}

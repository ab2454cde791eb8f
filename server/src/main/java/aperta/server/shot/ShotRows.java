package aperta.server.shot;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface ShotRows extends JpaRepository<ShotRow, UUID> {
    List<ShotRow> findByProjectIdAndRemovedAtIsNullOrderByCreatedAt(UUID projectId);

    @Query("select s.name from ShotRow s where s.removedAt is null and s.document like concat('%', :text, '%')"
            + " order by s.createdAt")
    List<String> namesOfThoseWith(String text);

    @Query("select count(s) > 0 from ShotRow s where s.document like concat('%', :text, '%')")
    boolean anyWith(String text);

    void deleteByRemovedAtBefore(Instant time);

    /** Holds the row, so that edits of one shot follow one another. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select s from ShotRow s where s.id = :id")
    Optional<ShotRow> hold(UUID id);
}

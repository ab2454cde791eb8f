package aperta.server.media;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface MediaRows extends JpaRepository<MediaRow, UUID> {
    List<MediaRow> findByProjectIdOrderByCreatedAt(UUID projectId);

    List<MediaRow> findByRemovedAtBefore(Instant time);

    boolean existsByHashAndIdNot(String hash, UUID id);

    @Query("select m.hash from MediaRow m")
    Set<String> hashes();
}

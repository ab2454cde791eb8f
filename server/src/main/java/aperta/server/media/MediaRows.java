package aperta.server.media;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface MediaRows extends JpaRepository<MediaRow, UUID> {
    List<MediaRow> findByProjectIdOrderByCreatedAt(UUID projectId);
}

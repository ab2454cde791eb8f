package aperta.server.kept;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface KeptRows extends JpaRepository<KeptRow, UUID> {
    List<KeptRow> findByProjectIdAndKindOrderByCreatedAt(UUID projectId, KeptRow.Kind kind);
}

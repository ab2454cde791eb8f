package aperta.server.shot;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface EditRows extends JpaRepository<EditRow, Long> {
    List<EditRow> findByShotIdAndKind(UUID shot, EditRow.Kind kind);
}

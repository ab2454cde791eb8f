package aperta.server.shot;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface EditRows extends JpaRepository<EditRow, Long> {
    List<EditRow> findByShotIdAndKind(UUID shot, EditRow.Kind kind);

    @Query(
            "select count(e) > 0 from EditRow e where e.patch like concat('%', :text, '%') or e.inverse like concat('%', :text, '%')")
    boolean anyWith(String text);
}

package aperta.server.finding;

import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.transaction.annotation.Transactional;

interface FootageFindingRows extends JpaRepository<FootageFindingRow, UUID> {
    Optional<FootageFindingRow> findByClipAndKindAndKeyAndFirstFrameAndLastFrame(
            String clip, String kind, String key, long firstFrame, long lastFrame);

    @Query("select a.hash from FootageFindingRow a")
    Set<String> hashes();

    @Transactional
    @Modifying
    @Query("delete from FootageFindingRow a where a.clip not in :clips")
    void deleteOfOthers(Set<String> clips);
}

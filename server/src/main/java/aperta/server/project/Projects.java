package aperta.server.project;

import aperta.server.http.NotFound;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

/** The projects. */
public interface Projects extends JpaRepository<Project, UUID> {
    List<Project> findAllByOrderByChangedAtDesc();

    default Project get(UUID id) {
        return findById(id).orElseThrow(() -> new NotFound("There is no such project."));
    }
}

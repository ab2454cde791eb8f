package aperta.server.project;

import aperta.server.shot.ShotService;
import aperta.server.shot.ShotService.ShotSummary;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Projects over HTTP. */
@RestController
@RequestMapping("/api/projects")
class ProjectController {
    private final Projects projects;
    private final ShotService shots;

    ProjectController(Projects projects, ShotService shots) {
        this.projects = projects;
        this.shots = shots;
    }

    record ProjectView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID id,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String name,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            Instant changedAt,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            List<ShotSummary> shots) {}

    record ProjectName(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String name) {}

    private ProjectView view(Project p) {
        return new ProjectView(p.id(), p.name(), p.changedAt(), shots.of(p.id()));
    }

    @GetMapping
    List<ProjectView> all() {
        return projects.findAllByOrderByChangedAtDesc().stream().map(this::view).toList();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ProjectView create(@RequestBody ProjectName body) {
        return view(projects.save(new Project(body.name)));
    }

    @GetMapping("/{id}")
    ProjectView one(@PathVariable UUID id) {
        return view(projects.get(id));
    }

    @PutMapping("/{id}")
    @Transactional
    public ProjectView rename(@PathVariable UUID id, @RequestBody ProjectName body) {
        Project p = projects.get(id);
        p.rename(body.name);
        return view(projects.save(p));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable UUID id) {
        projects.delete(projects.get(id));
    }
}

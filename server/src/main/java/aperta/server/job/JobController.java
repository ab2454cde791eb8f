package aperta.server.job;

import aperta.media.output.Outputs;
import aperta.server.Storage;
import aperta.server.http.Conflict;
import io.swagger.v3.oas.annotations.media.Schema;
import java.nio.file.Files;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Jobs over HTTP. */
@RestController
@RequestMapping("/api")
class JobController {
    private final JobService jobs;
    private final Storage storage;

    JobController(JobService jobs, Storage storage) {
        this.jobs = jobs;
        this.storage = storage;
    }

    /** @param secondsLeft by the pace so far; nothing while that can't be told */
    record JobView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID id,

            UUID shotId,
            UUID mediaId,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            Job.Kind kind,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String title,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            Job.State state,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long done,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long total,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String message,

            String output,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            boolean hasFile,

            Long secondsLeft,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            Instant createdAt,

            Instant finishedAt) {
        static JobView of(Job j) {
            return new JobView(
                    j.id(),
                    j.shotId(),
                    j.mediaId(),
                    j.kind(),
                    j.title(),
                    j.state(),
                    j.done(),
                    j.total(),
                    j.message(),
                    j.settings().getString("output", null),
                    j.file() != null,
                    left(j),
                    j.createdAt(),
                    j.finishedAt());
        }

        private static Long left(Job j) {
            if (j.state() != Job.State.RUNNING || j.done() < 2 || j.startedAt() == null) {
                return null;
            }
            long ms = Duration.between(j.startedAt(), Instant.now()).toMillis();
            return ms * (j.total() - j.done()) / j.done() / 1000;
        }
    }

    @GetMapping("/projects/{project}/jobs")
    List<JobView> of(@PathVariable UUID project) {
        return jobs.of(project).stream().map(JobView::of).toList();
    }

    @GetMapping("/jobs/{id}")
    JobView one(@PathVariable UUID id) {
        return JobView.of(jobs.get(id));
    }

    @PostMapping("/jobs/{id}/cancel")
    JobView cancel(@PathVariable UUID id) {
        return JobView.of(jobs.cancel(id));
    }

    @PostMapping("/jobs/{id}/retry")
    JobView retry(@PathVariable UUID id) {
        return JobView.of(jobs.retry(id));
    }

    @GetMapping("/jobs/{id}/file")
    ResponseEntity<Resource> file(@PathVariable UUID id) {
        Job job = jobs.get(id);
        if (job.file() == null || !Files.exists(storage.named(job.file()))) {
            throw new Conflict("This job has no finished file.");
        }
        String ending = job.file().substring(job.file().lastIndexOf('.'));
        String output = job.settings().getString("output");
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(job.title().replaceAll("[^\\p{L}\\p{N} _-]", "") + ending)
                                .build()
                                .toString())
                .contentType(MediaType.valueOf(Outputs.of(output).description().mediaType()))
                .body(new FileSystemResource(storage.named(job.file())));
    }
}

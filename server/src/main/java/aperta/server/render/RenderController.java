package aperta.server.render;

import aperta.core.shot.Shot;
import aperta.media.json.ShotJson;
import aperta.media.render.Film;
import aperta.server.job.JobService;
import aperta.server.shot.ShotService;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Renders asked for over HTTP. */
@RestController
class RenderController {
    private final ShotService shots;
    private final JobService jobs;

    RenderController(ShotService shots, JobService jobs) {
        this.shots = shots;
        this.jobs = jobs;
    }

    record NewRender(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            Film.Kind output,

            Boolean workRange) {}

    record Started(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID job) {}

    @PostMapping("/api/shots/{id}/renders")
    @ResponseStatus(HttpStatus.CREATED)
    Started render(@PathVariable UUID id, @RequestBody NewRender body) {
        ShotService.Read read = shots.newest(id);
        Shot whole = read.shot();
        Shot shot = Boolean.TRUE.equals(body.workRange)
                ? whole.only(whole.work()
                        .orElseThrow(() -> new IllegalArgumentException("The shot has no work range to render.")))
                : whole;
        if (body.output == null) {
            throw new IllegalArgumentException("A render makes H264 or PNG.");
        }
        if (body.output == Film.Kind.H264
                && (shot.format().width() % 2 != 0 || shot.format().height() % 2 != 0)) {
            throw new IllegalArgumentException("H.264 needs an even width and height; choose PNG frames instead.");
        }
        return new Started(jobs.startRender(
                        read.project(),
                        id,
                        shot.name(),
                        body.output.name(),
                        ShotJson.write(shot).toString(),
                        shot.length())
                .id());
    }
}

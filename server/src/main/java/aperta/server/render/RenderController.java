package aperta.server.render;

import aperta.core.shot.Shot;
import aperta.media.output.Output;
import aperta.media.output.Outputs;
import aperta.server.job.JobService;
import aperta.server.shot.ShotService;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
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
            String output,

            Boolean workRange) {}

    record Started(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID job) {}

    /** An output as the desk offers it. */
    record OutputView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String word,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String label,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String summary) {}

    @GetMapping("/api/outputs")
    List<OutputView> outputs() {
        return Outputs.all().stream()
                .map(o -> new OutputView(o.word(), o.label(), o.description().summary()))
                .toList();
    }

    @PostMapping("/api/shots/{id}/renders")
    @ResponseStatus(HttpStatus.CREATED)
    Started render(@PathVariable UUID id, @RequestBody NewRender body) {
        ShotService.Read read = shots.newest(id);
        Shot whole = read.shot();
        Shot shot = Boolean.TRUE.equals(body.workRange)
                ? whole.only(whole.work()
                        .orElseThrow(() -> new IllegalArgumentException("The shot has no work range to render.")))
                : whole;
        Output output = Outputs.of(String.valueOf(body.output));
        output.refusal(shot.format()).ifPresent(why -> {
            throw new IllegalArgumentException(why);
        });
        return new Started(jobs.startRender(
                        read.project(), id, shot.name(), new RenderSettings(output, shot).write(), shot.length())
                .id());
    }
}

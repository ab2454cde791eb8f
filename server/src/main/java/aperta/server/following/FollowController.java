package aperta.server.following;

import aperta.core.shot.Content;
import aperta.core.shot.Shot;
import aperta.core.shot.Track;
import aperta.server.http.NotFound;
import aperta.server.job.Job;
import aperta.server.job.JobService;
import aperta.server.media.MediaService;
import aperta.server.shot.ShotService;
import aperta.vision.Following;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Marks to be followed, asked for over HTTP. */
@RestController
class FollowController {
    private final ShotService shots;
    private final JobService jobs;
    private final MediaService media;

    FollowController(ShotService shots, JobService jobs, MediaService media) {
        this.shots = shots;
        this.jobs = jobs;
        this.media = media;
    }

    /** @param from and {@code to}: frames of the clip; all of it where they aren't said */
    record Wish(Long from, Long to, Boolean quick) {}

    record Started(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID job) {}

    @PostMapping("/api/shots/{id}/layers/{layer}/tracks/{track}/follow")
    @ResponseStatus(HttpStatus.CREATED)
    Started follow(
            @PathVariable UUID id, @PathVariable String layer, @PathVariable String track, @RequestBody Wish wish) {
        ShotService.Read read = shots.newest(id);
        Content.Footage clip = clip(read.shot(), layer);
        Track found = clip.track(track).orElseThrow(() -> new NotFound("The clip has no track '" + track + "'."));
        long last = media.planner().sources().info(clip.media()).frames() - 1;
        long from = wish.from == null ? 0 : Math.max(0, wish.from);
        long to = wish.to == null ? last : Math.min(last, wish.to);
        if (from > to) {
            throw new IllegalArgumentException("There is no frame from " + from + " to " + to + ".");
        }
        FollowSettings settings = new FollowSettings(layer, track, from, to, Boolean.TRUE.equals(wish.quick));
        return new Started(jobs.startOf(
                        Job.Kind.TRACK,
                        read.project(),
                        id,
                        "Follow " + found.name(),
                        settings.write(),
                        Following.looks(found, from, to))
                .id());
    }

    static Content.Footage clip(Shot shot, String layer) {
        return shot.layer(layer)
                .map(l -> l.content() instanceof Content.Footage f ? f : null)
                .orElseThrow(() -> new NotFound("There is no clip '" + layer + "' in this shot."));
    }
}

package aperta.server.cutout;

import aperta.core.geometry.Point;
import aperta.core.render.Sources;
import aperta.core.shot.BrushStroke;
import aperta.core.shot.Content;
import aperta.core.shot.CutOut;
import aperta.media.footage.ClipSources;
import aperta.server.finding.FootageFindings;
import aperta.server.job.Job;
import aperta.server.job.JobService;
import aperta.server.media.MediaService;
import aperta.server.shot.ShotService;
import aperta.vision.ClipFilm;
import aperta.vision.CuttingOut;
import aperta.vision.FigureFinder;
import aperta.vision.VisionMissing;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Figures to be cut out, asked for over HTTP. */
@RestController
class CutOutController {
    private final ShotService shots;
    private final JobService jobs;
    private final MediaService media;
    private final FootageFindings findings;
    private Finder last;

    CutOutController(ShotService shots, JobService jobs, MediaService media, FootageFindings findings) {
        this.shots = shots;
        this.jobs = jobs;
        this.media = media;
        this.findings = findings;
    }

    /** What finds figures in the clip that was brushed last. */
    private record Finder(String media, ClipSources sources, FigureFinder finder) {}

    /** @param from and {@code to}: frames of the clip; all of it where they aren't said */
    record Wish(Long from, Long to) {}

    record Started(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID job) {}

    /** @param outlines each a closed line of points x, y in pixels of the clip */
    record Seen(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long frame,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            List<List<double[]>> outlines) {}

    @PostMapping("/api/shots/{id}/layers/{layer}/cut-out/carry")
    @ResponseStatus(HttpStatus.CREATED)
    Started carry(@PathVariable UUID id, @PathVariable String layer, @RequestBody Wish wish) {
        ShotService.Read read = shots.newest(id);
        Content.Footage clip = CutOutRunner.figure(read.shot(), layer);
        long start = CuttingOut.start(clip.cutOut().orElseThrow().strokes());
        long end = media.planner().sources().info(clip.media()).frames() - 1;
        long from = wish.from == null ? 0 : Math.max(0, wish.from);
        long to = wish.to == null ? end : Math.min(end, wish.to);
        if (from > to) {
            throw new IllegalArgumentException("There is no frame from " + from + " to " + to + ".");
        }
        CutOutSettings settings = new CutOutSettings(layer, Math.min(from, start), Math.max(to, start));
        return new Started(jobs.startOf(
                        Job.Kind.CUT_OUT,
                        read.project(),
                        id,
                        "Carry " + CutOutRunner.figureName(read.shot(), layer),
                        settings.write(),
                        settings.to() - settings.from() + 1)
                .id());
    }

    /** What is found of a figure on one frame by what was brushed on it, at half the size, at once. */
    @GetMapping("/api/shots/{id}/layers/{layer}/cut-out/frames/{frame}")
    Seen frame(@PathVariable UUID id, @PathVariable String layer, @PathVariable long frame) {
        Content.Footage clip = CutOutRunner.figure(shots.newest(id).shot(), layer);
        CutOut cutOut = clip.cutOut().orElseThrow();
        List<BrushStroke> here =
                cutOut.strokes().stream().filter(s -> s.frame() == frame).toList();
        boolean begun =
                here.stream().anyMatch(BrushStroke::inside) && here.stream().anyMatch(s -> !s.inside());
        Optional<FoundFrame> known = Optional.empty();
        boolean first = begun && CuttingOut.start(cutOut.strokes()) == frame;
        if (here.isEmpty() || !first) {
            known = known(clip, cutOut, frame, here);
        }
        try {
            finder(clip.media());
        } catch (VisionMissing e) {
            throw new IllegalArgumentException(e.getMessage(), e);
        }
        if (here.isEmpty()) {
            return new Seen(
                    frame,
                    known.map(k -> json(FigureFinder.outlines(k.matte(), 1))).orElse(List.of()));
        }
        if (known.isEmpty() && !begun) {
            return new Seen(frame, List.of());
        }
        Optional<FoundFrame> before = known(clip, cutOut, frame - 1, here);
        return new Seen(frame, json(found(clip.media(), frame, here, known, before)));
    }

    /** What was found before the strokes of this frame were brushed, or with them. */
    private Optional<FoundFrame> known(Content.Footage clip, CutOut cutOut, long frame, List<BrushStroke> here) {
        Sources.Info info = media.planner().sources().info(clip.media());
        List<BrushStroke> others =
                cutOut.strokes().stream().filter(s -> !here.contains(s)).toList();
        boolean can =
                others.stream().anyMatch(BrushStroke::inside) && others.stream().anyMatch(s -> !s.inside());
        return can ? new FoundFrames(findings, info.content(), others).frame(frame) : Optional.empty();
    }

    private synchronized List<List<Point>> found(
            String clip, long frame, List<BrushStroke> here, Optional<FoundFrame> known, Optional<FoundFrame> before) {
        return finder(clip)
                .outlines(
                        frame,
                        here,
                        known.map(k -> k.half().matte()),
                        before.map(k -> k.half().matte()));
    }

    /** It takes seconds to be made: who asks before anything is brushed has it ready by then. */
    private synchronized FigureFinder finder(String clip) {
        if (last == null || !last.media.equals(clip)) {
            close();
            ClipSources sources = media.sources();
            ClipFilm film = new ClipFilm(sources, clip, 2);
            last = new Finder(clip, sources, new FigureFinder(film, 0, film.frames() - 1));
        }
        return last.finder;
    }

    private static List<List<double[]>> json(List<List<Point>> outlines) {
        return outlines.stream()
                .map(o -> o.stream().map(p -> new double[] {p.x(), p.y()}).toList())
                .toList();
    }

    @PreDestroy
    synchronized void close() {
        if (last != null) {
            last.sources.close();
            last = null;
        }
    }
}

package aperta.server.cutout;

import static aperta.media.json.Provider.JSON;

import aperta.core.geometry.Point;
import aperta.core.picture.Matte;
import aperta.core.render.Sources;
import aperta.core.shot.Content;
import aperta.core.shot.CutOut;
import aperta.core.shot.Shot;
import aperta.media.file.Unfinished;
import aperta.media.footage.ClipSources;
import aperta.media.footage.CoverageFile;
import aperta.server.Storage;
import aperta.server.finding.FootageFindings;
import aperta.server.frame.FrameDesk;
import aperta.server.http.NotFound;
import aperta.server.job.Job;
import aperta.server.job.JobRunner;
import aperta.server.media.MediaService;
import aperta.server.shot.LateEdits;
import aperta.server.shot.ShotService;
import aperta.vision.ClipFilm;
import aperta.vision.CuttingOut;
import aperta.vision.FigureFinder;
import aperta.vision.VisionMissing;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import org.springframework.stereotype.Component;

/**
 * Carries a figure through a clip, shows it as it goes, and at the end, or where it is stopped, makes a clip of its coverage,
 * a medium of the project, and puts it into the shot as one edit. Each frame is kept as soon as it is found, so that a job that
 * was broken off goes on from there.
 */
@Component
class CutOutRunner implements JobRunner {
    private final ShotService shots;
    private final MediaService media;
    private final FootageFindings findings;
    private final FrameDesk desk;
    private final LateEdits edits;
    private final Storage storage;

    CutOutRunner(
            ShotService shots,
            MediaService media,
            FootageFindings findings,
            FrameDesk desk,
            LateEdits edits,
            Storage storage) {
        this.shots = shots;
        this.media = media;
        this.findings = findings;
        this.desk = desk;
        this.edits = edits;
        this.storage = storage;
    }

    @Override
    public Job.Kind kind() {
        return Job.Kind.CUT_OUT;
    }

    @Override
    public String run(Job job, LongConsumer progress, BooleanSupplier cancelled) {
        CutOutSettings s = CutOutSettings.read(job.settings());
        Content.Footage clip = figure(shots.newest(job.shotId()).shot(), s.layer());
        CutOut cutOut = clip.cutOut().orElseThrow();
        boolean stopped;
        try (ClipSources sources = media.sources()) {
            Sources.Info info = sources.info(clip.media());
            FoundFrames found = new FoundFrames(findings, info.content(), cutOut.strokes());
            Going going = new Going(job, found, progress, cancelled);
            CuttingOut.carry(
                    cutOut.strokes(),
                    s.from(),
                    s.to(),
                    new ClipFilm(sources, clip.media(), 1),
                    f -> found.compared(f).map(FoundFrame::matte),
                    going,
                    going);
            stopped = going.stopped;
            put(job, s, found, info);
        } catch (VisionMissing | IOException e) {
            throw new IllegalStateException(e.getMessage(), e);
        }
        desk.tell(job.shotId(), message(s).add("ended", true).build());
        if (stopped) {
            throw new IllegalStateException("It was stopped; what was found is kept.");
        }
        return null;
    }

    /**
     * Keeps and shows what is found. Each frame is carried to, compared with the others, and compared once more with what came
     * of that: a third of its work each.
     */
    private final class Going implements CuttingOut.Drafts, CuttingOut.Told {
        private static final int STEPS = 3;

        private final Job job;
        private final FoundFrames found;
        private final LongConsumer progress;
        private final BooleanSupplier cancelled;
        private long steps;
        private boolean stopped;

        Going(Job job, FoundFrames found, LongConsumer progress, BooleanSupplier cancelled) {
            this.job = job;
            this.found = found;
            this.progress = progress;
            this.cancelled = cancelled;
            for (long f = settings().from(); f <= settings().to(); f++) {
                steps += found.compared(f).isPresent() ? STEPS : found.draft(f).isPresent() ? 1 : 0;
            }
            progress.accept(done());
        }

        private CutOutSettings settings() {
            return CutOutSettings.read(job.settings());
        }

        private long done() {
            return Math.min(settings().to() - settings().from() + 1, steps / STEPS);
        }

        @Override
        public Optional<CuttingOut.Draft> frame(long frame) {
            return found.draft(frame).map(f -> new CuttingOut.Draft(f.matte(), f.sure()));
        }

        @Override
        public boolean keep(long frame, CuttingOut.Draft draft) {
            found.keepDraft(frame, FoundFrame.of(draft.alpha(), draft.sure()));
            return show(frame, draft.alpha(), draft.sure());
        }

        @Override
        public boolean compared() {
            return goOn();
        }

        @Override
        public boolean frame(long frame, Matte alpha, double sure) {
            found.keepCompared(frame, FoundFrame.of(alpha, sure));
            return show(frame, alpha, sure);
        }

        private boolean show(long frame, Matte alpha, double sure) {
            boolean goOn = goOn();
            desk.tell(job.shotId(), seen(settings(), frame, alpha, sure, done()));
            return goOn;
        }

        private boolean goOn() {
            steps++;
            progress.accept(done());
            desk.giveWay();
            stopped = cancelled.getAsBoolean();
            return !stopped;
        }
    }

    @Override
    public void failed(Job job, String why) {
        desk.tell(
                job.shotId(),
                message(CutOutSettings.read(job.settings())).add("ended", true).build());
    }

    /** All frames that hang together with the one that everything was carried from become a clip of coverage. */
    private void put(Job job, CutOutSettings s, FoundFrames found, Sources.Info info) throws IOException {
        long first = found.start();
        while (first > 0 && found.frame(first - 1).isPresent()) {
            first--;
        }
        List<Double> sure = new ArrayList<>();
        JsonArrayBuilder areas = JSON.createArrayBuilder();
        Path file = Files.createTempFile(storage.incoming(), "figure", CoverageFile.ENDING);
        MediaService.Item made;
        String name = figureName(shots.newest(job.shotId()).shot(), s.layer());
        try (Unfinished making = Unfinished.ofMany(file);
                CoverageFile coverage = new CoverageFile(making.part(), info.width(), info.height(), info.rate())) {
            Optional<FoundFrame> next = found.frame(first);
            for (long f = first; next.isPresent(); f++) {
                coverage.write(next.get().frame(info.width(), info.height()));
                sure.add(rounded(next.get().sure(), 1e3));
                areas.add(rounded(next.get().area() / ((double) info.width() * info.height()), 1e6));
                next = f + 1 < info.frames() ? found.frame(f + 1) : Optional.empty();
            }
            if (sure.isEmpty()) {
                return;
            }
            coverage.finish();
            making.finish();
            made = media.takeMade(job.projectId(), name + CoverageFile.ENDING, file);
        } finally {
            Files.deleteIfExists(file);
        }
        JsonArrayBuilder all = JSON.createArrayBuilder();
        sure.forEach(all::add);
        JsonObject carried = JSON.createObjectBuilder()
                .add("media", made.id().toString())
                .add(
                        "clip",
                        JSON.createObjectBuilder()
                                .add("width", info.width())
                                .add("height", info.height())
                                .add("rate", info.rate().toString()))
                .add("first", first)
                .add("sure", all)
                .add("area", areas)
                .build();
        edits.put(job.shotId(), "Carry " + name, now -> {
            figure(now, s.layer());
            return JSON.createObjectBuilder()
                    .add("kind", "set-carried")
                    .add("layer", s.layer())
                    .add("carried", carried)
                    .build();
        });
    }

    private static double rounded(double v, double steps) {
        return Math.rint(v * steps) / steps;
    }

    static String figureName(Shot shot, String layer) {
        return shot.layer(layer).orElseThrow().name();
    }

    /** A clip of which a figure is cut out. */
    static Content.Footage figure(Shot shot, String layer) {
        return shot.layer(layer)
                .map(l -> l.content() instanceof Content.Footage f && f.cutOut().isPresent() ? f : null)
                .orElseThrow(() -> new NotFound("There is no figure '" + layer + "' in this shot."));
    }

    private static JsonObjectBuilder message(CutOutSettings s) {
        return JSON.createObjectBuilder().add("type", "cutting").add("layer", s.layer());
    }

    private static JsonObject seen(CutOutSettings s, long frame, Matte alpha, double sure, long done) {
        return message(s)
                .add("frame", frame)
                .add("sure", sure)
                .add("done", done)
                .add("total", s.to() - s.from() + 1)
                .add("outlines", json(FigureFinder.outlines(alpha, 1)))
                .build();
    }

    static JsonArrayBuilder json(List<List<Point>> outlines) {
        JsonArrayBuilder all = JSON.createArrayBuilder();
        for (List<Point> outline : outlines) {
            JsonArrayBuilder one = JSON.createArrayBuilder();
            outline.forEach(p -> one.add(JSON.createArrayBuilder().add(p.x()).add(p.y())));
            all.add(one);
        }
        return all;
    }
}

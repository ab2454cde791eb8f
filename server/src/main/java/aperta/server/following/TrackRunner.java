package aperta.server.following;

import static aperta.media.json.Provider.JSON;

import aperta.core.shot.Content;
import aperta.core.shot.Track;
import aperta.core.shot.TrackPath;
import aperta.core.shot.TrackPath.By;
import aperta.media.footage.ClipSources;
import aperta.media.json.ShotJson;
import aperta.media.project.ShotFile;
import aperta.server.finding.FootageFindings;
import aperta.server.frame.FrameDesk;
import aperta.server.job.Job;
import aperta.server.job.JobRunner;
import aperta.server.media.MediaService;
import aperta.server.shot.LateEdits;
import aperta.server.shot.ShotService;
import aperta.vision.ClipFilm;
import aperta.vision.Following;
import aperta.vision.VisionMissing;
import jakarta.json.JsonObject;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import org.springframework.stereotype.Component;

/**
 * Follows a track, shows it as it goes, and at the end, or where it is stopped, puts what was found into the shot as one edit.
 * What has been found by now is kept each second, so that a job that was broken off goes on from there.
 */
@Component
class TrackRunner implements JobRunner {
    /** Changes with what is found by the same settings. */
    private static final String EDITION = "1";

    private static final long SHOWN_NANOS = 200_000_000L;
    private static final long KEPT_NANOS = 1_000_000_000L;

    private final ShotService shots;
    private final MediaService media;
    private final FootageFindings findings;
    private final FrameDesk desk;
    private final LateEdits edits;

    TrackRunner(ShotService shots, MediaService media, FootageFindings findings, FrameDesk desk, LateEdits edits) {
        this.shots = shots;
        this.media = media;
        this.findings = findings;
        this.desk = desk;
        this.edits = edits;
    }

    @Override
    public Job.Kind kind() {
        return Job.Kind.TRACK;
    }

    @Override
    public String run(Job job, LongConsumer progress, BooleanSupplier cancelled) {
        FollowSettings s = FollowSettings.read(job.settings());
        Content.Footage clip = FollowController.clip(shots.newest(job.shotId()).shot(), s.layer());
        Track track = clip.track(s.track())
                .orElseThrow(() -> new IllegalStateException("The track was taken away before it was followed."));
        Run run = new Run(job.shotId(), s, track, progress, cancelled);
        try (ClipSources sources = media.sources()) {
            ClipFilm film = new ClipFilm(sources, clip.media(), s.quick() ? 2 : 1);
            FootageFindings.Question question =
                    question(sources.info(clip.media()).content(), s, track);
            Optional<TrackPath> known =
                    findings.kept(question).map(b -> ShotJson.readPath(new String(b, StandardCharsets.UTF_8)));
            TrackPath found = Following.follow(track, known, s.from(), s.to(), film, (path, frame) -> {
                run.keep(question, path);
                return run.step(path, frame);
            });
            findings.keep(question, ShotJson.writePath(found).getBytes(StandardCharsets.UTF_8));
            put(job.shotId(), s, track, found);
        } catch (VisionMissing e) {
            throw new IllegalStateException(e.getMessage(), e);
        }
        run.end();
        if (run.stopped) {
            throw new IllegalStateException("It was stopped; what was found is kept.");
        }
        return null;
    }

    @Override
    public void failed(Job job, String why) {
        FollowSettings s = FollowSettings.read(job.settings());
        desk.tell(job.shotId(), ended(s));
    }

    /** By the clip, the range, and all of the track by which it is followed. */
    private static FootageFindings.Question question(String clip, FollowSettings s, Track t) {
        StringBuilder key = new StringBuilder(EDITION)
                .append(s.quick())
                .append(t.kind())
                .append(t.at())
                .append(t.marks())
                .append(t.patch())
                .append(t.reach())
                .append(t.lost());
        for (int i = 0; i < t.path().steps().size(); i++) {
            TrackPath.Step step = t.path().steps().get(i);
            if (step.by() == By.HAND) {
                key.append(t.path().first() + i).append(step.at());
            }
        }
        String hash = ShotFile.hash(key.toString().getBytes(StandardCharsets.UTF_8));
        return new FootageFindings.Question("track", hash, clip, s.from(), s.to());
    }

    /** Whoever worked on the shot meanwhile has done so; steps that were fixed since stay fixed. */
    private void put(UUID shot, FollowSettings s, Track track, TrackPath found) {
        edits.put(shot, "Follow " + track.name(), now -> {
            Track newest = now.layer(s.layer())
                    .map(l -> l.content() instanceof Content.Footage f ? f : null)
                    .flatMap(f -> f.track(s.track()))
                    .orElseThrow(() -> new IllegalStateException("The track was taken away while it was followed."));
            return JSON.createObjectBuilder()
                    .add("kind", "set-track-path")
                    .add("layer", s.layer())
                    .add("track", s.track())
                    .add("path", ShotJson.parse(ShotJson.writePath(withFixed(found, newest.path()))))
                    .build();
        });
    }

    private static TrackPath withFixed(TrackPath found, TrackPath now) {
        TrackPath next = found;
        for (int i = 0; i < now.steps().size(); i++) {
            long frame = now.first() + i;
            if (now.steps().get(i).by() == By.HAND && next.step(frame).isPresent()) {
                next = next.with(frame, now.steps().get(i));
            }
        }
        return next;
    }

    private static JsonObject ended(FollowSettings s) {
        return JSON.createObjectBuilder()
                .add("type", "following")
                .add("layer", s.layer())
                .add("track", s.track())
                .add("ended", true)
                .build();
    }

    /** One run, and when something was last told of it. */
    private final class Run {
        private final UUID shot;
        private final FollowSettings settings;
        private final Track track;
        private final LongConsumer progress;
        private final BooleanSupplier cancelled;
        private long done;
        private long shown;
        private long kept = System.nanoTime();
        private boolean stopped;

        Run(UUID shot, FollowSettings settings, Track track, LongConsumer progress, BooleanSupplier cancelled) {
            this.shot = shot;
            this.settings = settings;
            this.track = track;
            this.progress = progress;
            this.cancelled = cancelled;
        }

        boolean step(TrackPath path, long frame) {
            desk.giveWay();
            done++;
            progress.accept(done);
            long now = System.nanoTime();
            if (now - shown > SHOWN_NANOS) {
                shown = now;
                desk.tell(shot, seen(path, frame));
            }
            stopped = cancelled.getAsBoolean();
            return !stopped;
        }

        void keep(FootageFindings.Question question, TrackPath path) {
            if (System.nanoTime() - kept > KEPT_NANOS) {
                kept = System.nanoTime();
                findings.keep(question, ShotJson.writePath(path).getBytes(StandardCharsets.UTF_8));
            }
        }

        void end() {
            desk.tell(shot, ended(settings));
        }

        private JsonObject seen(TrackPath path, long frame) {
            return JSON.createObjectBuilder()
                    .add("type", "following")
                    .add("layer", settings.layer())
                    .add("track", settings.track())
                    .add("frame", frame)
                    .add("done", done)
                    .add("total", Following.looks(track, settings.from(), settings.to()))
                    .add("path", ShotJson.parse(ShotJson.writePath(path)))
                    .build();
        }
    }
}

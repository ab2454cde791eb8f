package aperta.server.cutout;

import aperta.core.shot.BrushStroke;
import aperta.media.project.ShotFile;
import aperta.server.finding.FootageFindings;
import aperta.vision.CuttingOut;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * What was found of a figure, frame by frame: what was carried there (the draft), and what came of it once all frames had been
 * compared with one another. A frame is kept under the strokes that it depends on: those from the frame that
 * everything was carried from as far as to the brushed frames on both sides of it. So another stroke leaves the others known.
 */
final class FoundFrames {
    /** Changes with what is found by the same strokes. */
    private static final String EDITION = "9";

    private static final String COMPARED = "figure";
    private static final String DRAFT = "figure draft";

    private final FootageFindings findings;
    private final String clip;
    private final List<BrushStroke> strokes;
    private final long start;
    private final NavigableSet<Long> brushed;

    /** @param clip the hash of its bytes */
    FoundFrames(FootageFindings findings, String clip, List<BrushStroke> strokes) {
        this.findings = findings;
        this.clip = clip;
        this.strokes = strokes;
        this.start = CuttingOut.start(strokes);
        this.brushed = strokes.stream().map(BrushStroke::frame).collect(Collectors.toCollection(TreeSet::new));
    }

    long start() {
        return start;
    }

    /** The best that is known of a frame. */
    Optional<FoundFrame> frame(long frame) {
        return compared(frame).or(() -> draft(frame));
    }

    Optional<FoundFrame> compared(long frame) {
        return findings.kept(question(COMPARED, frame)).map(FoundFrame::read);
    }

    void keepCompared(long frame, FoundFrame found) {
        findings.keep(question(COMPARED, frame), found.write());
    }

    Optional<FoundFrame> draft(long frame) {
        return findings.kept(question(DRAFT, frame)).map(FoundFrame::read);
    }

    void keepDraft(long frame, FoundFrame found) {
        findings.keep(question(DRAFT, frame), found.write());
    }

    private FootageFindings.Question question(String kind, long frame) {
        Long below = brushed.floor(frame);
        Long above = brushed.ceiling(frame);
        long from = Math.min(start, below == null ? start : below);
        long to = Math.max(start, above == null ? start : above);
        StringBuilder key = new StringBuilder(EDITION).append(start);
        strokes.stream().filter(s -> s.frame() >= from && s.frame() <= to).forEach(key::append);
        String hash = ShotFile.hash(key.toString().getBytes(StandardCharsets.UTF_8));
        return new FootageFindings.Question(kind, hash, clip, frame, frame);
    }
}

package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.CutOut;
import aperta.core.shot.Moment;
import aperta.core.time.Animated;
import aperta.core.time.Mix;
import aperta.core.time.Rate;
import java.util.Optional;

/** The frame of a clip that is due, or a mix of two. */
final class FootageDrawing implements Drawing<Content.Footage> {
    /** Colours taken from nearer than this, in raster pixels, make no difference. */
    private static final double LEAST_REACH = 0.3;
    /** What is covered by more than this is surely the figure, and lends its colours to the edge. */
    private static final double SURELY = 0.9;

    @Override
    public Optional<Step.Paints> picture(Content.Footage footage, Subject subject, Canvas canvas) {
        Moment.Seen seen = canvas.onItsFrame(subject.seen().layer());
        double content = seen.content();
        Rate own = canvas.sources().info(footage.media()).rate();
        Rate rate = seen.format().rate();
        Affine map = subject.toRaster();
        if (!seen.layer().pace().mixed()) {
            boolean retimed = seen.speed() != 1 || content != Math.rint(content);
            long frame = retimed ? rate.frameOf(own, content) : rate.frameOf(own, (long) content);
            return frame(footage, frame, map, canvas);
        }
        double at = rate.positionOf(own, content);
        long before = (long) Math.floor(at);
        double share = at - before;
        Optional<Step.Paints> one = frame(footage, before, map, canvas);
        Optional<Step.Paints> next = share > 0 ? frame(footage, before + 1, map, canvas) : Optional.empty();
        return one.isPresent() && next.isPresent()
                ? Optional.of(new Dissolved(one.get(), next.get(), (float) share))
                : one.or(() -> next);
    }

    private static Optional<Step.Paints> frame(Content.Footage footage, long frame, Affine map, Canvas canvas) {
        return frame < 0 || frame >= canvas.sources().info(footage.media()).frames()
                ? Optional.empty()
                : figure(footage, frame, map, canvas);
    }

    /** What of a frame is seen: all of it, or the figure where one is cut out, which isn't known on every frame. */
    private static Optional<Step.Paints> figure(Content.Footage footage, long frame, Affine map, Canvas canvas) {
        if (footage.cutOut().isEmpty()) {
            return Optional.of(ClipFrame.of(footage, frame, map, canvas));
        }
        CutOut cutOut = footage.cutOut().get();
        return cutOut.carried().filter(c -> c.covers(frame)).map(c -> {
            Step.Shades coverage = tidied(cutOut.tidy(), c, frame, map, canvas);
            Step.Paints picture = ClipFrame.of(footage, frame, map, canvas);
            Step.Shades toned = Mattes.toned(coverage, cutOut.tone(), map.meanScale());
            double reach = cutOut.clean().at(0, Mix.NUMBER) * map.meanScale();
            return canvas.coverageOnly() || reach < LEAST_REACH
                    ? new CutBy(picture, toned, Cut.Keep.INSIDE)
                    : new CleanEdge(picture, toned, inside(picture, coverage, reach));
        });
    }

    private static Step.Shades tidied(CutOut.Tidy tidy, CutOut.Carried carried, long frame, Affine map, Canvas canvas) {
        Step.Shades coverage = coverage(carried, frame, map, canvas);
        double steady = tidy.steady().at(0, Mix.NUMBER);
        if (steady > 0 && carried.covers(frame - 1) && carried.covers(frame + 1)) {
            Step.Shades before = coverage(carried, frame - 1, map, canvas);
            Step.Shades after = coverage(carried, frame + 1, map, canvas);
            coverage = new SteadyFigure(before, coverage, after, steady);
        }
        int holes = (int) Math.rint(tidy.holes().at(0, Mix.NUMBER) * map.meanScale());
        int specks = (int) Math.rint(tidy.specks().at(0, Mix.NUMBER) * map.meanScale());
        coverage = holes > 0 ? new Despecked(coverage, holes, true) : coverage;
        return specks > 0 ? new Despecked(coverage, specks, false) : coverage;
    }

    private static Step.Shades coverage(CutOut.Carried carried, long frame, Affine map, Canvas canvas) {
        return ClipFrame.coverage(carried.media(), frame - carried.first(), map, canvas);
    }

    /** What surely belongs to a figure, blurred: its colours go on beyond its edge. */
    private static Step.Paints inside(Step.Paints picture, Step.Shades coverage, double reach) {
        Step.Shades surely = new Toned(coverage, Cut.Tone.PLAIN.withBlack(Animated.of(SURELY)));
        return Blurred.of(new CutBy(picture, surely, Cut.Keep.INSIDE), reach);
    }

    @Override
    public Box extent(Content.Footage footage, Measures measures) {
        return ClipFrame.box(measures.sources().info(footage.media()));
    }
}

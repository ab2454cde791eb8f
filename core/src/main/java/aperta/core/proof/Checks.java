package aperta.core.proof;

import java.util.List;

/** Every check there is. */
public final class Checks {
    private static final List<Check> ALL = List.of(
            new HiddenBefore(),
            new CompleteAtRest(),
            new FrameEdge(),
            new TitleSafe(),
            new FillCovers(),
            new StrayLetter(),
            new ReadingTime(),
            new Contrast(),
            new Flashes(),
            new LightCutOff(),
            new RepeatingGrain(),
            new WrittenTooFast(),
            new StrokesInOrder(),
            new LeavesItsMark(),
            new BeyondTrack(),
            new FigureJumps(),
            new BeyondFigure());

    private Checks() {}

    public static List<Check> all() {
        return ALL;
    }
}

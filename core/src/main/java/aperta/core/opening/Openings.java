package aperta.core.opening;

import java.util.List;

/** Every opening there is. */
public final class Openings {
    private static final List<Opening> ALL = List.of(
            new Fade(),
            new Slide(),
            new Swell(),
            new Wipe(),
            new Iris(),
            new Strips(),
            new Flicker(),
            new Cascade(),
            new Ink(),
            new Shimmer(),
            new Burn(),
            new Settle(),
            new Bend());

    private Openings() {}

    public static List<Opening> all() {
        return ALL;
    }

    /** @throws IllegalArgumentException where there is no such opening */
    public static Opening of(String kind) {
        return ALL.stream()
                .filter(o -> o.descriptor().kind().equals(kind))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no opening '" + kind + "'."));
    }
}

package aperta.core.opening;

import java.util.List;

/** Every kind of window there is. */
public final class Windows {
    /** The kind of the window whose edge goes with a mark. */
    public static final String BEHIND_MARK = "behind-mark";

    private static final List<Window> ALL = List.of(new Crop(), new WipedAway(), new WrittenSoFar(), new BehindMark());

    private Windows() {}

    public static List<Window> all() {
        return ALL;
    }

    /** @throws IllegalArgumentException where there is no such window */
    public static Window of(String kind) {
        return ALL.stream()
                .filter(w -> w.descriptor().kind().equals(kind))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no window '" + kind + "'."));
    }
}

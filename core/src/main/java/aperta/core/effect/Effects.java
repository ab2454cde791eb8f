package aperta.core.effect;

import java.util.List;

/** Every effect there is. */
public final class Effects {
    private static final List<Effect> ALL = List.of(new Blur(), new Turbulence(), new Grade());

    private Effects() {}

    public static List<Effect> all() {
        return ALL;
    }

    /** @throws IllegalArgumentException where there is no such effect */
    public static Effect of(String kind) {
        return ALL.stream()
                .filter(e -> e.descriptor().kind().equals(kind))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no effect '" + kind + "'."));
    }
}

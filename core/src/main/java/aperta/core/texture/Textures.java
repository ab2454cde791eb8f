package aperta.core.texture;

import java.util.List;

/** Every texture there is. */
public final class Textures {
    private static final List<Texture> ALL =
            List.of(new NoiseTexture(), new Steam(), new LightRipples(), new FeTurbulence());

    private Textures() {}

    public static List<Texture> all() {
        return ALL;
    }

    /** @throws IllegalArgumentException where there is no such texture */
    public static Texture of(String kind) {
        return ALL.stream()
                .filter(t -> t.descriptor().kind().equals(kind))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no texture '" + kind + "'."));
    }
}

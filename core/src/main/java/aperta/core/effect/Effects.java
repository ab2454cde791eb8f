package aperta.core.effect;

import java.util.List;
import java.util.Optional;

/** Every effect there is. */
public final class Effects {
    private static final List<Effect> ALL = List.of(
            new Blur(),
            new Streak(),
            new BlurAlongArcs(),
            new BlurAlongRays(),
            new BlurByMap(),
            new Glow(),
            new Rays(),
            new Shadow(false),
            new Shadow(true),
            new Vignette(),
            new Turbulence(),
            new DisplaceByMap(),
            new Wave(),
            new Ripple(),
            new Twist(),
            new Lens(),
            new CornerPin(),
            new Tile(),
            new Mirror(),
            new Grow(),
            new Outline(),
            new Fray(),
            new Dissolve(),
            new Embers(),
            new Grade(),
            new Tone(),
            new ColourMatrix(),
            new ColoursByBrightness(),
            new Exposure(),
            new Invert(),
            new ChromaKey(),
            new LumaKey(),
            new DifferenceKey(),
            new Threshold(),
            new Steps(),
            new ColourTable(),
            new Grain(),
            new OldFilm(),
            new Tape(),
            new ScanLines(),
            new Afterimage(),
            new EveryNthFrame());

    private Effects() {}

    public static List<Effect> all() {
        return ALL;
    }

    /** Nothing where there is no such effect. */
    public static Optional<Effect> find(String kind) {
        return ALL.stream().filter(e -> e.descriptor().kind().equals(kind)).findFirst();
    }

    /** @throws IllegalArgumentException where there is no such effect */
    public static Effect of(String kind) {
        return find(kind).orElseThrow(() -> new IllegalArgumentException("There is no effect '" + kind + "'."));
    }
}

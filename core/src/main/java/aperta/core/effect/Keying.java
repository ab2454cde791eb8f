package aperta.core.effect;

import aperta.core.colour.Colour;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** What keys share: how a distance becomes a matte, and how what was behind is taken out of what is half there. */
final class Keying {
    private static final String MATTE = "matte";

    static final Parameter TOLERANCE = Parameter.number("tolerance", "Tolerance", "%", 0, 2, 0.08);
    static final Parameter SOFTNESS = Parameter.number("softness", "Softness", "%", 0.001, 2, 0.4);
    /** What of the matte is nothing, and what is all of it. */
    private static final Parameter CLEAN_BELOW = Parameter.number("cleanBelow", "Clear below", "%", 0, 1, 0);

    private static final Parameter CLEAN_ABOVE = Parameter.number("cleanAbove", "Solid above", "%", 0, 1, 1);
    private static final Parameter SHOWS = Parameter.choice("shows", "Shows", "picture", MATTE);

    private final double tolerance;
    private final double softness;
    private final float below;
    private final float above;
    private final boolean matte;

    private Keying(double tolerance, double softness, Recipe values) {
        this.tolerance = tolerance;
        this.softness = Math.max(1e-4, softness);
        this.below = (float) values.number("cleanBelow");
        this.above = Math.max(below + 1e-4f, (float) values.number("cleanAbove"));
        this.matte = values.text("shows").equals(MATTE);
    }

    /** Those that every key has after its own. */
    static List<Parameter> ends() {
        return List.of(CLEAN_BELOW, CLEAN_ABOVE, SHOWS);
    }

    static Keying of(Recipe values) {
        return new Keying(values.number("tolerance"), values.number("softness"), values);
    }

    /** With a ramp of its own. */
    static Keying of(double from, double width, Recipe values) {
        return new Keying(from, width, values);
    }

    /** How much of a pixel stays, by how far it is from what goes. */
    float share(double distance) {
        double ramp = (distance - tolerance) / softness;
        float share = OnColours.clamped((float) ramp);
        return OnColours.clamped((share - below) / (above - below));
    }

    /**
     * Takes a colour out of a pixel that it is mixed into, and weighs the pixel.
     *
     * @param c red, green, blue, alpha
     * @param back what shines through where the share isn't 1; none where it isn't known
     */
    void weigh(float[] c, float share, float[] back) {
        if (matte) {
            c[0] = share;
            c[1] = share;
            c[2] = share;
            return;
        }
        if (back != null && share > 0 && share < 1) {
            for (int i = 0; i < 3; i++) {
                c[i] = OnColours.clamped((c[i] - (1 - share) * back[i]) / share);
            }
        }
        c[3] *= share;
    }

    boolean showsMatte() {
        return matte;
    }

    static float[] parts(Colour c) {
        return new float[] {(float) c.red(), (float) c.green(), (float) c.blue()};
    }
}

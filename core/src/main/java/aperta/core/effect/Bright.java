package aperta.core.effect;

import aperta.core.colour.Colour;
import aperta.core.picture.Bands;
import aperta.core.picture.Compose;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Light;
import java.util.ArrayList;
import java.util.List;

/** The bright part of a picture, tinted: what effects of light are made from. */
final class Bright {
    static final Parameter THRESHOLD = Parameter.number("threshold", "Brighter than", "%", 0, 1, 0.4);
    static final Parameter KNEE = Parameter.number("knee", "Soft by", "%", 0, 1, 0.2);
    static final Parameter TINT = Parameter.colour("tint", "Tint", Colour.WHITE);
    static final Parameter STRENGTH = Parameter.number("strength", "Strength", "%", 0, 10, 1);
    /** How light is laid on what it came from. */
    static final Parameter LAID = Parameter.choice("laid", "Laid on by", "screen", "plus-lighter");

    static final Parameter SOURCE = Parameter.truth("source", "With what it came from", true);

    private final float threshold;
    private final float knee;
    private final float[] tint;
    private final float strength;
    private final boolean screen;
    private final boolean source;
    private final Transfer transfer;

    Bright(Recipe values, Light light) {
        this.threshold = (float) values.number("threshold");
        this.knee = (float) values.number("knee");
        Transfer t = Transfer.of(light);
        Colour c = t.toLight(values.colour("tint"));
        this.tint = new float[] {(float) c.red(), (float) c.green(), (float) c.blue(), (float) c.alpha()};
        this.strength = (float) values.number("strength");
        this.screen = values.text("laid").equals("screen");
        this.source = values.truth("source");
        this.transfer = t;
    }

    static List<Parameter> parameters(List<Parameter> own) {
        List<Parameter> all = new ArrayList<>(own);
        all.addAll(List.of(THRESHOLD, KNEE, TINT, STRENGTH, LAID, SOURCE));
        return all;
    }

    /** The light of the bright part; its alpha is not used. */
    Picture of(Picture input, Bands bands) {
        Region d = input.domain();
        Picture result = new Picture(d);
        float[][] from = input.planes();
        float[][] into = result.planes();
        bands.run(d.height(), 16, (first, last) -> {
            for (int y = d.y() + first; y < d.y() + last; y++) {
                int at = input.index(d.x(), y);
                int to = result.index(d.x(), y);
                for (int k = 0; k < d.width(); k++) {
                    float a = from[3][at + k];
                    if (a > 0) {
                        float luma = 0;
                        for (int c = 0; c < 3; c++) {
                            luma += OnColours.LUMA[c] * transfer.toDisplay(from[c][at + k] / a);
                        }
                        float weight = weight(luma) * tint[3];
                        for (int c = 0; c < 3 && weight > 0; c++) {
                            into[c][to + k] = from[c][at + k] * weight * tint[c];
                        }
                    }
                }
            }
        });
        return result;
    }

    /** 0 below the knee, 1 above it; with a knee of 0 what is as bright as the threshold counts. */
    private float weight(float luma) {
        if (knee == 0) {
            return luma >= threshold ? 1 : 0;
        }
        float t = OnColours.clamped((luma - threshold) / knee + 0.5f);
        return t * t * (3 - 2 * t);
    }

    /**
     * Lays light on a picture: by {@code screen} with an alpha as high as its strongest channel, so that it shows where there was
     * nothing, too; by {@code plus-lighter} it is added to the picture and to whatever lies below, and has no alpha.
     */
    Picture laid(Picture input, Picture light, Region region, Bands bands) {
        Picture result = new Picture(region);
        if (source) {
            Compose.copy(result, input);
        }
        float[][] into = result.planes();
        float[][] from = light.planes();
        bands.run(region.height(), 16, (first, last) -> {
            for (int y = region.y() + first; y < region.y() + last; y++) {
                add(from, light.index(region.x(), y), into, result.index(region.x(), y), region.width());
            }
        });
        return result;
    }

    private void add(float[][] from, int start, float[][] into, int at, int count) {
        int k = start;
        for (int i = at; i < at + count; i++, k++) {
            float r = from[0][k] * strength;
            float g = from[1][k] * strength;
            float b = from[2][k] * strength;
            if (screen) {
                float most = OnColours.clamped(Math.max(r, Math.max(g, b)));
                into[0][i] += OnColours.clamped(r) * (1 - OnColours.clamped(into[0][i]));
                into[1][i] += OnColours.clamped(g) * (1 - OnColours.clamped(into[1][i]));
                into[2][i] += OnColours.clamped(b) * (1 - OnColours.clamped(into[2][i]));
                into[3][i] += most * (1 - into[3][i]);
            } else {
                into[0][i] += r;
                into[1][i] += g;
                into[2][i] += b;
            }
        }
    }
}

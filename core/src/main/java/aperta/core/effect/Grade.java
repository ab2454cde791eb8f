package aperta.core.effect;

import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Slope, offset and power of each channel, then saturation, on values as the display is told them: the ASC Color Decision
 * List, version 1.2. {@code out = clamp(in · slope + offset) ^ power}; {@code luma + saturation · (out − luma)}, with the
 * weights of BT.709, clamped again.
 */
final class Grade implements Effect {
    private static final String[] CHANNELS = {"Red", "Green", "Blue"};
    private static final float[] LUMA = {0.2126f, 0.7152f, 0.0722f};

    @Override
    public Descriptor descriptor() {
        List<Parameter> all = new ArrayList<>();
        for (String c : CHANNELS) {
            all.add(Parameter.number("slope" + c, c + " slope", "×", 0, 10, 1));
        }
        for (String c : CHANNELS) {
            all.add(Parameter.number("offset" + c, c + " offset", "", -1, 1, 0));
        }
        for (String c : CHANNELS) {
            all.add(Parameter.number("power" + c, c + " power", "", 0.05, 10, 1));
        }
        all.add(Parameter.number("saturation", "Saturation", "%", 0, 4, 1));
        return new Descriptor(
                "grade", "Grade", "Slope, offset and power of each channel, and saturation, as the ASC CDL says.", all);
    }

    @Override
    public Purpose purpose() {
        return Purpose.COLOUR;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        double[] n = values.descriptor().parameters().stream()
                .mapToDouble(p -> values.number(p.name()))
                .toArray();
        Transfer transfer = Transfer.of(setting.light());
        Channel[] powers = new Channel[3];
        for (int c = 0; c < 3; c++) {
            powers[c] = new Channel(n[c], n[3 + c], n[6 + c]);
        }
        float saturation = (float) n[9];
        return new Worked.ByPixel() {
            @Override
            public double[] numbers() {
                double[] all = Arrays.copyOf(n, n.length + 1);
                all[n.length] = setting.light().ordinal();
                return all;
            }

            @Override
            public void change(Picture picture) {
                Region d = picture.domain();
                float[][] p = picture.planes();
                float[] out = new float[3];
                for (int y = d.y(); y < d.bottom(); y++) {
                    int at = picture.index(d.x(), y);
                    for (int i = at; i < at + d.width(); i++) {
                        float a = p[3][i];
                        if (a > 0) {
                            for (int c = 0; c < 3; c++) {
                                out[c] = powers[c].of(transfer.toDisplay(p[c][i] / a));
                            }
                            float luma = LUMA[0] * out[0] + LUMA[1] * out[1] + LUMA[2] * out[2];
                            for (int c = 0; c < 3; c++) {
                                p[c][i] = transfer.toLight(clamped(luma + saturation * (out[c] - luma))) * a;
                            }
                        }
                    }
                }
            }
        };
    }

    private static float clamped(float v) {
        return Math.min(1, Math.max(0, v));
    }

    /** What becomes of a channel; powers of values are read from a table and mixed evenly, the smallest ones computed. */
    private static final class Channel {
        private static final int STEPS = 1 << 13;
        private static final float SMALL = 1f / 64;

        private final float slope;
        private final float offset;
        private final double power;
        private final float[] table;

        Channel(double slope, double offset, double power) {
            this.slope = (float) slope;
            this.offset = (float) offset;
            this.power = power;
            this.table = power == 1 ? new float[0] : new float[STEPS + 2];
            for (int i = 0; i < table.length; i++) {
                table[i] = (float) StrictMath.pow((double) i / STEPS, power);
            }
        }

        float of(float in) {
            float v = clamped(in * slope + offset);
            if (power == 1) {
                return v;
            }
            if (v < SMALL) {
                return (float) StrictMath.pow(v, power);
            }
            float at = v * STEPS;
            int i = (int) at;
            return table[i] + (table[i + 1] - table[i]) * (at - i);
        }
    }
}

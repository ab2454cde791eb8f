package aperta.core.effect;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Each of red, green, blue and alpha becomes a sum of all four and of a constant: {@code feColorMatrix} of SVG (W3C Filter
 * Effects Module Level 1), with its ready matrices, on values as the display is told them. Where there is nothing, nothing comes.
 */
final class ColourMatrix implements Effect {
    private static final String[] ROWS = {"Red", "Green", "Blue", "Alpha"};
    private static final String[] COLUMNS = {"red", "green", "blue", "alpha", "constant"};

    @Override
    public Descriptor descriptor() {
        List<Parameter> all = new ArrayList<>();
        all.add(Parameter.choice("type", "Type", "matrix", "saturate", "hue rotate", "luminance to alpha"));
        all.add(Parameter.number("saturate", "Saturate", "%", 0, 10, 1));
        all.add(Parameter.angle("hue", "Hue rotate", 0));
        for (int r = 0; r < 4; r++) {
            for (int c = 0; c < 5; c++) {
                String from = COLUMNS[c];
                all.add(Parameter.number(
                        ROWS[r].toLowerCase(Locale.ROOT) + Character.toUpperCase(from.charAt(0)) + from.substring(1),
                        ROWS[r] + " of " + from,
                        "",
                        -20,
                        20,
                        r == c ? 1 : 0));
            }
        }
        return new Descriptor(
                "colour-matrix", "Colour matrix", "Each channel becomes a sum of all, as feColorMatrix says.", all);
    }

    @Override
    public Purpose purpose() {
        return Purpose.COLOUR;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        float[] m = matrix(values);
        return new OnColours(values, setting.light()) {
            @Override
            void change(float[] c) {
                float r = c[0];
                float g = c[1];
                float b = c[2];
                float a = c[3];
                for (int i = 0; i < 4; i++) {
                    int k = 5 * i;
                    c[i] = clamped(m[k] * r + m[k + 1] * g + m[k + 2] * b + m[k + 3] * a + m[k + 4]);
                }
            }
        };
    }

    private static float[] matrix(Recipe values) {
        return switch (values.text("type")) {
            case "saturate" -> saturate(values.number("saturate"));
            case "hue rotate" -> hue(values.number("hue"));
            case "luminance to alpha" ->
                new float[] {0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0.2125f, 0.7154f, 0.0721f, 0, 0};
            default -> {
                float[] m = new float[20];
                List<Parameter> all = values.descriptor().parameters();
                for (int i = 0; i < 20; i++) {
                    m[i] = (float) values.number(all.get(i + 3).name());
                }
                yield m;
            }
        };
    }

    private static float[] saturate(double s) {
        return rows(new double[][] {
            {0.213 + 0.787 * s, 0.715 - 0.715 * s, 0.072 - 0.072 * s},
            {0.213 - 0.213 * s, 0.715 + 0.285 * s, 0.072 - 0.072 * s},
            {0.213 - 0.213 * s, 0.715 - 0.715 * s, 0.072 + 0.928 * s}
        });
    }

    private static float[] hue(double degrees) {
        double c = StrictMath.cos(Math.toRadians(degrees));
        double s = StrictMath.sin(Math.toRadians(degrees));
        return rows(new double[][] {
            {0.213 + c * 0.787 - s * 0.213, 0.715 - c * 0.715 - s * 0.715, 0.072 - c * 0.072 + s * 0.928},
            {0.213 - c * 0.213 + s * 0.143, 0.715 + c * 0.285 + s * 0.140, 0.072 - c * 0.072 - s * 0.283},
            {0.213 - c * 0.213 - s * 0.787, 0.715 - c * 0.715 + s * 0.715, 0.072 + c * 0.928 + s * 0.072}
        });
    }

    private static float[] rows(double[][] rgb) {
        float[] m = new float[20];
        for (int r = 0; r < 3; r++) {
            for (int c = 0; c < 3; c++) {
                m[5 * r + c] = (float) rgb[r][c];
            }
        }
        m[18] = 1;
        return m;
    }
}

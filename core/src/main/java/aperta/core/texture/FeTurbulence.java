package aperta.core.texture;

import aperta.core.geometry.Affine;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/**
 * The noise that SVG knows: {@code feTurbulence}, by the reference code of the W3C's Filter Effects Module Level 1, with its own random
 * numbers, four channels, not premultiplied, in display values; its places count from the box's top left corner.
 */
final class FeTurbulence implements Texture {
    private static final int SIZE = 0x100;
    private static final int MASK = 0xff;
    private static final double OFFSET = 4096;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "fe-turbulence",
                "SVG turbulence",
                "Noise as SVG's feTurbulence makes it.",
                List.of(
                        Parameter.choice("type", "Type", "fractal noise", "turbulence"),
                        Parameter.number("across", "Frequency across", "a px", 0, 2, 0.012),
                        Parameter.number("down", "Frequency down", "a px", 0, 2, 0.012),
                        Parameter.whole("octaves", "Octaves", "", 1, 10, 4),
                        Parameter.whole("seed", "Seed", "", 0, 9999, 1)));
    }

    @Override
    public Pattern on(Recipe values, Setting setting) {
        Affine back = setting.toRaster().inverse().orElseThrow();
        boolean fractal = values.text("type").equals("fractal noise");
        double fx = values.number("across");
        double fy = values.number("down");
        int octaves = (int) values.number("octaves");
        Table table = new Table((int) values.number("seed"));
        Transfer transfer = Transfer.of(setting.light());
        return new Pattern() {
            @Override
            public double[] numbers() {
                return setting.numbers(values).array();
            }

            @Override
            public void paint(Picture into) {
                Region d = into.domain();
                float[][] p = into.planes();
                float[] c = new float[4];
                for (int y = d.y(); y < d.bottom(); y++) {
                    int at = into.index(d.x(), y);
                    for (int x = d.x(); x < d.right(); x++, at++) {
                        // A pixel is its top left corner to the standard.
                        double u = back.a() * x
                                + back.c() * y
                                + back.e()
                                - setting.box().x0();
                        double v = back.b() * x
                                + back.d() * y
                                + back.f()
                                - setting.box().y0();
                        for (int k = 0; k < 4; k++) {
                            double sum = table.turbulence(k, u * fx, v * fy, octaves, fractal);
                            double value = fractal ? (sum + 1) / 2 : sum;
                            c[k] = (float) Math.min(1, Math.max(0, value));
                        }
                        for (int k = 0; k < 3; k++) {
                            p[k][at] = transfer.toLight(c[k]) * c[3];
                        }
                        p[3][at] = c[3];
                    }
                }
            }
        };
    }

    /** The lattice of a seed: a permutation, and gradients of each channel. */
    private static final class Table {
        private final int[] lattice = new int[2 * SIZE + 2];
        private final double[][][] gradient = new double[4][2 * SIZE + 2][2];

        Table(int given) {
            long seed = given <= 0 ? -(given % 2147483646L) + 1 : Math.min(given, 2147483646L);
            for (int k = 0; k < 4; k++) {
                for (int i = 0; i < SIZE; i++) {
                    lattice[i] = i;
                    for (int j = 0; j < 2; j++) {
                        seed = next(seed);
                        gradient[k][i][j] = (double) (seed % (2 * SIZE) - SIZE) / SIZE;
                    }
                    double s = Math.sqrt(gradient[k][i][0] * gradient[k][i][0] + gradient[k][i][1] * gradient[k][i][1]);
                    gradient[k][i][0] /= s;
                    gradient[k][i][1] /= s;
                }
            }
            for (int i = SIZE - 1; i > 0; i--) {
                int k = lattice[i];
                seed = next(seed);
                int j = (int) (seed % SIZE);
                lattice[i] = lattice[j];
                lattice[j] = k;
            }
            for (int i = 0; i < SIZE + 2; i++) {
                lattice[SIZE + i] = lattice[i];
                for (int k = 0; k < 4; k++) {
                    gradient[k][SIZE + i] = gradient[k][i];
                }
            }
        }

        /** S. K. Park and K. W. Miller, 1988: 16807 modulo 2³¹ − 1. */
        private static long next(long seed) {
            long result = 16807 * (seed % 127773) - 2836 * (seed / 127773);
            return result <= 0 ? result + 2147483647L : result;
        }

        double turbulence(int channel, double x, double y, int octaves, boolean fractal) {
            double sum = 0;
            double ratio = 1;
            for (int o = 0; o < octaves; o++) {
                double n = noise(channel, x * ratio, y * ratio);
                sum += (fractal ? n : Math.abs(n)) / ratio;
                ratio *= 2;
            }
            return sum;
        }

        private double noise(int channel, double x, double y) {
            double t = x + OFFSET;
            int bx0 = (int) t & MASK;
            int bx1 = (int) t + 1 & MASK;
            double rx0 = t - (int) t;
            t = y + OFFSET;
            int by0 = (int) t & MASK;
            int by1 = (int) t + 1 & MASK;
            double ry0 = t - (int) t;
            int i = lattice[bx0];
            int j = lattice[bx1];
            double sx = rx0 * rx0 * (3 - 2 * rx0);
            double sy = ry0 * ry0 * (3 - 2 * ry0);
            double[][] g = gradient[channel];
            double u = at(g[lattice[i + by0]], rx0, ry0);
            double v = at(g[lattice[j + by0]], rx0 - 1, ry0);
            double a = u + sx * (v - u);
            u = at(g[lattice[i + by1]], rx0, ry0 - 1);
            v = at(g[lattice[j + by1]], rx0 - 1, ry0 - 1);
            double b = u + sx * (v - u);
            return a + sy * (b - a);
        }

        private static double at(double[] gradient, double x, double y) {
            return gradient[0] * x + gradient[1] * y;
        }
    }
}

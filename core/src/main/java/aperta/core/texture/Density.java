package aperta.core.texture;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;

/**
 * A pattern of a density between 0 and 1, which goes from one colour to another; premultiplied colours are mixed. It is evaluated on a lattice
 * that goes with the layer and read from it linearly: as coarse as its details let it be.
 */
abstract class Density implements Pattern {
    static final Parameter THIN = Parameter.colour("thin", "Where thin", new Colour(1, 1, 1, 0));
    static final Parameter DENSE = Parameter.colour("dense", "Where dense", Colour.WHITE);

    private static final double POINTS = 4;
    private static final int COARSEST = 8;

    private final Affine back;
    private final double[] numbers;
    private final float[] thin;
    private final float[] dense;
    private final int cell;
    private final int originX;
    private final int originY;

    /**
     * @param detail the length of its smallest details that matter, in the layer's pixels: the lattice has a few points along it
     * @param values of a texture that has {@link #THIN} and {@link #DENSE} among its parameters
     */
    Density(Recipe values, Texture.Setting setting, double detail, double... more) {
        double points = detail * setting.toRaster().meanScale() / POINTS;
        this.cell = (int) Math.max(1, Math.min(COARSEST, Math.floor(points)));
        this.originX = (int) Math.floor(setting.toRaster().e());
        this.originY = (int) Math.floor(setting.toRaster().f());
        this.back = setting.toRaster().inverse().orElseThrow();
        this.thin = parts(values.colour("thin"), setting);
        this.dense = parts(values.colour("dense"), setting);
        this.numbers = setting.numbers(values).and(more).array();
    }

    private static float[] parts(Colour c, Texture.Setting setting) {
        Colour lit = Transfer.of(setting.light()).toLight(c);
        float a = (float) lit.alpha();
        return new float[] {(float) lit.red() * a, (float) lit.green() * a, (float) lit.blue() * a, a};
    }

    /** At a place of the layer, in its own pixels. */
    abstract double at(double x, double y);

    @Override
    public final double[] numbers() {
        return numbers;
    }

    @Override
    public final void paint(Picture into) {
        Region d = into.domain();
        int left = Math.floorDiv(d.x() - originX, cell);
        int top = Math.floorDiv(d.y() - originY, cell);
        int columns = Math.floorDiv(d.right() - originX, cell) - left + 2;
        int rows = Math.floorDiv(d.bottom() - originY, cell) - top + 2;
        float[] values = lattice(left, top, columns, rows);
        float[][] p = into.planes();
        for (int y = d.y(); y < d.bottom(); y++) {
            int at = into.index(d.x(), y);
            int row = Math.floorDiv(y - originY, cell);
            float fy = (y - originY - row * cell) / (float) cell;
            int k = (row - top) * columns + Math.floorDiv(d.x() - originX, cell) - left;
            int within = Math.floorMod(d.x() - originX, cell);
            for (int x = d.x(); x < d.right(); x++, at++) {
                float fx = within / (float) cell;
                float upper = values[k] + (values[k + 1] - values[k]) * fx;
                float lower = values[k + columns] + (values[k + columns + 1] - values[k + columns]) * fx;
                float t = upper + (lower - upper) * fy;
                for (int c = 0; c < 4; c++) {
                    p[c][at] = thin[c] + (dense[c] - thin[c]) * t;
                }
                if (++within == cell) {
                    within = 0;
                    k++;
                }
            }
        }
    }

    private float[] lattice(int left, int top, int columns, int rows) {
        float[] values = new float[columns * rows];
        for (int j = 0; j < rows; j++) {
            for (int i = 0; i < columns; i++) {
                double x = originX + (left + i) * cell + 0.5;
                double y = originY + (top + j) * cell + 0.5;
                double u = back.a() * x + back.c() * y + back.e();
                double v = back.b() * x + back.d() * y + back.f();
                values[j * columns + i] = (float) Math.min(1, Math.max(0, at(u, v)));
            }
        }
        return values;
    }

    /** Rises evenly from 0 to 1 and levels out at both. */
    static double smooth(double from, double to, double v) {
        double t = Math.min(1, Math.max(0, (v - from) / (to - from)));
        return t * t * (3 - 2 * t);
    }
}

package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.picture.Polar;
import aperta.core.picture.Region;

/** Something about a centre: how far regions of the raster lie from it, in the layer's own pixels. */
record Round(Effect.Setting setting, Affine back, Point centre) {
    private static final int FEWEST_SPOKES = 16;

    /** How many samples along the longest smear count at least; they lie a pixel apart, or up to so many times as far. */
    private static final double SAMPLES = 24;

    private static final double FARTHEST_APART = 2.5;

    static Round of(Effect.Setting setting, Point centre) {
        return new Round(setting, setting.toRaster().inverse().orElseThrow(), centre);
    }

    /** The length of the raster's pixel, in the layer's. */
    double pixel() {
        return 1 / setting.scale();
    }

    /** From one sample to the next along a smear, in the layer's pixels, where the longest smear is so long. */
    double spacing(double longest) {
        return pixel() * Math.max(1, Math.min(FARTHEST_APART, longest / pixel() / SAMPLES));
    }

    /** The radius of the circle that holds the layer's box. */
    double ofBox() {
        return farthest(setting.box());
    }

    /** The radius of the circle that holds a region. */
    double farthest(Region region) {
        return farthest(back.apply(new Box(region.x(), region.y(), region.right(), region.bottom())));
    }

    private double farthest(Box box) {
        double most = 0;
        for (Point p : box.corners()) {
            most = Math.max(most, p.minus(centre).length());
        }
        return most;
    }

    /** Every pixel within a radius. */
    Region within(double radius) {
        return Region.around(setting.toRaster()
                        .apply(new Box(
                                centre.x() - radius, centre.y() - radius, centre.x() + radius, centre.y() + radius)))
                .grown(2);
    }

    /**
     * A picture along spokes that reach up to a radius.
     *
     * @param arc from spoke to spoke at the layer's farthest corner, in its pixels
     * @param step from ring to ring, in its pixels
     * @param rounds whether it is for means along arcs
     */
    Polar polar(Picture picture, double radius, double step, double arc, boolean rounds, Worked.Given g) {
        int spokes = Math.max(FEWEST_SPOKES, (int) Math.ceil(2 * Math.PI * Math.max(ofBox(), pixel()) / arc));
        return new Polar(
                picture, setting.toRaster(), centre, radius, step, spokes, rounds, setting.border(), g.bands());
    }
}

package aperta.vision;

import org.opencv.core.Mat;
import org.opencv.core.Size;
import org.opencv.imgproc.Imgproc;

/**
 * Colour that has run over from pixels nearby: it is stored at half the size (4:2:0) and in blocks, so that ground beside a rim
 * of light has the rim's colour, though its brightness is its own.
 *
 * @param across for red against blue, and for green against both: the greatest difference from the plate nearby, of pixels that
 *     differ from it in brightness, too
 */
record Bleeding(Colours picture, CleanPlate.Part plate, Plane[] across) {
    /** How unlikely it is, and by which share of what is nearby colour may be off. */
    private static final double UNLIKELY = 5;

    private static final double SHARE = 0.5;
    /** How far away, in pixels at working size. */
    private static final int REACH = 2;
    /** By how many deviations the brightness differs of something that isn't the plate. */
    private static final double DIFFERS = 3;

    static Bleeding of(Colours picture, CleanPlate.Part plate) {
        Plane[] across = new Plane[3];
        for (int c = 0; c < 3; c++) {
            if (c != Colours.BRIGHTNESS) {
                across[c] = greatestNearby(differences(picture, plate, c));
            }
        }
        return new Bleeding(picture, plate, across);
    }

    private static Plane differences(Colours picture, CleanPlate.Part plate, int channel) {
        Plane all = new Plane(picture.width(), picture.height());
        for (int i = 0; i < all.value().length; i++) {
            double brightness =
                    difference(picture, plate, Colours.BRIGHTNESS, i) / deviation(plate, Colours.BRIGHTNESS, i);
            all.value()[i] = Math.abs(brightness) > DIFFERS ? (float) difference(picture, plate, channel, i) : 0;
        }
        return all;
    }

    private static double difference(Colours picture, CleanPlate.Part plate, int channel, int i) {
        return picture.channels()[channel][i] - plate.colours().channels()[channel][i];
    }

    private static double deviation(CleanPlate.Part plate, int channel, int i) {
        return Evidence.NOISE[channel] + plate.deviation().channels()[channel][i];
    }

    private static Plane greatestNearby(Plane of) {
        try (Mats mats = new Mats()) {
            Mat most = mats.plane(of);
            Mat least = mats.plane(of);
            int side = 2 * REACH + 1;
            Mat window = mats.hold(Imgproc.getStructuringElement(Imgproc.MORPH_RECT, new Size(side, side)));
            Imgproc.dilate(most, most, window);
            Imgproc.erode(least, least, window);
            float[] up = new float[of.value().length];
            float[] down = new float[up.length];
            most.get(0, 0, up);
            least.get(0, 0, down);
            for (int i = 0; i < up.length; i++) {
                up[i] = up[i] >= -down[i] ? up[i] : down[i];
            }
            return new Plane(of.width(), of.height(), up);
        }
    }

    /** How far a pixel is from the plate whose colour is that of something nearby in part. */
    double far(int i) {
        double rare = 1;
        for (int c = 0; c < 3; c++) {
            double left = difference(picture, plate, c, i);
            if (c != Colours.BRIGHTNESS) {
                double most = SHARE * across[c].value()[i];
                left -= Math.max(Math.min(0, most), Math.min(Math.max(0, most), left));
            }
            rare *= Evidence.rare(left, deviation(plate, c, i));
        }
        return UNLIKELY + Evidence.far(rare);
    }
}

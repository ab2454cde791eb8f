package aperta.server.frame;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.ink.InkField;
import aperta.core.picture.Region;
import aperta.core.render.Planner;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import java.awt.Color;

/** What each pen stroke of a layer owns, as a tint. */
final class Owners {
    /** Neighbours differ: each hue is so many turns on, by the golden section. */
    private static final float TURN = 0.618034f;

    private final Region frame;
    private final byte[] rgba;

    Owners(Planner planner, Shot shot, long number, String layer, double scale) {
        Moment moment = planner.moment(shot, number);
        Affine toRaster = moment.of(layer).toShot().then(Affine.scale(scale, scale));
        Affine back =
                toRaster.inverse().orElseThrow(() -> new IllegalArgumentException("The layer is too flat to be seen."));
        frame = Planner.frame(shot.format(), scale);
        rgba = new byte[4 * frame.width() * frame.height()];
        InkField field = planner.owners(moment, layer, 1 / toRaster.meanScale());
        for (int y = 0; y < frame.height(); y++) {
            for (int x = 0; x < frame.width(); x++) {
                Point own = back.apply(new Point(x + 0.5, y + 0.5));
                int stroke = field.owner(own.x(), own.y());
                if (stroke >= 0) {
                    tint(4 * (y * frame.width() + x), stroke);
                }
            }
        }
    }

    private void tint(int at, int stroke) {
        int rgb = Color.HSBtoRGB(stroke * TURN, 0.75f, 1f);
        rgba[at] = (byte) (rgb >> 16);
        rgba[at + 1] = (byte) (rgb >> 8);
        rgba[at + 2] = (byte) rgb;
        rgba[at + 3] = (byte) 200;
    }

    int width() {
        return frame.width();
    }

    int height() {
        return frame.height();
    }

    byte[] rgba() {
        return rgba;
    }
}

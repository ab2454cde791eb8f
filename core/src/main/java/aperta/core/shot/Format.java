package aperta.core.shot;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.time.Rate;

/**
 * The size of the picture in pixels, its frame rate, and the numbers in which its layers are laid on one another.
 *
 * @throws IllegalArgumentException where a side is outside 16 to 8192 pixels
 */
public record Format(int width, int height, Rate rate, Light light) {
    public static final int SMALLEST = 16;
    public static final int LARGEST = 8192;

    public Format {
        if (width < SMALLEST || height < SMALLEST || width > LARGEST || height > LARGEST) {
            throw new IllegalArgumentException(
                    "A shot is between 16 and 8192 pixels wide and high, not " + width + " × " + height + ".");
        }
    }

    /** In display-encoded values. */
    public Format(int width, int height, Rate rate) {
        this(width, height, rate, Light.DISPLAY);
    }

    public Point centre() {
        return new Point(width / 2.0, height / 2.0);
    }

    public Box frame() {
        return new Box(0, 0, width, height);
    }

    /**
     * The title-safe frame: 90 % of the width and the height, centred (SMPTE ST 2046-1 and EBU R 95 for 16:9, from
     * memory; the same share is used for every other format).
     */
    public Box titleSafe() {
        Point c = centre();
        return Affine.translation(-c.x(), -c.y())
                .then(Affine.scale(0.9, 0.9))
                .then(Affine.translation(c.x(), c.y()))
                .apply(frame());
    }
}

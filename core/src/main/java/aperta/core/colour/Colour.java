package aperta.core.colour;

import java.util.Locale;

/** A display-encoded (BT.709 / sRGB) colour; black 0, white 1, straight alpha. */
public record Colour(double red, double green, double blue, double alpha) {
    public static final Colour WHITE = new Colour(1, 1, 1, 1);
    public static final Colour BLACK = new Colour(0, 0, 0, 1);
    public static final Colour CLEAR = new Colour(0, 0, 0, 0);

    public Colour {
        if (!(alpha >= 0 && alpha <= 1)
                || !(Math.abs(red) <= 64)
                || !(Math.abs(green) <= 64)
                || !(Math.abs(blue) <= 64)) {
            throw new IllegalArgumentException("A colour has an alpha between 0 and 1 and finite parts.");
        }
    }

    /** Reads {@code #rrggbb} or {@code #rrggbbaa}. */
    public static Colour parse(String hex) {
        if (!hex.matches("#([0-9a-fA-F]{6}|[0-9a-fA-F]{8})")) {
            throw new IllegalArgumentException("'" + hex + "' is not a colour such as #1b2a33 or #1b2a33ff.");
        }
        return new Colour(part(hex, 1), part(hex, 3), part(hex, 5), hex.length() == 9 ? part(hex, 7) : 1);
    }

    private static double part(String hex, int at) {
        return Integer.parseInt(hex.substring(at, at + 2), 16) / 255.0;
    }

    /** Whether {@link #hex} gives this very colour. */
    public boolean isEightBit() {
        return parse(hex()).equals(this);
    }

    /** {@code #rrggbb}, or {@code #rrggbbaa} where it isn't opaque, each part rounded to 8 bits. */
    public String hex() {
        String rgb = String.format(Locale.ROOT, "#%02x%02x%02x", eight(red), eight(green), eight(blue));
        return alpha == 1 ? rgb : rgb + String.format(Locale.ROOT, "%02x", eight(alpha));
    }

    /** Between this colour and another; t may lie outside 0 to 1. */
    public Colour mix(Colour other, double t) {
        return new Colour(
                red + (other.red - red) * t,
                green + (other.green - green) * t,
                blue + (other.blue - blue) * t,
                Math.min(1, Math.max(0, alpha + (other.alpha - alpha) * t)));
    }

    private static int eight(double part) {
        return (int) Math.round(Math.min(1, Math.max(0, part)) * 255);
    }
}

package aperta.core.geometry;

import java.util.Optional;

/**
 * The affine map {@code x' = a·x + c·y + e, y' = b·x + d·y + f} (the six numbers of SVG's {@code matrix}). Angles go
 * through {@link StrictMath}, so that every machine gets the same bits.
 */
public record Affine(double a, double b, double c, double d, double e, double f) {
    public static final Affine IDENTITY = new Affine(1, 0, 0, 1, 0, 0);

    public static Affine translation(double x, double y) {
        return new Affine(1, 0, 0, 1, x, y);
    }

    public static Affine scale(double x, double y) {
        return new Affine(x, 0, 0, y, 0, 0);
    }

    /** Turns clockwise on the screen (y down) by {@code degrees}; multiples of 90° are exact. */
    public static Affine rotation(double degrees) {
        double turn = degrees % 360;
        if (turn < 0) {
            turn += 360;
        }
        double sin = turn == 90 ? 1 : turn == 270 ? -1 : turn % 180 == 0 ? 0 : StrictMath.sin(Math.toRadians(turn));
        double cos = turn == 0 ? 1 : turn == 180 ? -1 : turn % 180 == 90 ? 0 : StrictMath.cos(Math.toRadians(turn));
        // 0 − 0 is 0 where −0 would be another bit pattern.
        return new Affine(cos, sin, 0 - sin, cos, 0, 0);
    }

    /** First this map, then {@code next}. */
    public Affine then(Affine next) {
        return new Affine(
                next.a * a + next.c * b,
                next.b * a + next.d * b,
                next.a * c + next.c * d,
                next.b * c + next.d * d,
                next.a * e + next.c * f + next.e,
                next.b * e + next.d * f + next.f);
    }

    public Point apply(Point p) {
        return new Point(a * p.x() + c * p.y() + e, b * p.x() + d * p.y() + f);
    }

    /** Maps a vector: the same without the translation. */
    public Point applyVector(Point v) {
        return new Point(a * v.x() + c * v.y(), b * v.x() + d * v.y());
    }

    public double determinant() {
        return a * d - b * c;
    }

    /** The inverse, or nothing where the map flattens the plane (a scale of 0). */
    public Optional<Affine> inverse() {
        double det = determinant();
        if (!(Math.abs(det) > 1e-18)) {
            return Optional.empty();
        }
        return Optional.of(
                new Affine(d / det, -b / det, -c / det, a / det, (c * f - d * e) / det, (b * e - a * f) / det));
    }

    /** The factor by which areas grow, as a length: √|det|. */
    public double meanScale() {
        return Math.sqrt(Math.abs(determinant()));
    }

    /** Whether what runs clockwise runs the other way afterwards. */
    public boolean mirrors() {
        return determinant() < 0;
    }

    /** The smallest box around the image of {@code box}. */
    public Box apply(Box box) {
        return Box.around(box.corners().stream().map(this::apply).toList());
    }
}

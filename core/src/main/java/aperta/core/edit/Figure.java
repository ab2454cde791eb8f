package aperta.core.edit;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Figures;
import java.util.List;

/** What is drawn by dragging over the Picture. */
public enum Figure {
    RECTANGLE,
    ROUNDED,
    ELLIPSE,
    POLYGON,
    STAR;

    /**
     * The figure in the box which has two points as corners.
     *
     * @param points of a star, corners of a polygon
     * @param inner a star's inner radius as a share of the outer
     * @param roundness of the corners of a polygon and the points of a star, 0 to 1; of a rounded rectangle the radius as a
     *     share of half the shorter side
     * @param innerRoundness of the corners between the points of a star
     * @throws IllegalArgumentException where the box is less than a pixel wide or high
     */
    BezierPath in(Point from, Point to, int points, double inner, double roundness, double innerRoundness) {
        Box box = Box.around(List.of(from, to));
        if (box.width() < 1 || box.height() < 1) {
            throw new IllegalArgumentException("Drag over a larger part of the Picture to draw a shape.");
        }
        return switch (this) {
            case RECTANGLE -> BezierPath.rectangle(box);
            case ROUNDED -> Figures.rounded(box, roundness * Math.min(box.width(), box.height()) / 2);
            case ELLIPSE -> BezierPath.ellipse(box);
            case POLYGON -> Figures.polygon(box, points, roundness);
            case STAR -> Figures.star(box, points, inner, roundness, innerRoundness);
        };
    }
}

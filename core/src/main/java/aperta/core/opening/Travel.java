package aperta.core.opening;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Front;
import aperta.core.shot.Passage;

/** Where the edge of an opening starts and how it travels until nothing, or everything, is uncovered. */
final class Travel {
    static final Parameter FROM =
            Parameter.choice("from", "Starts from", "the middle", "a line", "one side", "a point");
    static final Parameter ANGLE = Parameter.number("angle", "Towards", "°", -3600, 3600, 0);
    static final Parameter X = Parameter.number("x", "From the left", "%", -10, 10, 0.5);
    static final Parameter Y = Parameter.number("y", "From the top", "%", -10, 10, 0.5);

    private Travel() {}

    /**
     * The shape of the edge.
     *
     * @param recipe of an opening that has all four parameters
     * @param spare by how far the edge starts outside the layer and ends outside it, in its pixels
     */
    static Front.Shape at(Recipe recipe, Passage.Way way, Box box, double spare) {
        return at(recipe, way.share(), way.arriving(), box, spare);
    }

    /**
     * The same at another share of the way.
     *
     * @param share 0 where nothing is uncovered, 1 where all is; it may lie outside
     */
    static Front.Shape at(Recipe recipe, double share, boolean arriving, Box box, double spare) {
        Point along = Edges.towards(recipe.number("angle"));
        Point place =
                new Point(box.x0() + box.width() * recipe.number("x"), box.y0() + box.height() * recipe.number("y"));
        return switch (recipe.text("from")) {
            case "a line" -> strip(box, along, place, share, spare);
            case "one side" -> side(box, arriving ? along : along.times(-1), share, spare);
            case "a point" -> circle(place, Edges.farthest(box, place), share, spare);
            default -> circle(box.centre(), Edges.farthest(box, box.centre()), share, spare);
        };
    }

    private static Front.Circle circle(Point centre, double farthest, double share, double spare) {
        return new Front.Circle(centre, share * (farthest + 2 * spare) - spare);
    }

    private static Front.Strip strip(Box box, Point along, Point place, double share, double spare) {
        Edges.Stretch all = Edges.stretch(box, along);
        double middle = place.x() * along.x() + place.y() * along.y();
        double farthest = Math.max(Math.abs(all.from() - middle), Math.abs(all.to() - middle));
        return new Front.Strip(along, middle, share * (farthest + 2 * spare) - spare);
    }

    private static Front.Line side(Box box, Point along, double share, double spare) {
        Edges.Stretch all = Edges.stretch(box, along);
        return new Front.Line(along, all.from() - spare + share * (all.length() + 2 * spare));
    }
}

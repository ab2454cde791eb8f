package aperta.core.opening;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Mask;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import java.util.List;
import java.util.Optional;

/** Slides in from outside the frame, or from behind an unseen edge at its own side. */
public final class Slide implements Opening {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "slide",
                "Slide",
                "Slides in from a side.",
                List.of(
                        Parameter.choice("side", "From", "left", "right", "top", "bottom"),
                        Parameter.choice("behind", "Behind", "its own edge", "the frame"),
                        Parameter.number("feather", "Feather", "px", 0, 2000, 0)));
    }

    private static Point towards(String side) {
        return switch (side) {
            case "left" -> new Point(-1, 0);
            case "right" -> new Point(1, 0);
            case "top" -> new Point(0, -1);
            default -> new Point(0, 1);
        };
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        Point out = towards(recipe.text("side"));
        double left = 1 - way.share();
        return recipe.text("behind").equals("the frame")
                ? Opened.of(Pose.shifted(outside(out, subject).times(left)))
                : behindItself(out, left, recipe.number("feather"), subject);
    }

    /** As far as it takes to lie wholly outside the frame, in the parent's space. */
    private static Point outside(Point out, Opener.Subject subject) {
        Box box = subject.toParent().then(subject.parentToShot()).apply(subject.box());
        double far = out.x() < 0
                ? box.x1()
                : out.x() > 0
                        ? subject.format().width() - box.x0()
                        : out.y() < 0 ? box.y1() : subject.format().height() - box.y0();
        Affine back = subject.parentToShot().inverse().orElse(Affine.IDENTITY);
        return back.applyVector(out.times(Math.max(0, far) + 1));
    }

    /** The edge stands at the side of the box that it comes from, in the parent's space, a soft one a little beyond. */
    private static Opened behindItself(Point out, double left, double feather, Opener.Subject subject) {
        Box box = subject.toParent().apply(subject.box());
        double size = out.x() != 0 ? box.width() : box.height();
        double soft = feather * subject.toParent().meanScale();
        double spare = Edges.REACH * soft;
        double side = out.x() < 0 ? -box.x0() : out.x() > 0 ? box.x1() : out.y() < 0 ? -box.y0() : box.y1();
        Affine toOwn = subject.toParent().inverse().orElse(Affine.IDENTITY);
        Mask own = Edges.before(out, side + spare, soft).transformed(toOwn);
        return new Opened(
                Pose.shifted(out.times((size + 2 * spare) * left)), List.of(), List.of(own), Optional.empty());
    }
}

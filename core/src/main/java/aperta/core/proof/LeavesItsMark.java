package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.opening.Windows;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Moment;
import aperta.core.shot.Pin;
import aperta.core.shot.Property;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * What goes with a mark stays with it: an edge that uncovers by a mark, which never goes back, isn't far ahead of one that does,
 * and what follows one with a delay or damping isn't far behind it.
 */
public final class LeavesItsMark implements Check {
    private static final String KIND = "leaves-its-mark";

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                KIND,
                "With its mark",
                "What goes with a mark of a clip isn't far from it.",
                List.of(Parameter.number("distance", "Distance", "px of 1080", 1, 1000, 30)));
    }

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Spells<Double> spells = new Spells<>(KIND);

            @Override
            public void see(Look look) {
                double most = recipe.number("distance")
                        * look.moment().shot().format().height()
                        / 1080;
                for (Share s : look.layers()) {
                    for (AnimatedRecipe window : s.seen().layer().windows()) {
                        if (window.kind().equals(Windows.BEHIND_MARK)) {
                            ahead(look, s, window.rest(), most);
                        }
                    }
                    for (Property<?> property : Property.of(s.seen().layer())) {
                        for (Recipe signal :
                                property.get().apply(s.seen().layer()).signals()) {
                            behind(look, s, property, signal, most);
                        }
                    }
                }
            }

            private void ahead(Look look, Share s, Recipe window, double most) {
                Moment moment = look.moment();
                String clip = window.text("layer");
                String track = window.text("track");
                if (!moment.isFollowed(clip, track)) {
                    return;
                }
                double angle = Math.toRadians(window.number("angle"));
                Point towards = new Point(StrictMath.cos(angle), StrictMath.sin(angle));
                Point mark = moment.mark(clip, track).orElseThrow();
                double lies = mark.x() * towards.x() + mark.y() * towards.y();
                double ahead = moment.edge(clip, track, towards).orElse(lies) - lies;
                note(look, s, clip, mark, ahead, most);
            }

            private void behind(Look look, Share s, Property<?> property, Recipe signal, double most) {
                Optional<Pin> pin = Pin.followed(signal);
                boolean late = pin.isPresent()
                        && signal.text("property").endsWith(".place")
                        && (signal.number("delay") != 0 || signal.number("damping") != 0);
                if (!late || property.kind() != Property.Kind.POINT) {
                    return;
                }
                String clip = pin.get().layer();
                String track = pin.get().track();
                if (!look.moment().isFollowed(clip, track)) {
                    return;
                }
                Recipe prompt = signal.with("delay", 0.0).with("damping", 0.0);
                double x = look.moment().signal(s.seen().layer().id(), signal, 0)
                        - look.moment().signal(s.seen().layer().id(), prompt, 0);
                double y = look.moment().signal(s.seen().layer().id(), signal, 1)
                        - look.moment().signal(s.seen().layer().id(), prompt, 1);
                Optional<Point> mark = look.moment().mark(clip, track);
                note(look, s, clip, mark.orElseThrow(), StrictMath.hypot(x, y), most);
            }

            private void note(Look look, Share s, String clip, Point mark, double off, double most) {
                if (off > most) {
                    Box place = new Box(mark.x(), mark.y(), mark.x(), mark.y()).grown(20);
                    spells.note(List.of(Look.id(s), clip), look.frame(), off, off, place);
                }
            }

            @Override
            public List<Finding> findings() {
                return spells.findings(off -> String.format(
                        Locale.ROOT,
                        "It is %.0f pixels from its mark; %.0f are allowed of 1080 lines.",
                        off,
                        recipe.number("distance")));
            }
        };
    }
}

package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Pin;
import aperta.core.shot.Property;
import aperta.core.shot.Track;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What is pinned to a mark, follows it or is held still by it is seen only where the mark is known: before and after, it would
 * stand still while the clip goes on.
 */
public final class BeyondTrack implements Check {
    private static final String KIND = "beyond-track";

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                KIND,
                "Only where the mark is known",
                "What goes with a mark of a clip isn't seen where nobody knows where that is.",
                List.of());
    }

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Spells<String> spells = new Spells<>(KIND);

            @Override
            public void see(Look look) {
                for (Share s : look.layers()) {
                    if (!s.shows()) {
                        continue;
                    }
                    for (Pin pin : pins(s.seen().layer())) {
                        if (!look.moment().isFollowed(pin.layer(), pin.track())) {
                            Point at =
                                    look.moment().mark(pin.layer(), pin.track()).orElse(Point.ORIGIN);
                            Box place = new Box(at.x(), at.y(), at.x(), at.y()).grown(20);
                            spells.note(List.of(Look.id(s)), look.frame(), name(look, pin), 0, place);
                        }
                    }
                }
            }

            private String name(Look look, Pin pin) {
                return look.moment()
                        .shot()
                        .layer(pin.layer())
                        .flatMap(
                                l -> l.content() instanceof Content.Footage f ? f.track(pin.track()) : Optional.empty())
                        .map(Track::name)
                        .orElse(pin.track());
            }

            @Override
            public List<Finding> findings() {
                return spells.findings(name -> "It goes with '" + name + "', which isn't known on these frames.");
            }
        };
    }

    private static Set<Pin> pins(Layer layer) {
        Set<Pin> all = new LinkedHashSet<>();
        layer.pinned().ifPresent(t -> layer.parent().ifPresent(p -> all.add(new Pin(p, t))));
        for (Mask m : layer.masks()) {
            m.pin().ifPresent(all::add);
        }
        if (layer.content() instanceof Content.Footage clip) {
            clip.steady().ifPresent(t -> all.add(new Pin(layer.id(), t)));
        }
        for (Property<?> property : Property.of(layer)) {
            for (Recipe signal : property.get().apply(layer).signals()) {
                Pin.followed(signal).ifPresent(all::add);
            }
        }
        return all;
    }
}

package aperta.core.edit;

import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.recipe.Parameter;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.texture.Texture;
import aperta.core.texture.Textures;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What of a layer's effects and textures has a handle on the picture. */
public final class Spots {
    private Spots() {}

    /**
     * A handle.
     *
     * @param property that it moves
     * @param effect the id of the effect that it belongs to; empty for the layer's texture
     * @param base in the layer's own pixels: where a point lies whose value is the origin, or the point that an arm turns about
     * @param turns whether it is the end of an arm, whose property is an angle
     */
    public record Spot(String property, String effect, String label, Point base, boolean turns) {}

    /** @param box around the layer, in its own pixels */
    public static List<Spot> of(Layer layer, Box box) {
        List<Spot> all = new ArrayList<>();
        for (LayerEffect e : layer.effects()) {
            Optional<Effect> effect = Effects.find(e.recipe().kind());
            if (effect.isPresent()) {
                for (Parameter p : effect.get().descriptor().parameters()) {
                    String property = "chain." + e.id() + "." + p.name();
                    if (p.kind() == Parameter.Kind.POINT) {
                        effect.get()
                                .base(p.name(), box)
                                .ifPresent(b -> all.add(new Spot(property, e.id(), p.label(), b, false)));
                    } else if (effect.get().directions().contains(p.name())) {
                        all.add(new Spot(
                                property, e.id(), p.label(), box.isEmpty() ? Point.ORIGIN : box.centre(), true));
                    }
                }
            }
        }
        if (layer.content() instanceof Content.Texture content) {
            Texture texture = Textures.of(content.recipe().kind());
            for (Parameter p : texture.descriptor().parameters()) {
                if (p.kind() == Parameter.Kind.POINT && !p.name().equals(Parameter.DRIFT)) {
                    all.add(new Spot("texture." + p.name(), "", p.label(), Point.ORIGIN, false));
                }
            }
        }
        return all;
    }
}

package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import aperta.core.shot.Light;

/** What changes a layer's picture: one class each, listed in {@link Effects}. */
public interface Effect {
    Descriptor descriptor();

    /** What it is used for. */
    Purpose purpose();

    /** Where in the chain it goes when it is added. */
    default Station station() {
        return Station.BEFORE_CUT;
    }

    /** The effect with its numbers, on a raster. */
    Worked on(Recipe values, Setting setting);

    /** Groups of effects, as people look for them. */
    enum Purpose {
        BLUR,
        LIGHT,
        BEND,
        EDGE,
        COLOUR,
        AGE,
        TIME
    }

    /**
     * Where an effect works.
     *
     * @param toRaster from the layer's own pixels to those of the raster; has an inverse
     * @param frame of the layer's own time
     * @param amount by which effects that move things scale how far they do; others are mixed with what they came from
     */
    record Setting(Affine toRaster, Light light, double frame, double amount) {}
}

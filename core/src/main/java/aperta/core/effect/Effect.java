package aperta.core.effect;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Border;
import aperta.core.shot.LayerEffect.Station;
import aperta.core.shot.Light;
import aperta.core.time.Rate;
import java.util.Optional;
import java.util.Set;

/** What changes a layer's picture: one class each, listed in {@link Effects}. */
public interface Effect {
    Descriptor descriptor();

    /** What it is used for. */
    Purpose purpose();

    /** Where in the chain it goes when it is added. */
    default Station station() {
        return Station.BEFORE_CUT;
    }

    /** Whether it reads beside its pixel, so that it matters what it finds beyond the picture's border. */
    default boolean readsBeyond() {
        return false;
    }

    /** Whether it may make pixels brighter than their alpha, as light does. */
    default boolean isLight() {
        return false;
    }

    /**
     * Where a point among its parameters lies whose value is the origin, in the layer's own pixels; nothing for points that are no places.
     *
     * @param box around the layer
     */
    default Optional<Point> base(String parameter, Box box) {
        return parameter.equals(Parameter.DRIFT) ? Optional.empty() : Optional.of(Point.ORIGIN);
    }

    /** The angles among its parameters that are directions. */
    default Set<String> directions() {
        return Set.of();
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
        /** Takes away what is to be seen through. */
        KEY,
        AGE,
        TIME
    }

    /**
     * Where an effect works.
     *
     * @param toRaster from the layer's own pixels to those of the raster; has an inverse
     * @param frameToRaster from the frame that the layer lies in to the raster
     * @param box around the layer, in its own pixels
     * @param frame of the layer's own time, counted at {@code rate}
     * @param amount by which effects that move things scale how far they do; others are mixed with what they came from
     * @param border what lies beyond the picture's border; {@code EMPTY} for effects that don't read there
     */
    record Setting(
            Affine toRaster,
            Affine frameToRaster,
            Box box,
            Light light,
            double frame,
            Rate rate,
            double amount,
            Border border,
            Tables tables) {
        /** Raster pixels for one of the layer's. */
        double scale() {
            return toRaster.meanScale();
        }
    }
}

package aperta.core.texture;

import aperta.core.effect.Numbers;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Light;
import aperta.core.time.Rate;

/** A picture that is computed from numbers: one class each, listed in {@link Textures}. */
public interface Texture {
    Descriptor descriptor();

    /** The texture with its numbers, on a raster. */
    Pattern on(Recipe values, Setting setting);

    /**
     * Where a texture is drawn.
     *
     * @param toRaster from the layer's own pixels to those of the raster; has an inverse
     * @param box that it fills, in the layer's own pixels
     * @param frame of the layer's own time, counted at {@code rate}
     */
    record Setting(Affine toRaster, Box box, Light light, double frame, Rate rate, History history) {
        /** All that a texture is made from here, beside what it adds. */
        Numbers numbers(Recipe values) {
            return Numbers.of(values).and(toRaster).and(light.ordinal(), box.x0(), box.y0(), box.x1(), box.y1());
        }

        /** Seconds since the layer began. */
        double seconds() {
            return frame / rate.framesPerSecond();
        }

        /** How far something has come that moves at a pace which may change, in its unit: the sum over the frames so far. */
        double travelled(String pace) {
            double sum = 0;
            double whole = Math.floor(frame);
            for (int i = 0; i < whole; i++) {
                sum += history.number(pace, i);
            }
            sum += (frame - whole) * history.number(pace, whole);
            return sum / rate.framesPerSecond();
        }
    }

    /** What numbers were at other times. */
    interface History {
        /** A number at a frame of the layer's own time. */
        double number(String parameter, double frame);
    }
}

package aperta.core.render;

import aperta.core.colour.Colour;
import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.recipe.Recipe;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Paint;
import aperta.core.time.Animated;
import java.util.List;
import java.util.Map;

/** What tests of single effects share: layers with one effect, drawn; and ways of things that move. */
final class Affecting {
    private static final Studio STUDIO = new Studio();
    /** The size of the ramp that tells where a pixel was read. */
    private static final double RAMP = 1600;

    private Affecting() {}

    static Recipe recipe(String kind, Map<String, ?> values) {
        return Recipe.of(Effects.of(kind).descriptor(), values);
    }

    static LayerEffect link(String kind, Map<String, ?> values) {
        Effect effect = Effects.of(kind);
        return LayerEffect.of(kind, AnimatedRecipe.of(recipe(kind, values)), effect.station());
    }

    /** A layer with an effect, and others below it. */
    static Picture of(Layer layer, String kind, Map<String, ?> values, Layer... below) {
        return of(layer.withEffects(List.of(link(kind, values))), below);
    }

    static Picture of(Layer layer, Layer... below) {
        return at(layer, 0, below);
    }

    static Picture at(Layer layer, double frame, Layer... below) {
        Layer[] all = new Layer[below.length + 1];
        all[0] = layer;
        System.arraycopy(below, 0, all, 1, below.length);
        return STUDIO.render(Studio.shot(all), frame);
    }

    static Layer white() {
        return Studio.box("l", 80, 45, 160, 90, Colour.WHITE);
    }

    /** Where the pixel whose middle is (x + ½, y + ½) was read, by an effect over a layer in the frame's middle. */
    static Point source(String kind, Map<String, ?> values, int x, int y) {
        return new Point(
                ramp(new Point(1, 0), kind, values, x, y) + 80, ramp(new Point(0, 1), kind, values, x, y) + 45);
    }

    private static double ramp(Point along, String kind, Map<String, ?> values, int x, int y) {
        Paint paint = new Paint.Linear(
                Animated.of(along.times(-RAMP / 2)),
                Animated.of(along.times(RAMP / 2)),
                List.of(Paint.Stop.of("a", 0, Colour.BLACK), Paint.Stop.of("b", 1, Colour.WHITE)));
        Layer layer = Studio.box("l", 80, 45, RAMP, RAMP, Colour.WHITE)
                .withContent(new Content.Fill(Animated.of(new Point(RAMP, RAMP)), paint));
        return (of(layer, kind, values).at(x, y)[0] - 0.5) * RAMP;
    }
}

package aperta.core.render;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.shot;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.edit.MaskEdits;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.picture.Picture;
import aperta.core.recipe.Recipe;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Every length of a layer is its own pixels: what is twice as large looks as if all of it had been made twice as large. */
class OwnPixelsTest {
    private static final Colour GREEN = new Colour(0.1, 0.7, 0.2, 1);
    private static final Colour RED = new Colour(0.8, 0.1, 0.2, 1);

    private final Studio studio = new Studio();

    /** A layer of half its size at twice its scale. */
    private static Layer doubled(Layer layer) {
        return layer.withPlace(layer.place().withScale(Animated.of(new Point(2, 2))));
    }

    private static Layer blurred(Layer layer, double sigma) {
        return layer.withPlace(layer.place().withBlur(Animated.of(sigma)));
    }

    private static Layer cut(Layer layer, double spread, double blur) {
        Cut.Tone tone = Cut.Tone.PLAIN.withSpread(Animated.of(spread)).withBlur(Animated.of(blur));
        return layer.withCut(Optional.of(new Cut("cutter", Cut.With.SHAPE, Cut.Keep.INSIDE, tone)));
    }

    private static Layer feathered(Layer layer, double size, double feather, double outset) {
        BezierPath path = BezierPath.ellipse(Box.centred(size, size));
        return layer.withMasks(List.of(
                Mask.of("m", "m", path).withFeather(Animated.of(feather)).withOutset(Animated.of(outset))));
    }

    private void same(Shot a, Shot b, double frame) {
        Picture one = studio.render(a, frame);
        Picture other = studio.render(b, frame);
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                for (int c = 0; c < 4; c++) {
                    assertThat(one.at(x, y)[c]).isCloseTo(other.at(x, y)[c], within(2e-5f));
                }
            }
        }
    }

    @Test
    void blurGrowsWithTheLayer() {
        same(
                shot(doubled(blurred(box("a", 80, 45, 30, 20, GREEN), 3))),
                shot(blurred(box("a", 80, 45, 60, 40, GREEN), 6)),
                0);
    }

    @Test
    void masksGrowWithTheLayer() {
        same(
                shot(doubled(feathered(box("a", 80, 45, 40, 30, GREEN), 20, 4, 1))),
                shot(feathered(box("a", 80, 45, 80, 60, GREEN), 40, 8, 2)),
                0);
    }

    @Test
    void theEdgeOfACutGrowsWithTheLayerThatIsCut() {
        Layer cutter = box("cutter", 80, 45, 50, 30, RED);
        same(
                shot(cutter, doubled(cut(box("a", 80, 45, 60, 40, GREEN), 2, 1.5))),
                shot(cutter, cut(box("a", 80, 45, 120, 80, GREEN), 4, 3)),
                0);
    }

    @Test
    void theBlurOfAPoseGrowsWithTheLayerAndTheGroupsAroundIt() {
        Passage arrive = new Passage(12, 0, Ease.LINEAR, Pose.REST.withBlur(3), Optional.empty());
        Layer small = box("a", 0, 0, 30, 20, GREEN).withArrive(Optional.of(arrive));
        Layer group =
                Layer.of("g", "g", new Content.Group(List.of(small)), Span.of(0, 48), Place.at(Studio.SMALL.centre()));
        Layer large = box("a", 80, 45, 60, 40, GREEN).withArrive(Optional.of(arrive.withPose(Pose.REST.withBlur(6))));
        same(shot(doubled(group)), shot(large), 4);
    }

    @ParameterizedTest
    @ValueSource(strings = {"wipe", "iris", "slide"})
    void theEdgeOfAnOpeningGrowsWithTheLayer(String kind) {
        same(
                shot(doubled(opening(box("a", 80, 45, 40, 30, GREEN), kind, 4))),
                shot(opening(box("a", 80, 45, 80, 60, GREEN), kind, 8)),
                5);
    }

    private static Layer opening(Layer layer, String kind, double feather) {
        Recipe recipe = Recipe.of(Openings.of(kind).descriptor(), Map.of("feather", feather));
        return layer.withArrive(
                Optional.of(new Passage(12, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(recipe)))));
    }

    /** A mask that is locked to the frame, and back to its layer, looks as it did. */
    @Test
    void aMaskKeepsItsEdgeWhenItIsLocked() {
        Shot free = shot(doubled(feathered(box("a", 80, 45, 40, 30, GREEN), 20, 6, 1)));
        Shot locked = new MaskEdits.SetLock("a", "m", 0, Mask.Lock.FRAME).apply(free, studio.planner);
        same(free, locked, 0);
        same(free, new MaskEdits.SetLock("a", "m", 0, Mask.Lock.LAYER).apply(locked, studio.planner), 0);
    }
}

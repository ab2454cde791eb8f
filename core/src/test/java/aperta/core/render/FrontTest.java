package aperta.core.render;

import static aperta.core.render.Affecting.at;
import static aperta.core.render.Affecting.link;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.opening.Openings;
import aperta.core.picture.Bands;
import aperta.core.picture.Matte;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.recipe.Recipe;
import aperta.core.shot.AnimatedRecipe;
import aperta.core.shot.Content;
import aperta.core.shot.Front;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Paint;
import aperta.core.shot.Passage;
import aperta.core.shot.Place;
import aperta.core.shot.Pose;
import aperta.core.shot.Rules;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** The travelling edge of openings, and what is made from the distance behind it. */
class FrontTest {
    private static Passage passage(String kind, Map<String, ?> values) {
        Recipe recipe = Recipe.of(Openings.of(kind).descriptor(), values);
        return new Passage(20, 0, Ease.LINEAR, Pose.REST, Optional.of(AnimatedRecipe.of(recipe)));
    }

    private static Layer arriving(Layer layer, String kind, Map<String, ?> values) {
        return layer.withArrive(Optional.of(passage(kind, values)));
    }

    /** Measured anew, distances of a rough edge are those to its nearest point, as looking at all of them tells. */
    @Test
    void distancesOfARoughEdgeAreTrue() {
        Front front = new Front(
                new Front.Line(new Point(1, 0), 60), Optional.of(new Front.Rough(9, 40, 5)), Optional.empty());
        FrontDistance step = new FrontDistance(front, Affine.IDENTITY, 24);
        Region frame = new Region(0, 0, 120, 90);
        Matte d = new Renderer(Cache.NONE, Bands.IN_TURN).matte(step, frame.grown(40));
        List<double[]> edge = new ArrayList<>();
        for (int y = -38; y < 128; y++) {
            for (int x = -38; x < 158; x++) {
                float here = d.at(x, y);
                if (here > 0 != d.at(x + 1, y) > 0) {
                    edge.add(new double[] {x + here / (here - d.at(x + 1, y)), y});
                }
                if (here > 0 != d.at(x, y + 1) > 0) {
                    edge.add(new double[] {x, y + here / (here - d.at(x, y + 1))});
                }
            }
        }
        double most = 0;
        for (int y = 0; y < 90; y += 3) {
            for (int x = 0; x < 120; x += 3) {
                double nearest = 24;
                for (double[] e : edge) {
                    nearest = Math.min(nearest, Math.hypot(x - e[0], y - e[1]));
                }
                most = Math.max(most, Math.abs(nearest - Math.min(24, Math.abs(d.at(x, y)))));
            }
        }
        assertThat(most).isLessThan(0.35);
    }

    /** J18: the rim follows the rough edge at the width that is set, within a pixel; beyond it the word is untouched. */
    @Test
    void theRimIsAsWideAsItIsSet() {
        Layer card = Studio.box("l", 80, 45, 160, 90, Colour.WHITE);
        Map<String, ?> values = Map.of(
                "rough",
                6.0,
                "wavelength",
                40.0,
                "width",
                9.0,
                "char",
                0.0,
                "ash",
                0.0,
                "hot",
                new Colour(1, 0, 0, 1),
                "cool",
                new Colour(1, 0, 0, 1));
        Picture p = at(arriving(card, "burn", values), 10);
        int rims = 0;
        double deepest = 0;
        for (int y = 12; y < 78; y++) {
            for (int x = 12; x < 148; x++) {
                float[] v = p.at(x, y);
                boolean rim = v[3] > 0.5f && v[1] < 0.5f;
                boolean whole = v[3] > 0.5f && v[1] >= 0.5f;
                if (rim || whole) {
                    double away = toNothing(p, x, y, 12);
                    if (rim) {
                        rims++;
                        deepest = Math.max(deepest, away);
                        assertThat(away).as("rim at %d, %d", x, y).isLessThanOrEqualTo(9 + 1);
                    } else {
                        assertThat(away).as("whole at %d, %d", x, y).isGreaterThanOrEqualTo(9 - 1);
                    }
                }
            }
        }
        assertThat(rims).isGreaterThan(400);
        assertThat(deepest).isGreaterThan(8);
    }

    /** From a pixel's middle to the edge of the nearest one that is gone. */
    private static double toNothing(Picture p, int x, int y, int reach) {
        double least = Double.MAX_VALUE;
        for (int dy = -reach; dy <= reach; dy++) {
            for (int dx = -reach; dx <= reach; dx++) {
                if (p.domain().contains(x + dx, y + dy) && p.at(x + dx, y + dy)[3] < 0.5f) {
                    least = Math.min(least, Math.hypot(dx, dy) - 0.5);
                }
            }
        }
        return least;
    }

    /** J18: untouched where it begins, nothing left where it ends, the ash thinning out between; and the other way round. */
    @Test
    void aBurnLeavesNothingAndAshFades() {
        Layer card = Studio.box("l", 80, 45, 160, 90, Colour.WHITE);
        Layer leaving = card.withLeave(Optional.of(passage("burn", Map.of("from", "one side"))));
        assertThat(Studio.furthest(at(leaving, 27), at(card, 27))).isZero();
        for (int x = 0; x < 160; x += 3) {
            assertThat(at(leaving, 47).at(x, 45)[3]).isZero();
        }
        Picture first = at(arriving(card, "burn", Map.of()), 0);
        for (int x = 0; x < 160; x += 3) {
            assertThat(first.at(x, 45)[3]).isZero();
        }
        // Far ahead of the edge there is less ash than near it.
        Layer burning = arriving(card, "burn", Map.of("rough", 0.0, "ash", 60.0, "dense", 1.0));
        Picture p = at(burning, 9);
        int edge = 0;
        while (p.at(edge, 45)[3] > 0.99f) {
            edge++;
        }
        assertThat(edge).isBetween(5, 110);
        assertThat(ash(p, edge + 2, edge + 16)).isGreaterThan(2 * ash(p, edge + 30, edge + 44));
        assertThat(ash(p, edge + 30, edge + 44)).isPositive();
    }

    private static double ash(Picture p, int from, int to) {
        double sum = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = from; x < Math.min(160, to); x++) {
                sum += p.at(x, y)[3];
            }
        }
        return sum;
    }

    private static final double RAMP = 1600;

    private static Layer ramp() {
        Paint paint = new Paint.Linear(
                Animated.of(new Point(-RAMP / 2, 0)),
                Animated.of(new Point(RAMP / 2, 0)),
                List.of(Paint.Stop.of("a", 0, Colour.BLACK), Paint.Stop.of("b", 1, Colour.WHITE)));
        return Studio.box("l", 80, 45, RAMP, RAMP, Colour.WHITE)
                .withContent(new Content.Fill(Animated.of(new Point(RAMP, RAMP)), paint));
    }

    /** How far sideways each pixel of a row was read; not a number where it can't be told. */
    private static double[] ways(Picture p, int y) {
        double[] ways = new double[160];
        for (int x = 0; x < 160; x++) {
            float[] v = p.at(x, y);
            ways[x] = v[3] < 0.02f ? Double.NaN : (v[0] / v[3] - 0.5) * RAMP + 80 - (x + 0.5);
        }
        return ways;
    }

    private static double bend(double[] ways, int x) {
        return Math.abs(ways[x - 1] - 2 * ways[x] + ways[x + 1]);
    }

    /**
     * J20: no seam between what is bent and what is still. Across the edge the way changes no more suddenly than the noise itself does.
     */
    @Test
    void aShimmerHasNoSeam() {
        Layer everywhere = ramp().withEffects(List.of(link(
                "turbulence",
                Map.of("across", 4.0, "down", 4.0 * 0.35, "wavelength", 24.0, "octaves", 2.0, "seed", 1.0))));
        Picture whole = at(everywhere, 0);
        Picture near = edge();
        double ofNoise = 0;
        double across = 0;
        for (int y = 5; y < 85; y += 4) {
            double[] noise = ways(whole, y);
            for (int x = 1; x < 159; x++) {
                ofNoise = Math.max(ofNoise, bend(noise, x));
            }
            double[] ways = ways(near, y);
            for (int x = 1; x < 159; x++) {
                double b = bend(ways, x);
                across = Double.isNaN(b) ? across : Math.max(across, b);
            }
        }
        assertThat(across).isPositive().isLessThan(ofNoise);
    }

    /** The ramp with turbulence near the edge of a wipe that stands in the frame's middle. */
    private static Picture edge() {
        LayerEffect bend = link(
                        "turbulence",
                        Map.of("across", 4.0, "down", 1.4, "wavelength", 24.0, "octaves", 2.0, "seed", 1.0))
                .withNear(Optional.of(new LayerEffect.Near(0, 30, 40)));
        return at(arriving(ramp(), "wipe", Map.of("feather", 40.0)).withEffects(List.of(bend)), 10);
    }

    @Test
    void outOfReachOfTheEdgeNothingChanges() {
        Layer word = Studio.word("l", "TRAM", 50);
        Map<String, Object> values =
                Map.of("from", "one side", "feather", 6.0, "ahead", 8.0, "behind", 10.0, "strength", 5.0);
        Picture plain = at(word, 12);
        Picture p = at(arriving(word, "shimmer", values), 12);
        int same = 0;
        int other = 0;
        for (int x = 0; x < 160; x++) {
            float off = 0;
            for (int y = 0; y < 90; y++) {
                for (int c = 0; c < 4; c++) {
                    off = Math.max(off, Math.abs(p.at(x, y)[c] - plain.at(x, y)[c]));
                }
            }
            // Columns change from the same, by what is near the edge, to nothing: the first are the plain word exactly.
            same += off == 0 && other == 0 && plain.at(x, 45)[3] + plain.at(x, 40)[3] > 0 ? 1 : 0;
            other += off > 0 ? 1 : 0;
        }
        assertThat(same).isGreaterThan(10);
        assertThat(other).isGreaterThan(10);
    }

    /** J17: each swing is weaker than the one before, and none is left at the end. */
    @Test
    void swingsSettle() {
        Layer word = Studio.word("l", "TRAM", 50);
        Map<String, Object> values = Map.of("strength", 20.0, "swings", 3.0, "feather", 0.0, "early", 0.05);
        double before = Double.MAX_VALUE;
        for (double frame : new double[] {2, 7, 13.5, 19.9}) {
            double off = 0;
            Picture p = at(arriving(word, "settle", values), frame);
            Picture plain = at(word, frame);
            for (int y = 0; y < 90; y++) {
                for (int x = 0; x < 160; x++) {
                    off += Math.abs(p.at(x, y)[3] - plain.at(x, y)[3]);
                }
            }
            assertThat(off).as("frame %s", frame).isLessThan(before);
            before = off;
        }
        assertThat(before).isLessThan(20);
        assertThat(new LayerEffect.Near(0, 10, 20).weight(10)).isCloseTo(0.5, within(1e-9));
    }

    /** J17: an edge read from another layer uncovers what that has passed over, and it stays uncovered when it has gone on. */
    @Test
    void whatALayerHasPassedOverIsUncovered() {
        Layer steam = Studio.box("steam", 0, 45, 30, 90, Colour.WHITE)
                .withPlace(Place.at(new Point(0, 45))
                        .withPosition(new Animated<>(
                                new Point(0, 45),
                                List.of(
                                        new Key<>(0, new Point(10, 45), Ease.LINEAR),
                                        new Key<>(20, new Point(210, 45), Ease.LINEAR)))))
                .withHidden(true);
        Map<String, Object> values = Map.of(
                "from", "where a layer was bright", "layer", "steam", "feather", 4.0, "speed", 20.0, "strength", 0.0);
        Layer card = Studio.box("l", 80, 45, 160, 90, Colour.WHITE)
                .withArrive(Optional.of(new Passage(
                        40,
                        0,
                        Ease.LINEAR,
                        Pose.REST,
                        Optional.of(AnimatedRecipe.of(
                                Recipe.of(Openings.of("settle").descriptor(), values))))));
        assertThat(Rules.broken(Studio.shot(card, steam))).isEmpty();
        // Ten pixels a frame: on the eighth the box reaches from 75 to 105.
        Picture p = at(card, 8, steam);
        assertThat(p.at(20, 45)[3]).isGreaterThan(0.98f);
        assertThat(p.at(60, 45)[3]).isGreaterThan(0.98f);
        assertThat(p.at(130, 45)[3]).isLessThan(0.02f);
        assertThat(at(card, 17, steam).at(130, 45)[3]).isGreaterThan(0.98f);
        assertThat(at(card, 40, steam).at(130, 45)[3]).isEqualTo(1);
        // Any part is that part of the whole, whether it was played up to there or not.
        Studio studio = new Studio();
        Cache kept = new RecentCache(1 << 26);
        for (int frame = 0; frame < 8; frame++) {
            studio.render(Studio.shot(card, steam), frame, 1, 2, kept);
        }
        assertThat(Studio.furthest(studio.render(Studio.shot(card, steam), 8, 1, 2, kept), p))
                .isZero();
    }
}

package aperta.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.edit.LayerEdits;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Bands;
import aperta.core.picture.Picture;
import aperta.core.proof.Proof;
import aperta.core.proof.Reveal;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Figures;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Mask;
import aperta.core.shot.Nesting;
import aperta.core.shot.Pace;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.sound.Mixdown;
import aperta.core.sound.Samples;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Rate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A shot that is shown inside another looks, moves and sounds as it does by itself. */
class NestedTest {
    private final Studio studio = new Studio();

    private static Layer moving(String id) {
        Animated<Point> way = new Animated<>(
                new Point(20, 45),
                List.of(new Key<>(0, new Point(20, 45), Ease.LINEAR), new Key<>(40, new Point(140, 45), Ease.LINEAR)));
        Layer box = Studio.box(id, 20, 45, 20, 30, new Colour(0.9, 0.5, 0.1, 1));
        return box.withPlace(box.place().withPosition(way));
    }

    private static Layer nested(Shot inner) {
        return Layer.of(
                "n",
                "Inner",
                new Content.Nested("inner", Optional.of(inner)),
                Span.of(0, 48),
                Place.at(Studio.SMALL.centre()));
    }

    private static Shot inner() {
        Layer word = Studio.word("word", "TRAM", 40);
        return Studio.shot(
                moving("box").withCut(Optional.of(new Cut("word", Cut.With.SHAPE, Cut.Keep.OUTSIDE, Cut.Tone.PLAIN))),
                word,
                Studio.clip("rain"));
    }

    @Test
    void itLooksAsByItself() {
        Shot outer = Studio.shot(nested(inner()));
        for (int f : new int[] {0, 13, 40}) {
            assertThat(Studio.furthest(studio.render(outer, f), studio.render(inner(), f)))
                    .as("frame %d", f)
                    .isLessThan(1e-6f);
        }
        assertThat(studio.planner.extent(studio.planner.moment(outer, 3), "n")).isEqualTo(Box.centred(160, 90));
    }

    /** Scaled down to half: nothing of it is seen beyond its frame, though a layer of it reaches there. */
    @Test
    void itsFrameIsAllThatIsSeenOfIt() {
        Shot wide = Studio.shot(Studio.box("b", 80, 45, 900, 900, Colour.WHITE));
        Layer half = nested(wide);
        half = half.withPlace(half.place().withScale(Animated.of(new Point(0.5, 0.5))));
        Picture p = studio.render(Studio.shot(half), 0);
        double seen = 0;
        for (int y = 0; y < 90; y++) {
            for (int x = 0; x < 160; x++) {
                seen += p.at(x, y)[3];
            }
        }
        assertThat(seen).isCloseTo(80 * 45, within(0.01));
    }

    /** At 12 frames a second in a shot of 24 each frame is seen twice; mixed, those between are worked out. */
    @Test
    void ofAnotherRateItGoesInItsOwnFrames() {
        Shot slow = new Shot("slow", new Format(160, 90, Rate.of(12)), 24, List.of(moving("box")));
        Shot outer = Studio.shot(nested(slow));
        for (int f = 0; f < 20; f++) {
            assertThat(Studio.furthest(studio.render(outer, f), studio.render(slow, f / 2)))
                    .as("frame %d", f)
                    .isLessThan(1e-6f);
        }
        Shot mixed = Studio.shot(nested(slow).withPace(new Pace(1, false, 1, Optional.empty(), true)));
        assertThat(Studio.furthest(studio.render(mixed, 7), studio.render(slow, 3.5)))
                .isLessThan(1e-6f);
        assertThat(RenderTest.visible(studio.render(outer, 47)))
                .as("as long as it lasts")
                .isGreaterThan(0);
        Shot brief = new Shot("brief", new Format(160, 90, Rate.of(12)), 10, List.of(moving("box")));
        assertThat(RenderTest.visible(studio.render(Studio.shot(nested(brief)), 20)))
                .isZero();
    }

    /** Footage in it counts in its frames, not in those of the shot around it. */
    @Test
    void footageInItRunsInItsTime() {
        Shot slow = new Shot("slow", new Format(160, 90, Rate.of(12)), 20, List.of(Studio.clip("rain")));
        Shot outer = Studio.shot(nested(slow));
        assertThat(Studio.furthest(studio.render(outer, 10), studio.render(slow, 5)))
                .isLessThan(1e-6f);
    }

    /** A mask that stands in the frame stands in the frame of its own shot. */
    @Test
    void masksInTheFrameStayInTheirFrame() {
        Mask mask =
                Mask.of("m", "Left", Figures.rounded(new Box(0, 0, 80, 90), 0)).withLock(Mask.Lock.FRAME);
        Shot inner = Studio.shot(Studio.box("b", 80, 45, 160, 90, Colour.WHITE).withMasks(List.of(mask)));
        Layer right = nested(inner);
        right = right.withPlace(Place.at(new Point(120, 45)));
        Picture p = studio.render(Studio.shot(right), 0);
        assertThat(p.at(60, 45)[3]).isEqualTo(1);
        assertThat(p.at(119, 45)[3]).isEqualTo(1);
        assertThat(p.at(121, 45)[3]).isZero();
    }

    @Test
    void itSoundsAsByItself() {
        Samples ramp = new Samples() {
            @Override
            public long length(String media) {
                return 48_000;
            }

            @Override
            public void read(String media, long from, float[] into) {
                for (int i = 0; i < into.length; i++) {
                    into[i] = (from + i / 2) % 1000 / 2000f;
                }
            }
        };
        Layer sound = Layer.of(
                "s", "Bell", new Content.Sound("bell", Animated.of(0.0)), new Span(6, 30, 0), Place.at(Point.ORIGIN));
        Shot inner = new Shot("inner", new Format(160, 90, Rate.of(12)), 24, List.of(sound));
        Shot outer = Studio.shot(nested(inner));
        float[] alone = new Mixdown(inner, ramp).read(24_000, 2000);
        float[] shown = new Mixdown(outer, ramp).read(24_000, 2000);
        assertThat(alone[500]).isNotZero();
        for (int i = 0; i < alone.length; i++) {
            assertThat(shown[i]).isCloseTo(alone[i], within(1e-4f));
        }
    }

    @Test
    void proofLooksIntoIt() {
        Shot thin = Studio.shot(Studio.word("word", "LAST TRAM HOME", 30));
        Layer aside = nested(thin);
        Shot outer = Studio.shot(aside.withPlace(Place.at(new Point(20, 45))));
        Proof proof = Proof.of(outer, studio.planner, Bands.IN_TURN, () -> true).orElseThrow();
        assertThat(proof.findings()).anySatisfy(f -> {
            assertThat(f.check()).isEqualTo("frame-edge");
            assertThat(f.layers()).contains("n/word");
        });
        Reveal reveal =
                Reveal.of(outer, studio.planner, Bands.IN_TURN, () -> true).orElseThrow();
        assertThat(reveal.shares()).containsKey("n");
    }

    @Test
    void shotsThatAreShownAreFoundAndRenamed() {
        Shot outer = Studio.shot(nested(inner()));
        assertThat(Nesting.of(outer)).containsExactly("inner");
        assertThat(Nesting.of(Nesting.renamed(outer, id -> "other"))).containsExactly("other");
        assertThat(Nesting.filled(outer, id -> Optional.empty()))
                .isEqualTo(Studio.shot(nested(inner()).withContent(new Content.Nested("inner", Optional.empty()))));
        assertThat(Nesting.layers(outer)).isEqualTo(4);
        assertThat(RenderTest.visible(studio.render(Nesting.filled(outer, id -> Optional.empty()), 3)))
                .as("one that isn't there shows nothing")
                .isZero();
    }

    /** What a layer names comes along into another shot; what is there already isn't doubled. */
    @Test
    void layersAreCopiedWithWhatTheyName() {
        Shot from = inner();
        List<Layer> copied = LayerEdits.withNamed(from, List.of("box"));
        assertThat(copied).extracting(Layer::id).containsExactly("box", "word");
        Shot empty = Studio.shot(Studio.clip("rain"));
        Shot pasted =
                new LayerEdits.Paste(copied, List.of("box"), "p", Optional.of("rain")).apply(empty, studio.planner);
        assertThat(pasted.layers()).extracting(Layer::id).containsExactly("p-1", "p-2", "rain");
        assertThat(pasted.layers().get(0).cut().orElseThrow().by()).isEqualTo("p-2");
        assertThat(Studio.furthest(studio.render(pasted, 9), studio.render(from, 9)))
                .isLessThan(1e-6f);
        Shot same = new LayerEdits.Paste(copied, List.of("box"), "p", Optional.empty()).apply(from, studio.planner);
        assertThat(same.layers()).extracting(Layer::id).containsExactly("p-1", "box", "word", "rain");
        assertThat(same.layers().get(0).cut().orElseThrow().by()).isEqualTo("word");
    }
}

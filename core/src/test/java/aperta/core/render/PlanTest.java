package aperta.core.render;

import static aperta.core.render.Studio.box;
import static aperta.core.render.Studio.clip;
import static aperta.core.render.Studio.shot;
import static aperta.core.render.Studio.word;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.LetterLook;
import aperta.core.shot.Light;
import aperta.core.shot.Moment;
import aperta.core.shot.Paint;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Shutter;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Ease;
import aperta.core.time.Key;
import aperta.core.time.Signal;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class PlanTest {
    private final Studio studio = new Studio();

    @Test
    void aStepSaysWhereItHasAnything() {
        Shot small = shot(box("a", 50, 40, 20, 10, Colour.WHITE));
        assertThat(studio.planner.plan(new Moment(small, 0), 1).picture().domain())
                .isEqualTo(new Region(40, 35, 20, 10));
        assertThat(studio.planner.plan(new Moment(small, 0), 0.5).picture().domain())
                .isEqualTo(new Region(20, 17, 10, 6));
        assertThat(studio.planner
                        .plan(new Moment(shot(), 0), 1)
                        .picture()
                        .domain()
                        .isEmpty())
                .isTrue();
    }

    @Test
    void extentsAreThoseOfTheContent() {
        Shot shot = shot(word("w", "HILL", 40), clip("rain"), box("b", 0, 0, 30, 12, Colour.WHITE));
        Moment moment = new Moment(shot, 0);
        assertThat(studio.planner.extent(moment, "rain")).isEqualTo(Box.centred(160, 90));
        assertThat(studio.planner.extent(moment, "b")).isEqualTo(Box.centred(30, 12));
        assertThat(studio.planner.extent(moment, "w").width()).isBetween(30.0, 100.0);
    }

    @Test
    void aGroupsExtentHoldsItsLayers() {
        Layer group = Layer.of(
                "g",
                "g",
                new Content.Group(
                        List.of(box("a", 20, 20, 10, 10, Colour.WHITE), box("b", 60, 40, 10, 10, Colour.WHITE))),
                Span.of(0, 48),
                Place.at(new Point(0, 0)));
        assertThat(studio.planner.extent(new Moment(shot(group), 0), "g")).isEqualTo(new Box(15, 15, 65, 45));
    }

    @Test
    void framesAreRoundedToWholePixels() {
        assertThat(Planner.frame(Studio.SMALL, 0.25)).isEqualTo(new Region(0, 0, 40, 23));
        assertThat(Planner.frame(Studio.SMALL, 0.001)).isEqualTo(new Region(0, 0, 1, 1));
        assertThatThrownBy(() -> studio.planner.plan(new Moment(shot(), 0), 0)).hasMessageContaining("over 0");
    }

    @Test
    void halfSizeFramesAreReadAtHalfQualityAndWholeOnesWhenTheLayerIsLarge() {
        AtomicInteger level = new AtomicInteger();
        Sources sources = new Sources() {
            @Override
            public Info info(String media) {
                return new Info(media, 160, 90, Studio.SMALL.rate(), 48, false);
            }

            @Override
            public aperta.core.picture.Pixels frame(String media, long frame, int l) {
                level.set(l);
                return new aperta.core.picture.Packed(160 / l, 90 / l, 3, 8, new byte[160 * 90 * 3 / (l * l)]);
            }
        };
        Planner planner = new Planner(sources, id -> Studio.anton());
        Renderer renderer = new Renderer(Cache.NONE, aperta.core.picture.Bands.IN_TURN);
        Shot plain = shot(clip("rain"));
        renderer.show(planner.plan(new Moment(plain, 0), 0.5), 0);
        assertThat(level.get()).isEqualTo(2);
        Shot large = plain.changing("rain", l -> l.withPlace(l.place().withScale(Animated.of(new Point(2, 2)))));
        renderer.show(planner.plan(new Moment(large, 0), 0.5), 0);
        assertThat(level.get()).isEqualTo(1);
    }

    /** Lines of black and white are a grey of half of the light, at every size: no jump where frames come reduced. */
    @ParameterizedTest
    @EnumSource(Light.class)
    void aPatternKeepsItsMeanInTheShotsLightWhateverItsSize(Light light) {
        Sources lines = new Sources() {
            @Override
            public Info info(String media) {
                return new Info(media, 160, 90, Studio.SMALL.rate(), 48, false);
            }

            @Override
            public aperta.core.picture.Pixels frame(String media, long frame, int level) {
                byte[] data = new byte[160 * 90 * 3];
                for (int i = 0; i < data.length; i++) {
                    data[i] = (byte) (i / 3 % 2 == 0 ? 255 : 0);
                }
                aperta.core.picture.Packed whole = new aperta.core.picture.Packed(160, 90, 3, 8, data);
                return level == 1 ? whole : whole.reduced(level);
            }
        };
        Planner planner = new Planner(lines, id -> Studio.anton());
        Renderer renderer = new Renderer(Cache.NONE, aperta.core.picture.Bands.IN_TURN);
        Shot plain = shot(clip("rain"));
        Shot shot = new Shot("test", new Format(160, 90, Studio.SMALL.rate(), light), 48, plain.layers());
        // IEC 61966-2-1: half of the light is the code 187.5; BT.709-6, item 1.2: 179.8.
        double expected = switch (light) {
            case DISPLAY -> 127.5;
            case LINEAR_SRGB -> 187.5;
            case LINEAR_BT709 -> 179.8;
        };
        for (double scale : new double[] {0.5, 0.25, 0.125}) {
            byte[] rgba = renderer.show(planner.plan(new Moment(shot, 0), scale), 0)
                    .rgba(aperta.core.picture.Bytes.See.PICTURE);
            assertThat((double) (rgba[4 * 45] & 0xff)).as("at %s", scale).isCloseTo(expected, within(1.1));
        }
    }

    /** What swings to and fro once while the shutter is open is where it was at its beginning, middle and end. */
    /**
     * A box of 12 pixels that crosses the frame in one: each column is covered for 12 of the 320 pixels that the box travels,
     * also where the first samples show nothing of it.
     */
    @ParameterizedTest
    @ValueSource(doubles = {0, 1})
    void whatCrossesTheFrameWhileTheShutterIsOpenIsSpreadEvenly(double blur) {
        Animated<Point> crossing = new Animated<>(
                new Point(-80, 45),
                List.of(new Key<>(3, new Point(-80, 45), Ease.LINEAR), new Key<>(4, new Point(240, 45), Ease.LINEAR)));
        Layer box = box("b", 0, 45, 12, 90, Colour.WHITE);
        Layer moving = box.withPlace(box.place().withPosition(crossing).withBlur(Animated.of(blur)))
                .withMotionBlur(true);

        Picture p = studio.render(shot(moving).withShutter(new Shutter(360, 0)), 3);

        double mean = 0;
        for (int x = 5; x < 155; x++) {
            mean += p.at(x, 45)[3] / 150;
        }
        assertThat(mean).isCloseTo(12 / 320.0, within(0.002));
    }

    @Test
    void aSwingAsLongAsTheShutterIsOpenIsBlurred() {
        Recipe swing = Recipe.of(Signal.of("swing").descriptor(), Map.of("amount", 30.0, "period", 1.0, "axis", "x"));
        Layer still = box("b", 80, 45, 10, 40, Colour.WHITE).withMotionBlur(true);
        Layer moving = still.withPlace(
                still.place().withPosition(still.place().position().withSignals(List.of(swing))));
        Picture p = studio.render(shot(moving).withShutter(new Shutter(360, 0)), 3);
        assertThat(p.at(80, 45)[3]).as("not there all of the time").isLessThan(0.8f);
        assertThat(p.at(105, 45)[3]).as("there for some of it").isGreaterThan(0.1f);
        assertThat(p.at(55, 45)[3]).isGreaterThan(0.1f);
    }

    @Test
    void gradientsAndEdgesAreSeen() {
        Layer sky = Layer.of(
                "s",
                "s",
                new Content.Fill(
                        Animated.of(new Point(160, 90)),
                        new Paint.Linear(
                                Animated.of(new Point(0, -45)),
                                Animated.of(new Point(0, 45)),
                                List.of(Paint.Stop.of("s1", 0, Colour.BLACK), Paint.Stop.of("s2", 1, Colour.WHITE)))),
                Span.of(0, 48),
                Place.at(Studio.SMALL.centre()));
        Picture p = studio.render(shot(sky), 0);
        for (int y = 1; y < 90; y++) {
            assertThat(p.at(80, y)[0]).isGreaterThan(p.at(80, y - 1)[0]);
        }
        Content.Text edged = ((Content.Text) word("w", "I", 80).content())
                .with(LetterLook.Measure.EDGE_WIDTH, Animated.of(6.0))
                .with(LetterLook.Measure.FILL_OPACITY, Animated.of(0.0));
        edged = edged.withLook(edged.look().withEdge(Animated.of(new Colour(1, 0, 0, 1))));
        Picture e = studio.render(shot(word("w", "I", 80).withContent(edged)), 0);
        assertThat(e.at(80, 45)[3]).as("the letter's inside is clear").isZero();
        assertThat(RenderTest.visible(e)).isGreaterThan(300);
    }

    @Test
    void keysHaveTheirOwnTimeWithinTheLayer() {
        Layer late = box("a", 0, 45, 10, 10, Colour.WHITE).withSpan(new Span(20, 10, 5));
        Moment moment = new Moment(shot(late), 22);
        assertThat(moment.of("a").frame()).isEqualTo(7);
        assertThat(moment.of("a").exists()).isTrue();
        assertThat(new Moment(shot(late), 30).of("a").exists()).isFalse();
        assertThatThrownBy(() -> moment.of("q")).hasMessageContaining("no layer 'q'");
    }

    @Test
    void contentKeysDependOnEverythingInOrder() {
        ContentKey one = ContentKey.of("k").number(1).number(2).key();
        assertThat(ContentKey.of("k").number(1).number(2).key()).isEqualTo(one);
        assertThat(ContentKey.of("k").number(2).number(1).key()).isNotEqualTo(one);
        assertThat(ContentKey.of("j").number(1).number(2).key()).isNotEqualTo(one);
        assertThat(ContentKey.of("k").text("ab").text("c").key())
                .isNotEqualTo(ContentKey.of("k").text("a").text("bc").key());
        assertThat(one.toString()).hasSize(32);
    }

    @Test
    void everyBandIsDoneOnceWhateverTheThreads() {
        for (int threads : new int[] {1, 3}) {
            try (Workers workers = new Workers(threads)) {
                int[] rows = new int[101];
                workers.run(101, 7, (from, to) -> {
                    for (int y = from; y < to; y++) {
                        rows[y]++;
                    }
                });
                assertThat(rows).containsOnly(1);
                workers.run(0, 7, (from, to) -> {
                    throw new IllegalStateException("There is nothing to do.");
                });
            }
        }
    }

    @Test
    void turnedFootageKeepsItsMean() {
        Shot turned = shot(clip("rain"))
                .changing(
                        "rain",
                        l -> l.withPlace(l.place()
                                .withRotation(Animated.of(30.0))
                                .withScale(Animated.of(new Point(0.45, 0.45)))));
        Picture p = studio.render(turned, 1);
        assertThat(RenderTest.visible(p)).isCloseTo(160 * 90 * 0.45 * 0.45, within(160 * 90 * 0.45 * 0.45 * 0.01));
    }
}

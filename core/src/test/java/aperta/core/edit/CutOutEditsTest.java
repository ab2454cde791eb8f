package aperta.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.colour.Colour;
import aperta.core.geometry.Point;
import aperta.core.picture.Picture;
import aperta.core.render.Studio;
import aperta.core.shot.BrushStroke;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.CutOut;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Light;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.shot.Track;
import aperta.core.time.Animated;
import aperta.core.time.Rate;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** A figure is cut out of a clip, goes along with it, and layers are put behind it. */
class CutOutEditsTest {
    private static final Track.Clip CLIP = new Track.Clip(160, 90, Rate.of(24));

    private final Studio studio = new Studio();

    private Shot apply(Shot shot, Edit edit) {
        return Rules.demand(edit.apply(shot, studio.planner));
    }

    private static Layer title() {
        return Studio.box("title", 80, 45, 160, 20, Colour.WHITE);
    }

    /** A title over a clip, and a figure of it that is known on frames 4 to 23 of the clip. */
    private Shot figure() {
        Shot shot = Studio.shot(title(), Studio.clip(Studio.SMOOTH));
        shot = apply(shot, new CutOutEdits.Add(Studio.SMOOTH, "f"));
        CutOut.Carried carried = new CutOut.Carried(
                Studio.COVERAGE, CLIP, 4, Collections.nCopies(20, 0.9), Collections.nCopies(20, 0.4));
        return apply(shot, new CutOutEdits.SetCarried("f", carried));
    }

    private static CutOut cutOut(Shot shot) {
        return ((Content.Footage) shot.layer("f").orElseThrow().content())
                .cutOut()
                .orElseThrow();
    }

    @Test
    void aFigureLiesAboveItsClipAndHasItAsParent() {
        Shot shot = apply(Studio.shot(title(), Studio.clip(Studio.SMOOTH)), new CutOutEdits.Add(Studio.SMOOTH, "f"));
        assertThat(shot.layers()).extracting(Layer::id).containsExactly("title", "f", Studio.SMOOTH);
        assertThat(shot.layer("f").orElseThrow().parent()).contains(Studio.SMOOTH);
        assertThat(shot.layer("f").orElseThrow().name()).isEqualTo("Figure of smooth");
        assertThat(shot.layer("f").orElseThrow().content().files()).containsExactly(Studio.SMOOTH);
    }

    @Test
    void aFigureOfWhichNothingIsKnownShowsNothing() {
        Shot shot = apply(Studio.shot(Studio.clip(Studio.SMOOTH)), new CutOutEdits.Add(Studio.SMOOTH, "f"));
        Shot alone = shot.changing(Studio.SMOOTH, l -> l.withHidden(true));
        assertThat(studio.render(alone, 5).at(80, 45)[3]).isZero();
    }

    @Test
    void onlyTheFigureIsSeenWhereItIsKnown() {
        Shot shot =
                figure().changing(Studio.SMOOTH, l -> l.withHidden(true)).changing("title", l -> l.withHidden(true));
        Picture known = studio.render(shot, 14);
        // The coverage's frame 10: whole from 50 to 110, half as far as 130.
        assertThat(known.at(49, 45)[3]).isZero();
        assertThat(known.at(50, 45)[3]).isEqualTo(1);
        assertThat(known.at(109, 45)[3]).isEqualTo(1);
        assertThat(known.at(120, 45)[3]).isCloseTo(128 / 255f, within(1e-4f));
        assertThat(known.at(131, 45)[3]).isZero();
        Picture plain = studio.render(Studio.shot(Studio.clip(Studio.SMOOTH)), 14);
        assertThat(known.at(80, 45)).containsExactly(plain.at(80, 45), within(1e-6f));
        assertThat(studio.render(shot, 3).at(80, 45)[3]).isZero();
        assertThat(studio.render(shot, 24).at(80, 45)[3]).isZero();
    }

    @Test
    void itsCoverageStaysAsItIsWhereLightIsAddedAsLight() {
        Shot shot =
                figure().changing(Studio.SMOOTH, l -> l.withHidden(true)).changing("title", l -> l.withHidden(true));
        Shot light = new Shot(
                shot.name(), new Format(160, 90, Rate.of(24), Light.LINEAR_BT709), shot.length(), shot.layers());
        assertThat(studio.render(light, 14).at(120, 45)[3]).isCloseTo(128 / 255f, within(1e-3f));
    }

    @Test
    void theEdgeIsMovedAndSoftened() {
        Shot shot =
                figure().changing(Studio.SMOOTH, l -> l.withHidden(true)).changing("title", l -> l.withHidden(true));
        Shot wider = shot.changing(
                "f",
                l -> l.withContent(((Content.Footage) l.content())
                        .withCutOut(Optional.of(cutOut(shot).withTone(Cut.Tone.PLAIN.withSpread(Animated.of(4.0)))))));
        assertThat(studio.render(wider, 14).at(47, 45)[3]).isEqualTo(1);
        assertThat(studio.render(wider, 14).at(44, 45)[3]).isZero();
        Shot soft = shot.changing(
                "f",
                l -> l.withContent(((Content.Footage) l.content())
                        .withCutOut(Optional.of(cutOut(shot).withTone(Cut.Tone.PLAIN.withBlur(Animated.of(3.0)))))));
        assertThat(studio.render(soft, 14).at(50, 45)[3]).isBetween(0.4f, 0.7f);
    }

    /** The colours of the edge come from inside: they are those of where the figure is whole, not of what lies behind it. */
    @Test
    void theEdgeIsCleanedOfTheBackground() {
        Shot shot =
                figure().changing(Studio.SMOOTH, l -> l.withHidden(true)).changing("title", l -> l.withHidden(true));
        Picture picture = studio.render(shot, 14);
        Picture plain = studio.render(Studio.shot(Studio.clip(Studio.SMOOTH)), 14);
        // Half covered from 110 on: half its own colour, half that of what is whole before it.
        float alpha = 128 / 255f;
        float within = 0;
        float weight = 0;
        for (int x = 90; x < 110; x++) {
            double d = (x - 112) / 5.0;
            float w = (float) Math.exp(-d * d / 2);
            within += w * plain.at(x, 45)[0];
            weight += w;
        }
        float mixed = alpha * plain.at(112, 45)[0] + (1 - alpha) * within / weight;
        assertThat(picture.at(112, 45)[0]).isCloseTo(alpha * mixed, within(0.01f));
        assertThat(picture.at(112, 45)[3]).isCloseTo(alpha, within(1e-4f));
        Shot asItIs = shot.changing(
                "f",
                l -> l.withContent(((Content.Footage) l.content())
                        .withCutOut(Optional.of(cutOut(shot).withClean(Animated.of(0.0))))));
        assertThat(studio.render(asItIs, 14).at(112, 45)[0]).isCloseTo(alpha * plain.at(112, 45)[0], within(1e-4f));
    }

    @Test
    void theFigureGoesAlongWithItsClip() {
        Shot shot =
                figure().changing(Studio.SMOOTH, l -> l.withHidden(true)).changing("title", l -> l.withHidden(true));
        Shot moved = shot.changing(
                Studio.SMOOTH, l -> l.withPlace(l.place().withPosition(Animated.of(new Point(80 + 20, 45)))));
        assertThat(studio.render(moved, 14).at(69, 45)[3]).isZero();
        assertThat(studio.render(moved, 14).at(71, 45)[3]).isEqualTo(1);
    }

    @Test
    void aTitleIsPutBehindIt() {
        Shot shot = apply(figure(), new CutOutEdits.PutBehind("title", "f"));
        assertThat(shot.layer("f").orElseThrow().hidden()).isTrue();
        Picture plain = studio.render(Studio.shot(Studio.clip(Studio.SMOOTH)), 14);
        Picture picture = studio.render(shot, 14);
        assertThat(picture.at(80, 45)).containsExactly(plain.at(80, 45), within(1e-6f));
        assertThat(picture.at(30, 45)[0]).isEqualTo(1);
        assertThat(picture.at(120, 45)[0]).isBetween(plain.at(120, 45)[0], 1f);
        // Where nothing is known of the figure, nothing hides the title.
        assertThat(studio.render(shot, 30).at(80, 45)[0]).isEqualTo(1);
        assertThatThrownBy(() -> apply(shot, new CutOutEdits.PutBehind("f", "f")))
                .hasMessageContaining("behind itself");
        assertThatThrownBy(() -> apply(shot, new CutOutEdits.PutBehind("title", Studio.SMOOTH)))
                .hasMessageContaining("No figure is cut out");
    }

    /** Strokes are kept in the clip's own pixels and frames, whatever is done to the layer. */
    @Test
    void strokesAreKeptInTheClip() {
        Shot shot = Studio.shot(Studio.clip(Studio.SMOOTH).withSpan(new Span(10, 30, 4)));
        shot = shot.changing(Studio.SMOOTH, l -> l.withPlace(l.place().withScale(Animated.of(new Point(0.5, 0.5)))));
        shot = apply(shot, new CutOutEdits.Add(Studio.SMOOTH, "f"));
        shot = apply(shot, new CutOutEdits.Brush("f", true, 5, List.of(new Point(80, 45), new Point(90, 45)), 12));
        BrushStroke stroke = cutOut(shot).strokes().get(0);
        assertThat(stroke.frame()).isEqualTo(6);
        assertThat(stroke.radius()).isCloseTo(10, within(1e-9));
        assertThat(stroke.path().get(0).x()).isCloseTo(80, within(1e-9));
        assertThat(stroke.path().get(1).x()).isCloseTo(100, within(1e-9));
        assertThat(cutOut(apply(shot, new CutOutEdits.Unbrush("f", 5))).strokes())
                .hasSize(1);
        assertThat(cutOut(apply(shot, new CutOutEdits.Unbrush("f", 6))).strokes())
                .isEmpty();
    }

    @Test
    void nonsenseIsRefused() {
        Shot shot = Studio.shot(title(), Studio.clip(Studio.SMOOTH));
        assertThatThrownBy(() -> apply(shot, new CutOutEdits.Add("title", "f"))).hasMessageContaining("not a clip");
        assertThatThrownBy(() -> apply(shot, new CutOutEdits.Brush(Studio.SMOOTH, true, 5, List.of(Point.ORIGIN), 0)))
                .hasMessageContaining("No figure is cut out of 'smooth'");
        assertThatThrownBy(() -> new BrushStroke(-1, true, 5, List.of(Point.ORIGIN)))
                .hasMessageContaining("from 0 on");
        assertThatThrownBy(() -> new BrushStroke(0, true, 5, List.of())).hasMessageContaining("from 1 to 2000 points");
        assertThatThrownBy(() -> new BrushStroke(0, true, 0.5, List.of(Point.ORIGIN)))
                .hasMessageContaining("1 to 400");
        assertThatThrownBy(() -> new BrushStroke(0, true, 5, List.of(new Point(Double.NaN, 0))))
                .hasMessageContaining("numbers");
        assertThatThrownBy(() -> new CutOut.Carried("m", CLIP, 0, List.of(), List.of()))
                .hasMessageContaining("one frame");
        assertThatThrownBy(() -> new CutOut.Carried("m", CLIP, 0, List.of(1.5), List.of(0.1)))
                .hasMessageContaining("0 and 1");
        assertThatThrownBy(() -> new CutOut.Carried("m", CLIP, 0, List.of(0.5), List.of()))
                .hasMessageContaining("an area");
    }
}

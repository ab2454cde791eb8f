package aperta.media.project;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Point;
import aperta.core.shot.Cut;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Passage;
import aperta.core.shot.Shot;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** What the demo's lower third promises, in numbers. */
class SeeYouTest {
    private final Shot shot = ShotFile.read(Path.of("../demo/see-you.json")).shot();

    /** The first frame on which a layer rests. */
    private long lands(String id) {
        Layer l = shot.layer(id).orElseThrow();
        Passage p = l.arrive().orElseThrow();
        return l.span().in() + p.delay() + p.length();
    }

    @Test
    void theCardLandsFiveFramesBeforeItsWords() {
        assertThat(lands("name") - lands("card")).isEqualTo(5);
        assertThat(lands("line") - lands("card")).isEqualTo(5);
        long card = lands("card");
        assertThat(rightEdge(card)).isEqualTo(rightEdge(60));
        assertThat(rightEdge(card - 3)).isNotEqualTo(rightEdge(60));
    }

    private Point rightEdge(long frame) {
        return new Moment(shot, frame).of("card").toShot().apply(new Point(320, 0));
    }

    @Test
    void theCardOpensFromALineAndTheWordsAreSeenOnlyOnIt() {
        Layer card = shot.layer("card").orElseThrow();
        Moment first = new Moment(shot, card.span().in());
        assertThat(first.of("card").toShot().applyVector(new Point(640, 0)).length())
                .isLessThan(8);
        assertThat(card.motionBlur()).isTrue();
        for (String word : new String[] {"name", "line"}) {
            Layer l = shot.layer(word).orElseThrow();
            assertThat(l.cut()).contains(new Cut("card", Cut.With.SHAPE, Cut.Keep.INSIDE));
            assertThat(l.motionBlur()).isTrue();
        }
        Passage arrival = shot.layer("name").orElseThrow().arrive().orElseThrow();
        assertThat(arrival.opening().orElseThrow().kind()).isEqualTo("cascade");
    }
}

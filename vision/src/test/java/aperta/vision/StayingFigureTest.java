package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** The wall behind somebody who stays in front of it, which is known by construction. */
class StayingFigureTest {
    private static final int AT = 14;
    private static final int BY = 2;
    private static final int LAST = MadeFigure.FRAMES - 1;

    private static Shape shape(MadeFigure clip, ClipFilm film) {
        FigureFinder finder = new FigureFinder(film, AT, AT + 1);
        return finder.again(AT, clip.coverage(AT), Optional.empty()).orElseThrow();
    }

    private static boolean stays(MadeFigure clip) {
        ClipFilm film = new ClipFilm(clip, "made", 1);
        Shape shape = shape(clip, film);
        CleanPlate plate = new CleanPlate(new PlateFrames(film, 0, LAST, BY));
        Colours all = film.reduced(AT, BY);
        Region part = shape.part();
        return StayingFigure.stays(shape, ShapeCarrier.cut(all, part), plate.small(AT, all, part));
    }

    @Test
    void whoWalksByDoesntStay() {
        assertThat(stays(new MadeFigure(false))).isFalse();
        assertThat(stays(new MadeFigure(true))).isTrue();
    }

    @Test
    void whatIsUncoveredIsTheWallAndTheRestIsUnknown() {
        MadeFigure clip = new MadeFigure(true);
        ClipFilm film = new ClipFilm(clip, "made", 1);
        PlateFrames frames = new PlateFrames(film, 0, LAST, BY);
        Shape shape = shape(clip, film);
        CleanPlate before = new CleanPlate(frames);
        CleanPlate after = new CleanPlate(new StayingFigure(film, frames).without(AT, shape));
        List<Matte> truth = new ArrayList<>();
        for (int k = 0; k < frames.count(); k++) {
            truth.add(clip.coverage(frames.number(k)));
        }
        Colours all = film.reduced(AT, BY);
        Region picture = new Region(0, 0, all.width(), all.height());
        CleanPlate.Part was = before.small(AT, all, picture);
        CleanPlate.Part is = after.small(AT, all, picture);
        int hidden = 0;
        int taken = 0;
        int uncovered = 0;
        int known = 0;
        double wrongBefore = 0;
        double wrong = 0;
        for (int i = 0; i < all.width() * all.height(); i++) {
            int x = i % all.width() * BY;
            int y = i / all.width() * BY;
            long shown = truth.stream().filter(m -> m.at(x, y) == 0).count();
            long covered = truth.stream().filter(m -> m.at(x, y) == 1).count();
            if (covered == truth.size()) {
                hidden++;
                taken += is.known(i) ? 1 : 0;
            } else if (shown >= 4 && covered >= 8) {
                uncovered++;
                double wall = wall(clip.wall(), x, y);
                wrongBefore += Math.abs(was.colours().brightness(i) - wall) > 10 ? 1 : 0;
                known += is.known(i) ? 1 : 0;
                wrong += is.known(i) && Math.abs(is.colours().brightness(i) - wall) > 10 ? 1 : 0;
            }
        }
        assertThat(hidden).isGreaterThan(5000);
        assertThat(taken).isLessThan(hidden / 20);
        assertThat(uncovered).isGreaterThan(1000);
        assertThat(known).isGreaterThan(uncovered / 2);
        assertThat(wrongBefore / uncovered).isGreaterThan(0.3);
        assertThat(wrong / known).isLessThan(0.05);
    }

    private static double wall(Colours wall, int x, int y) {
        double sum = 0;
        for (float[] channel : wall.channels()) {
            for (int i = 0; i < BY * BY; i++) {
                sum += channel[(y + i / BY) * MadeFigure.W + x + i % BY];
            }
        }
        return sum / (3 * BY * BY);
    }
}

package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Words and lines arrive at the desk in every order and manner; what has come on which frame is counted in points. */
class LettersTest {
    private static final int LENGTH = 24;

    @Test
    void wordsAndLinesArriveInEveryOrderAndManner() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Orrin Hill");
            desk.newShot("Letters", 640, 360, "72");
            desk.add("Text");
            desk.words("LAST TRAM\nORRIN HILL");
            List<Rectangle> words = words(desk.picture(60));
            assertThat(words).hasSize(4);
            cascade(desk);
            orders(desk, words);
            manners(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    /** One piece after another, each of which only comes into sight where it rests. */
    private static void cascade(Desk desk) {
        desk.stance("Arrive");
        desk.button("Choose an opening…").click();
        desk.page.getByTestId("opening-cascade").click();
        desk.saved();
        desk.press("Escape");
        desk.number("Length of the arrival", Integer.toString(LENGTH));
        desk.number("Overlap", "0");
        desk.number("From, down", "0");
    }

    private static void orders(Desk desk, List<Rectangle> words) {
        desk.choose("By", "words");
        assertThat(there(desk, words, 0)).containsExactly(0, 0, 0, 0);
        assertThat(there(desk, words, LENGTH / 4)).containsExactly(1, 0, 0, 0);
        assertThat(there(desk, words, LENGTH / 2)).containsExactly(1, 1, 0, 0);
        assertThat(there(desk, words, LENGTH)).containsExactly(1, 1, 1, 1);
        desk.choose("Order", "backward");
        assertThat(there(desk, words, LENGTH / 4)).containsExactly(0, 0, 0, 1);
        desk.choose("Order", "from the middle");
        assertThat(there(desk, words, LENGTH / 2)).containsExactly(0, 1, 1, 0);
        desk.choose("Order", "random");
        for (int n = 1; n <= 4; n++) {
            int came = n;
            assertThat(Arrays.stream(there(desk, words, n * LENGTH / 4L)).filter(w -> w == 1))
                    .as("words at random after %d turns", n)
                    .hasSize(came);
        }
        int[] first = there(desk, words, LENGTH / 4);
        assertThat(there(desk, words, LENGTH / 4)).as("the same at each look").isEqualTo(first);
        desk.choose("Order", "forward");
        desk.choose("By", "lines");
        assertThat(there(desk, words, LENGTH / 2)).containsExactly(1, 1, 0, 0);
        // They overlap by half: while the second comes, the first hasn't ended.
        desk.number("Overlap", "50");
        double[] part = shares(desk, words, LENGTH / 2);
        assertThat(part[0]).isBetween(0.5, 0.999);
        assertThat(part[2]).isBetween(0.001, 0.5);
    }

    /** In full sight from the beginning on, but smaller, turned, elsewhere, or soft. */
    private static void manners(Desk desk) {
        desk.choose("By", "letters");
        desk.page.getByLabel("Fades").click();
        desk.saved();
        BufferedImage rest = desk.picture(60);
        double all = ink(rest, whole(rest));
        assertThat(ink(desk.picture(0), whole(rest))).isCloseTo(all, within(all * 0.001));
        desk.number("Scaled", "50");
        assertThat(ink(desk.picture(0), whole(rest)))
                .as("a letter of half the size has a quarter of the area")
                .isCloseTo(all / 4, within(all * 0.01));
        desk.number("Scaled", "100");
        desk.number("From, across", "-40");
        desk.number("From, down", "30");
        Rectangle at = bounds(rest);
        Rectangle away = bounds(desk.picture(0));
        assertThat(away.x).isCloseTo(at.x - 40, within(1));
        assertThat(away.y).isCloseTo(at.y + 30, within(1));
        desk.number("From, across", "0");
        desk.number("From, down", "0");
        desk.number("Turned", "180");
        BufferedImage turned = desk.picture(0);
        assertThat(ink(turned, whole(rest))).as("turned, not changed").isCloseTo(all, within(all * 0.01));
        assertThat(gone(rest, turned)).isGreaterThan(all * 0.05);
        desk.number("Turned", "0");
        desk.number("Blurred", "12");
        BufferedImage soft = desk.picture(0);
        assertThat(ink(soft, whole(rest)))
                .as("spread; where soft edges lie over each other they hide a little of each other")
                .isBetween(all * 0.85, all);
        assertThat(bounds(soft).width).isGreaterThan(at.width + 12);
        assertThat(gone(desk.picture(LENGTH), rest))
                .as("at rest at the end, but for the seams of letters that touch")
                .isLessThan(all * 0.001);
    }

    /** Which words are wholly there (1) and which aren't at all (0); one on its way is neither. */
    private static int[] there(Desk desk, List<Rectangle> words, long frame) {
        return Arrays.stream(shares(desk, words, frame))
                .mapToInt(s -> s > 0.998 ? 1 : s < 0.002 ? 0 : -1)
                .toArray();
    }

    private static double[] shares(Desk desk, List<Rectangle> words, long frame) {
        BufferedImage now = desk.picture(frame);
        BufferedImage rest = desk.picture(60);
        return words.stream().mapToDouble(w -> ink(now, w) / ink(rest, w)).toArray();
    }

    /** Two lines of two words each, by the rows without ink and the widest gap of a line. */
    private static List<Rectangle> words(BufferedImage rest) {
        List<Rectangle> words = new ArrayList<>();
        for (int[] line : runs(rest.getHeight(), y -> ink(rest, new Rectangle(0, y, rest.getWidth(), 1)) > 0)) {
            int high = line[1] - line[0];
            List<int[]> letters = runs(rest.getWidth(), x -> ink(rest, new Rectangle(x, line[0], 1, high)) > 0);
            int widest = IntStream.range(1, letters.size())
                    .boxed()
                    .max((a, b) -> Integer.compare(gap(letters, a), gap(letters, b)))
                    .orElseThrow();
            int end = letters.get(letters.size() - 1)[1];
            words.add(new Rectangle(letters.get(0)[0], line[0], letters.get(widest - 1)[1] - letters.get(0)[0], high));
            words.add(new Rectangle(letters.get(widest)[0], line[0], end - letters.get(widest)[0], high));
        }
        return words;
    }

    private static int gap(List<int[]> runs, int before) {
        return runs.get(before)[0] - runs.get(before - 1)[1];
    }

    private static List<int[]> runs(int length, IntPredicate inked) {
        List<int[]> runs = new ArrayList<>();
        for (int i = 0; i < length; i++) {
            if (inked.test(i) && (i == 0 || !inked.test(i - 1))) {
                runs.add(new int[] {i, i + 1});
            } else if (inked.test(i)) {
                runs.get(runs.size() - 1)[1] = i + 1;
            }
        }
        return runs;
    }

    private static Rectangle whole(BufferedImage image) {
        return new Rectangle(0, 0, image.getWidth(), image.getHeight());
    }

    private static Rectangle bounds(BufferedImage image) {
        Rectangle found = null;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                if (alpha(image, x, y) > 2) {
                    Rectangle one = new Rectangle(x, y, 1, 1);
                    found = found == null ? one : found.union(one);
                }
            }
        }
        return found;
    }

    /** How many points are covered. */
    private static double ink(BufferedImage image, Rectangle in) {
        double sum = 0;
        for (int y = in.y; y < in.y + in.height; y++) {
            for (int x = in.x; x < in.x + in.width; x++) {
                sum += alpha(image, x, y) / 255.0;
            }
        }
        return sum;
    }

    /** How much of what the first covers isn't covered by the second. */
    private static double gone(BufferedImage first, BufferedImage second) {
        double sum = 0;
        for (int y = 0; y < first.getHeight(); y++) {
            for (int x = 0; x < first.getWidth(); x++) {
                sum += Math.max(0, alpha(first, x, y) - alpha(second, x, y)) / 255.0;
            }
        }
        return sum;
    }

    private static int alpha(BufferedImage image, int x, int y) {
        return image.getRGB(x, y) >>> 24;
    }
}

package aperta.core.ink;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.Opened;
import aperta.core.shot.Stroke;
import aperta.core.time.Chance;
import aperta.core.type.Pieces;
import aperta.core.type.Setting;
import aperta.core.type.Typeface;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Words of the shelf's fonts as a pen writes them. */
class InkOfFontsTest {
    private static final Path SHELF = Path.of("../media/src/main/resources/fonts");
    private static final Map<String, Typeface> FACES = new ConcurrentHashMap<>();

    private static final String WORDS = "see you at\nthe last stop";

    /** Every letter of the alphabet and every digit. */
    private static final List<String> ALL = List.of("the quick brown fox", "jumps over", "a lazy dog", "0123456789");

    /** A pixel, and what whole pixels and steps from one to another are off by over ways as long as these letters' pens are wide. */
    private static final double MEASURED = 1 + 0.8;

    /** The typewriter face is rough: thousands of segments. */
    private static final String ROUGH = "special-elite";

    /**
     * Start and end of each stroke at a size of 200 px, in the order in which they are found; looked at by eye, one by one. A mark stands
     * before those whose order or direction isn't how a hand would write them.
     */
    private static final String GREAT_VIBES =
            "!-268,-62>-210,-64 -254,-42>-224,-115 -244,-106>-246,-43 -205,-74>-107,-77 "
                    + "-41,-108>-28,-80 -4,-108>4,-66 42,-106>42,-106 43,-63>73,-69 103,-108>108,-67 138,-108>143,-78 "
                    + "234,-100>214,-67 237,-94>247,-65 288,-145>289,-78 247,-112>290,-113 -274,95>-297,210 "
                    + "-254,121>-299,202 -278,174>-220,135 -234,147>-160,162 -320,127>-258,127 -120,158>-85,177 "
                    + "-26,141>-45,173 !-23,146>41,175 -3,198>27,125 7,134>5,197 82,95>82,162 40,128>84,127 "
                    + "!110,178>169,175 125,198>155,125 135,134>133,197 210,95>210,174 !249,176>273,193 "
                    + "290,132>243,255 169,127>212,127";

    private static final String ANTON = "-328,-151>-400,-88 -296,-113>-231,-65 -199,-113>-141,-91 -60,-181>-34,-53 "
            + "-7,-181>-75,-20 70,-167>70,-167 136,-181>185,-58 188,-181>192,-34 334,-174>337,-34 "
            + "330,-120>330,-58 386,-206>386,-33 -475,34>-475,207 -420,34>-420,205 -418,82>-368,205 "
            + "-319,128>-265,149 -174,34>-174,206 -141,82>-71,206 -78,120>-78,182 36,88>-38,152 "
            + "73,35>73,207 240,89>165,152 275,34>275,207 361,72>361,72 !432,183>430,230";

    private static final String CAVEAT = "-263,-100>-311,-59 -227,-94>-192,-71 -161,-94>-125,-69 -36,-127>-20,-74 "
            + "-6,-126>-81,-7 50,-117>50,-117 106,-122>138,-120 125,-77>138,-48 247,-118>247,-118 "
            + "251,-83>275,-70 345,-172>303,-37 286,-126>356,-131 -361,81>-355,170 -404,114>-345,113 "
            + "-298,60>-327,187 -323,161>-264,167 -236,146>-201,168 -90,70>-135,196 -57,122>-57,122 "
            + "-52,156>-28,169 28,140>-20,182 95,89>100,173 54,125>115,119 230,130>168,181 282,81>288,170 "
            + "239,114>297,113 343,123>343,123 !388,166>367,228";

    private static List<Outline> words(String words, String font, double size) {
        Setting setting = Setting.of(
                words,
                new Setting.Style(
                        Content.Align.CENTRE,
                        true,
                        List.of(new Setting.Letters(0, words.length(), font, size, 0, 1.2))),
                InkOfFontsTest::face);
        return Pieces.of(setting, words, Opened.Unit.WORDS).stream()
                .map(p -> p.setting().outline())
                .toList();
    }

    private static Typeface face(String font) {
        return FACES.computeIfAbsent(font, f -> {
            try {
                return Typeface.of(Files.readAllBytes(SHELF.resolve(f + ".ttf")));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    private static Outline together(List<Outline> words) {
        Outline all = Outline.NOTHING;
        for (Outline w : words) {
            all = all.and(w);
        }
        return all;
    }

    static Stream<Arguments> tables() {
        return Stream.of(
                Arguments.of("great-vibes", GREAT_VIBES), Arguments.of("anton", ANTON), Arguments.of("caveat", CAVEAT));
    }

    @ParameterizedTest
    @MethodSource("tables")
    void strokesAreThoseThatWereLookedAt(String font, String table) {
        List<Stroke> found = StrokeFinder.of(words(WORDS, font, 200));
        String[] wanted = table.split(" ");
        assertThat(found).hasSize(wanted.length);
        for (int i = 0; i < wanted.length; i++) {
            assertThat(isAs(found.get(i), wanted[i].replace("!", "")))
                    .as("stroke %d, %s", i + 1, wanted[i])
                    .isTrue();
        }
    }

    private static Point point(String s) {
        String[] parts = s.split(",");
        return new Point(Double.parseDouble(parts[0]), Double.parseDouble(parts[1]));
    }

    @Test
    void nineOfTenAreAsAHandWouldWriteThem() {
        int all = 0;
        int right = 0;
        for (Arguments table : tables().toList()) {
            List<Stroke> found = StrokeFinder.of(words(WORDS, (String) table.get()[0], 200));
            String[] wanted = ((String) table.get()[1]).split(" ");
            all += found.size();
            for (int i = 0; i < Math.min(wanted.length, found.size()); i++) {
                right += !wanted[i].startsWith("!") && isAs(found.get(i), wanted[i]) ? 1 : 0;
            }
        }
        assertThat(right / (double) all).isGreaterThanOrEqualTo(0.9);
    }

    private static boolean isAs(Stroke stroke, String wanted) {
        String[] ends = wanted.split(">");
        List<BezierPath.Knot> knots = stroke.line().knots();
        return knots.get(0).at().minus(point(ends[0])).length() < 4
                && knots.get(knots.size() - 1).at().minus(point(ends[1])).length() < 4;
    }

    static Stream<Arguments> faces() throws IOException {
        List<Arguments> all = new ArrayList<>();
        try (DirectoryStream<Path> fonts = Files.newDirectoryStream(SHELF, "*.ttf")) {
            for (Path font : fonts) {
                String id = font.getFileName().toString().replace(".ttf", "");
                for (int size : id.equals(ROUGH) ? new int[] {90} : new int[] {40, 90, 180}) {
                    all.add(Arguments.of(id, size));
                }
            }
        }
        return all.stream();
    }

    @ParameterizedTest
    @MethodSource("faces")
    void noFontLeaksAndEachIsWrittenWhole(String font, int size) {
        // The largest size with some of the letters only, for the time that it takes.
        for (String line : size > 100 ? List.of("quick fox", "0369") : ALL) {
            List<Outline> words = words(line, font, size);
            List<Stroke> strokes = StrokeFinder.of(words);
            assertThat(strokes).isNotEmpty();
            Inked inked = new Inked(together(words), strokes, 1);
            for (double share : new double[] {0.13, 0.37, 0.58, 0.81}) {
                assertThat(inked.leak(share))
                        .as("%s, %s at %s", font, line, share)
                        .isLessThan(MEASURED);
            }
            assertThat(inked.leastWritten(0)).isZero();
            assertThat(inked.leastWritten(1)).as(line).isEqualTo(1);
        }
    }

    /** Lines drawn at random over the letters: all of them is there at the end. */
    @Test
    void anyLinesWriteAllOfAWord() {
        Outline word = together(words("stop", "great-vibes", 120));
        for (int seed = 0; seed < 4; seed++) {
            List<Stroke> drawn = new ArrayList<>();
            for (int i = 0; i <= seed; i++) {
                drawn.add(Inked.stroke(
                        Integer.toString(i),
                        8,
                        new Point(300 * Chance.unit(seed, i, 1) - 150, 200 * Chance.unit(seed, i, 2) - 100),
                        new Point(300 * Chance.unit(seed, i, 3) - 150, 200 * Chance.unit(seed, i, 4) - 100)));
            }
            Inked inked = new Inked(word, drawn, 1);
            assertThat(inked.leastWritten(0)).isZero();
            assertThat(inked.leastWritten(1)).isEqualTo(1);
        }
    }
}

package aperta.media.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import aperta.core.time.Rate;
import aperta.media.ffmpeg.Clips;
import aperta.media.ffmpeg.Probe;
import aperta.media.footage.CoverageFile;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CommandLineTest {
    private static final String SHOT =
            "{\"aperta\": 1, \"media\": {\"clip\": {\"file\": \"clip.mp4\"}}, \"shot\": {\"name\":"
                    + " \"t\", \"format\": {\"width\": 160, \"height\": 90, \"rate\": \"24\"}, \"length\": 10, \"layers\": ["
                    + "{\"id\": \"w\", \"name\": \"w\", \"content\": {\"kind\": \"text\", \"words\": \"9\", \"font\": \"anton\","
                    + " \"size\": 60}, \"span\": {\"in\": 0, \"length\": 10}, \"place\": {\"position\": [80, 45]}},"
                    + "{\"id\": \"c\", \"name\": \"c\", \"content\": {\"kind\": \"footage\", \"media\": \"clip\"}, \"span\": {\"in\": 0,"
                    + " \"length\": 10}, \"place\": {\"position\": [80, 45]}}]}}";

    @TempDir
    Path folder;

    private final ByteArrayOutputStream words = new ByteArrayOutputStream();
    private Path shot;

    @BeforeEach
    void make() throws IOException {
        Clips.moving(folder.resolve("clip.mp4"), "160x90", "24", 12, "-c:v", "libx264", "-pix_fmt", "yuv420p");
        shot = Files.writeString(folder.resolve("shot.json"), SHOT);
    }

    private int run(String... args) {
        return new CommandLine(new PrintStream(words, true, StandardCharsets.UTF_8), folder.resolve("plates"))
                .run(List.of(args));
    }

    @Test
    void rendersH264OfTheExactLength() {
        Path out = folder.resolve("o.mp4");
        assertThat(run("render", shot.toString(), "-o", out.toString())).isZero();
        Probe probe = Probe.of(out);
        assertThat(probe.codec()).isEqualTo("h264");
        assertThat(probe.frames()).isEqualTo(10);
        assertThat(folder.resolve("o.mp4.part")).doesNotExist();
    }

    @Test
    void rendersPngFramesThatEqualSingleFrames() throws IOException {
        Path zip = folder.resolve("o.zip");
        assertThat(run("render", shot.toString(), "-o", zip.toString())).isZero();
        Path one = folder.resolve("one.png");
        assertThat(run("frame", shot.toString(), "--at", "7", "-o", one.toString()))
                .isZero();
        try (ZipFile file = new ZipFile(zip.toFile())) {
            assertThat(file.size()).isEqualTo(10);
            byte[] same = file.getInputStream(file.getEntry("frame-00007.png")).readAllBytes();
            assertThat(same).isEqualTo(Files.readAllBytes(one));
        }
    }

    @Test
    void aFrameMayBeReduced() throws IOException {
        Path one = folder.resolve("half.png");
        assertThat(run("frame", shot.toString(), "--at", "0", "--scale", "0.5", "-o", one.toString()))
                .isZero();
        assertThat(ImageIO.read(one.toFile()).getWidth()).isEqualTo(80);
    }

    /** The coverage of a figure travels with the clip that it is cut out of, and comes back to the bit. */
    @Test
    void aFigureCutOutOfAClipTravelsInAProjectFile() throws IOException {
        Path coverage = folder.resolve("figure.mkv");
        byte[] half = new byte[160 * 90];
        for (int i = 0; i < half.length; i++) {
            half[i] = (byte) (i % 160 < 80 ? 0 : i % 160 < 120 ? 51 : 255);
        }
        try (CoverageFile out = new CoverageFile(coverage, 160, 90, Rate.of(24))) {
            for (int i = 0; i < 4; i++) {
                out.write(half);
            }
            out.finish();
        }
        String cutOut = "\"cutOut\": {\"clean\": 0, \"carried\": {\"media\": \"figure\", \"clip\": {\"width\": 160,"
                + " \"height\": 90, \"rate\": \"24\"}, \"first\": 2, \"sure\": [1, 1, 1, 1], \"area\": [0.3, 0.3, 0.3, 0.3]}}";
        String figure = SHOT.replace(
                        "\"clip.mp4\"}", "\"media/clip.mp4\"}, \"figure\": {\"file\": \"media/figure.mkv\"}")
                .replace("\"media\": \"clip\"", "\"media\": \"clip\", " + cutOut);
        Path file = folder.resolve("figure.aperta");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            zip.putNextEntry(new ZipEntry("project.json"));
            zip.write(figure.getBytes(StandardCharsets.UTF_8));
            for (String media : List.of("clip.mp4", "figure.mkv")) {
                zip.putNextEntry(new ZipEntry("media/" + media));
                zip.write(Files.readAllBytes(folder.resolve(media)));
            }
        }
        Path to = folder.resolve("figure.png");
        assertThat(run("frame", file.toString(), "--at", "3", "-o", to.toString()))
                .as(words.toString())
                .isZero();
        BufferedImage seen = ImageIO.read(to.toFile());
        for (int y = 0; y < 90; y += 9) {
            assertThat(seen.getRGB(40, y) >>> 24).isZero();
            assertThat(seen.getRGB(100, y) >>> 24).isEqualTo(51);
            assertThat(seen.getRGB(140, y) >>> 24).isEqualTo(255);
        }
        assertThat(run("frame", file.toString(), "--at", "1", "-o", to.toString()))
                .isZero();
        assertThat(ImageIO.read(to.toFile()).getRGB(140, 40) >>> 24).isZero();
    }

    @Test
    void readsAProjectFile() throws IOException {
        Path file = folder.resolve("p.aperta");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            zip.putNextEntry(new ZipEntry("project.json"));
            zip.write(SHOT.replace("clip.mp4", "media/clip.mp4").getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("media/clip.mp4"));
            zip.write(Files.readAllBytes(folder.resolve("clip.mp4")));
        }
        assertThat(run(
                        "frame",
                        file.toString(),
                        "--at",
                        "3",
                        "-o",
                        folder.resolve("p.png").toString()))
                .isZero();
        assertThat(run(
                        "frame",
                        shot.toString(),
                        "--at",
                        "3",
                        "-o",
                        folder.resolve("q.png").toString()))
                .isZero();
        assertThat(Files.readAllBytes(folder.resolve("p.png"))).isEqualTo(Files.readAllBytes(folder.resolve("q.png")));
    }

    @Test
    void aZipThatNamesAPlaceOutsideIsRefused() throws IOException {
        Path file = folder.resolve("evil.aperta");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            zip.putNextEntry(new ZipEntry("project.json"));
            zip.write(SHOT.replace("clip.mp4", "../evil.txt").getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("../evil.txt"));
            zip.write(1);
        }
        assertThat(run("frame", file.toString(), "-o", folder.resolve("x.png").toString()))
                .isEqualTo(2);
        assertThat(words.toString(StandardCharsets.UTF_8)).contains("outside itself");
    }

    /** What the project doesn't name isn't unpacked, however large it says that it is. */
    @Test
    void whatAProjectDoesntNameStaysInIt() throws IOException {
        Path file = folder.resolve("bomb.aperta");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
            zip.putNextEntry(new ZipEntry("project.json"));
            zip.write(SHOT.getBytes(StandardCharsets.UTF_8));
            zip.putNextEntry(new ZipEntry("clip.mp4"));
            zip.write(Files.readAllBytes(folder.resolve("clip.mp4")));
            zip.putNextEntry(new ZipEntry("more"));
            zip.write(new byte[1 << 20]);
        }
        try (aperta.media.project.UnpackedProject project = new aperta.media.project.UnpackedProject(file)) {
            Path unpacked = project.shotFile().media().get("clip").file().orElseThrow();
            assertThat(unpacked).exists();
            assertThat(unpacked.resolveSibling("more")).doesNotExist();
        }
    }

    /** A full disk leaves what was there before, no unfinished file, and one sentence. */
    @ParameterizedTest
    @CsvSource({"o.mp4, render", "o.zip, render", "o.png, frame"})
    void aFullDiskSpoilsNothing(String name, String command) throws IOException, InterruptedException {
        Path small = Files.createDirectory(folder.resolve("small"));
        assumeTrue(exec("mount", "-t", "tmpfs", "-o", "size=8k", "none", small.toString()) == 0, "needs root");
        try {
            Path out = small.resolve(name);
            Files.writeString(out, "before");
            assertThat(run(command, shot.toString(), "-o", out.toString())).isEqualTo(2);
            List<String> said = words.toString(StandardCharsets.UTF_8).lines().toList();
            assertThat(said.get(said.size() - 1))
                    .contains("the disk")
                    .contains("full")
                    .doesNotContain("moov", "Exception", "[");
            assertThat(out).hasContent("before");
            try (var all = Files.list(small)) {
                assertThat(all).containsExactly(out);
            }
        } finally {
            exec("umount", small.toString());
        }
    }

    private static int exec(String... command) throws IOException, InterruptedException {
        return new ProcessBuilder(command).redirectErrorStream(true).start().waitFor();
    }

    /** The same bytes from one core and from two. */
    @ParameterizedTest
    @ValueSource(strings = {"o.mp4", "o.zip"})
    void theFileIsTheSameWithAnyNumberOfCores(String name) throws IOException, InterruptedException {
        List<byte[]> files = new ArrayList<>();
        for (String cores : List.of("0", "0,1")) {
            Path out = folder.resolve(cores.length() + name);
            List<String> java = List.of(
                    Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                    "-Djava.awt.headless=true",
                    "-cp",
                    System.getProperty("java.class.path"),
                    CommandLine.class.getName());
            List<String> command = new ArrayList<>(List.of("taskset", "-c", cores));
            command.addAll(java);
            command.addAll(List.of("render", shot.toString(), "-o", out.toString()));
            assertThat(exec(command.toArray(String[]::new))).isZero();
            files.add(Files.readAllBytes(out));
        }
        assertThat(files.get(0)).isEqualTo(files.get(1));
    }

    @Test
    void aFolderThatIsntThereIsNamed() {
        assertThat(run(
                        "frame",
                        shot.toString(),
                        "-o",
                        folder.resolve("gone/x.png").toString()))
                .isEqualTo(2);
        assertThat(words.toString(StandardCharsets.UTF_8))
                .contains("There is no folder")
                .contains("gone");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "\"length\": 10, \"layers\" | \"length\": -4, \"layers\" | between 1 and 648000 frames long, not -4",
                "\"font\": \"anton\" | \"font\": \"nofont\" | The font 'nofont' isn't there.",
                "\"clip.mp4\" | \"gone.mp4\" | there is no file 'gone.mp4' here",
                "\"clip.mp4\" | \"../../etc/passwd\" | files lie beside",
                "\"media\": \"clip\" | \"media\": \"other\" | 'other' is used but not named",
                "\"aperta\": 1 | \"aperta\": 99 | newer Aperta",
                "\"aperta\": 1, | `` | version is missing",
                "\"name\": \"w\", | \"name\": \"w\", \"parent\": \"c\", \"cut\": {\"by\": \"q\"}, | cut by 'q', which is not in this shot",
            })
    void whatIsWrongIsOneSentenceAndACode(String from, String to, String sentence) throws IOException {
        Files.writeString(shot, SHOT.replace(from, to == null ? "" : to));
        assertThat(run("frame", shot.toString(), "-o", folder.resolve("x.png").toString()))
                .isEqualTo(2);
        assertThat(words.toString(StandardCharsets.UTF_8).strip())
                .contains(sentence)
                .doesNotContain("\n");
        assertThat(folder.resolve("x.png")).doesNotExist();
    }

    @Test
    void wrongUseIsExplained() {
        assertThat(run()).isEqualTo(2);
        assertThat(run("render", shot.toString())).isEqualTo(2);
        assertThat(run("render", shot.toString(), "-o", "x.gif")).isEqualTo(2);
        assertThat(run("frame", shot.toString(), "--at", "10", "-o", "x.png")).isEqualTo(2);
        assertThat(run("frame", folder.resolve("none.json").toString(), "-o", "x.png"))
                .isEqualTo(2);
        assertThat(words.toString(StandardCharsets.UTF_8))
                .contains("Use: render", ".mp4 (H.264), .zip (PNG frames)", "frames 0 to 9", "There is no file");
    }
}

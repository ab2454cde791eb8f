package aperta.media.trace;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.picture.Bands;
import aperta.core.picture.Coverage;
import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import aperta.core.render.Planner;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Content;
import aperta.core.shot.PathLength;
import aperta.core.trace.Tracing;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.ClipSources;
import jakarta.json.Json;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import jakarta.json.JsonReader;
import java.awt.geom.Path2D;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nu.pattern.OpenCV;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfPoint;
import org.opencv.imgproc.Imgproc;

/**
 * Outlines of pictures of letters, held against the letters themselves, against potrace (P. Selinger, <i>Potrace: a
 * polygon-based tracing algorithm</i>, 2003; Debian's package) and against OpenCV's contours (S. Suzuki and K. Abe,
 * <i>Topological structural analysis of digitized binary images by border following</i>, 1985).
 */
class TracingAgainstOthersTest {
    /** How far apart two tracings may lie in the mean, in pixels. */
    private static final double APART = 0.25;
    /** Where an edge may lie anywhere between two pixels, both guess. */
    private static final double APART_WHERE_PIXELS_ARE_WHOLE = 0.3;
    /** Potrace reads no greys: it is given the letters so many times as large instead. */
    private static final int ENLARGED = 4;
    /** Parts of a few pixels touch at corners, which OpenCV joins; only larger ones are counted, in pixels of the enlarged letters. */
    private static final double SPECK = 60;

    private static final Planner PLANNER =
            new Planner(new ClipSources(id -> Optional.empty()), new FontShelf(id -> Optional.empty()));

    @BeforeAll
    static void natives() {
        OpenCV.loadLocally();
    }

    @TempDir
    Path folder;

    private record Drawn(Outline outline, Matte matte) {
        Region region() {
            return matte.domain();
        }

        /** The same so many times as large. */
        Matte enlarged(int times) {
            Region large = new Region(0, 0, region().width() * times, region().height() * times);
            return Coverage.of(outline.transformed(Affine.scale(times, times)), large, Bands.IN_TURN);
        }

        /** The same with pixels that are all or nothing. */
        Matte bits() {
            Matte bits = new Matte(region());
            for (int y = 0; y < region().height(); y++) {
                for (int x = 0; x < region().width(); x++) {
                    bits.set(x, y, matte.at(x, y) > 0.5 ? 1 : 0);
                }
            }
            return bits;
        }
    }

    private static Drawn drawn(String words, String font, double size) {
        Outline own = PLANNER.outline(Content.Text.of(words, font, size)).merged();
        Box box = own.bounds();
        Outline placed = own.transformed(Affine.translation(8.3 - box.x0(), 7.6 - box.y0()));
        Region region = new Region(0, 0, (int) box.width() + 18, (int) box.height() + 18);
        return new Drawn(placed, Coverage.of(placed, region, Bands.IN_TURN));
    }

    private static Outline filled(List<BezierPath> paths) {
        Outline all = Outline.NOTHING;
        for (BezierPath p : paths) {
            all = all.and(Outline.of(p));
        }
        return all;
    }

    private static double length(List<BezierPath> paths) {
        return paths.stream().mapToDouble(p -> new PathLength(p).length()).sum();
    }

    /** The area that only one of two outlines goes round. */
    private static double difference(Outline a, Outline b, Region region) {
        int fine = 4;
        Region r = new Region(0, 0, region.width() * fine, region.height() * fine);
        Matte one = Coverage.of(a.transformed(Affine.scale(fine, fine)), r, Bands.IN_TURN);
        Matte two = Coverage.of(b.transformed(Affine.scale(fine, fine)), r, Bands.IN_TURN);
        double sum = 0;
        for (int y = 0; y < r.height(); y++) {
            for (int x = 0; x < r.width(); x++) {
                sum += Math.abs(one.at(x, y) - two.at(x, y));
            }
        }
        return sum / (fine * fine);
    }

    @ParameterizedTest
    @CsvSource({
        "Orrin Hill, anton, 120",
        "Last Tram, great-vibes, 160",
        "see you, caveat, 90",
        "Depot 48, playfair-display, 140",
        "& Söhne?, special-elite, 64"
    })
    void lettersAreFoundAgain(String words, String font, double size) throws IOException, InterruptedException {
        Drawn d = drawn(words, font, size);
        List<BezierPath> ours = Tracing.of(d.matte(), 0.5, 2);
        double length = length(ours);
        Outline potrace = potrace(d.enlarged(ENLARGED), ENLARGED);
        List<BezierPath> ofBits = Tracing.of(d.bits(), 0.5, 2);
        Outline potraceOfBits = potrace(d.bits(), 1);
        System.out.printf(
                "%s, %s: off the letters %.3f px, potrace %.3f, apart %.3f; of whole pixels %.3f, potrace %.3f, apart %.3f%n",
                words,
                font,
                difference(filled(ours), d.outline(), d.region()) / length,
                difference(potrace, d.outline(), d.region()) / length,
                difference(filled(ours), potrace, d.region()) / length,
                difference(filled(ofBits), d.outline(), d.region()) / length,
                difference(potraceOfBits, d.outline(), d.region()) / length,
                difference(filled(ofBits), potraceOfBits, d.region()) / length);
        assertThat(difference(filled(ours), d.outline(), d.region()) / length).isLessThan(0.15);
        assertThat(difference(filled(ours), potrace, d.region()) / length).isLessThan(APART);
        assertThat(difference(filled(ofBits), potraceOfBits, d.region()) / length)
                .isLessThan(APART_WHERE_PIXELS_ARE_WHOLE);
        sameContours(Tracing.of(d.enlarged(ENLARGED), 0.5, 0), d.enlarged(ENLARGED));
    }

    /** As many outer lines and as many holes, which nest as OpenCV's do. */
    private static void sameContours(List<BezierPath> ours, Matte picture) {
        Region r = picture.domain();
        Mat image = new Mat(r.height(), r.width(), CvType.CV_8UC1);
        for (int y = 0; y < r.height(); y++) {
            for (int x = 0; x < r.width(); x++) {
                image.put(y, x, picture.at(x, y) > 0.5 ? 255 : 0);
            }
        }
        List<MatOfPoint> contours = new ArrayList<>();
        Mat tree = new Mat();
        Imgproc.findContours(image, contours, tree, Imgproc.RETR_CCOMP, Imgproc.CHAIN_APPROX_NONE);
        int outer = 0;
        int holes = 0;
        for (int i = 0; i < contours.size(); i++) {
            boolean hole = tree.get(0, i)[3] >= 0;
            boolean counts = Imgproc.contourArea(contours.get(i)) > SPECK;
            outer += hole || !counts ? 0 : 1;
            holes += hole && counts ? 1 : 0;
        }
        assertThat(ours.stream().filter(p -> area(p) > SPECK).count()).isEqualTo(outer);
        assertThat(ours.stream().filter(p -> area(p) < -SPECK).count()).isEqualTo(holes);
    }

    private static double area(BezierPath path) {
        double twice = 0;
        Point last = path.curve(path.segments() - 1).at(0.875);
        for (int i = 0; i < path.segments(); i++) {
            for (double t = 0; t < 1; t += 0.125) {
                Point p = path.curve(i).at(t);
                twice += last.x() * p.y() - p.x() * last.y();
                last = p;
            }
        }
        return twice / 2;
    }

    /**
     * Potrace's outline of a picture, as GeoJSON, whose y points upwards.
     *
     * @param times as large as it should be
     */
    private Outline potrace(Matte picture, int times) throws IOException, InterruptedException {
        Region r = picture.domain();
        ByteArrayOutputStream pgm = new ByteArrayOutputStream();
        pgm.writeBytes(("P5\n" + r.width() + " " + r.height() + "\n255\n").getBytes(StandardCharsets.US_ASCII));
        for (int y = 0; y < r.height(); y++) {
            for (int x = 0; x < r.width(); x++) {
                pgm.write(picture.at(x, y) > 0.5 ? 0 : 255);
            }
        }
        Path in = folder.resolve("in.pgm");
        Path out = folder.resolve("out.json");
        Files.write(in, pgm.toByteArray());
        Process process = new ProcessBuilder(
                        "potrace", "-b", "geojson", "-t", "" + 2 * times * times, "-o", out.toString(), in.toString())
                .inheritIO()
                .start();
        assertThat(process.waitFor()).isZero();
        Path2D.Double path = new Path2D.Double();
        try (JsonReader reader = Json.createReader(Files.newInputStream(out))) {
            for (JsonObject feature :
                    reader.readObject().getJsonArray("features").getValuesAs(JsonObject.class)) {
                for (JsonArray ring : feature.getJsonObject("geometry")
                        .getJsonArray("coordinates")
                        .getValuesAs(JsonArray.class)) {
                    add(path, ring, r.height(), times);
                }
            }
        }
        return Outline.of(path);
    }

    private static void add(Path2D.Double path, JsonArray ring, int height, int times) {
        for (int i = 0; i < ring.size(); i++) {
            double x = ring.getJsonArray(i).getJsonNumber(0).doubleValue();
            double y = height - ring.getJsonArray(i).getJsonNumber(1).doubleValue();
            if (i == 0) {
                path.moveTo(x / times, y / times);
            } else {
                path.lineTo(x / times, y / times);
            }
        }
        path.closePath();
    }
}

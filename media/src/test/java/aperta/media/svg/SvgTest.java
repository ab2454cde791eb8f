package aperta.media.svg;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Point;
import aperta.core.outline.Stroking;
import aperta.core.picture.Bands;
import aperta.core.picture.Picture;
import aperta.core.render.Cache;
import aperta.core.render.Planner;
import aperta.core.render.Renderer;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Coat;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.PathLength;
import aperta.core.shot.Place;
import aperta.core.shot.Rules;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Animated;
import aperta.core.time.Rate;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.ClipSources;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.apache.batik.gvt.renderer.ImageRenderer;
import org.apache.batik.transcoder.TranscoderException;
import org.apache.batik.transcoder.TranscoderInput;
import org.apache.batik.transcoder.TranscoderOutput;
import org.apache.batik.transcoder.image.ImageTranscoder;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** SVG files come in as shapes that look as Batik renders the files, and go out so that Batik renders them as they look here. */
class SvgTest {
    private static final Format FORMAT = new Format(240, 180, Rate.of(24));
    private static final Planner PLANNER =
            new Planner(new ClipSources(id -> Optional.empty()), new FontShelf(id -> Optional.empty()));

    /** Files of the kinds that general-purpose tools write, by what is in them. */
    private static Map<String, String> files() {
        Map<String, String> all = new TreeMap<>();
        all.put("basic shapes", """
                <rect x="10" y="12" width="60" height="40" rx="9" ry="6" fill="#c33"/>
                <circle cx="120" cy="40" r="26.5" fill="rgb(20,140,90)"/>
                <ellipse cx="190" cy="42" rx="34" ry="17" fill="navy"/>
                <polygon points="20,160 60,90 100,160" fill="goldenrod"/>
                <polyline points="120,160 140,100 160,160 180,100" fill="none" stroke="#333" stroke-width="5"/>
                <line x1="195" y1="90" x2="230" y2="165" stroke="purple" stroke-width="4" stroke-linecap="round"/>""");
        all.put("every command of paths", """
                <path fill="#246" d="M20 20 H70 V50 h-20 v15 L20 65 Z m70 0 l40 0 l0 30 -40 0z"/>
                <path fill="#a52" d="M150 60 C150 10 200 10 200 60 S 220 100 230 60 Q 220 120 190 100 T 150 60 Z"/>
                <path fill="none" stroke="#000" stroke-width="3" d="M20 120 a25 15 -30 0 1 50 -10 a 25 25 0 1 0 40 20 c10 10 20 -30 40 0 s 20 20 40 -10 q 10 -20 20 0 t 20 10"/>""");
        all.put("transforms in groups", """
                <g transform="translate(40 30) rotate(20)"><g transform="scale(1.5 0.8)">
                <rect width="50" height="30" fill="teal"/><circle cx="60" cy="50" r="20" fill="tomato" transform="skewX(25)"/></g></g>
                <path transform="matrix(0.8 0.3 -0.4 1.1 150 70)" d="M0 0h50v40h-50z" fill="#567" stroke="#fff" stroke-width="0"/>""");
        all.put("linear gradients", """
                <defs><linearGradient id="a"><stop offset="0" stop-color="#f60"/><stop offset=".5" stop-color="#fff" stop-opacity=".4"/>
                <stop offset="1" stop-color="#06f"/></linearGradient>
                <linearGradient id="b" gradientUnits="userSpaceOnUse" x1="120" y1="20" x2="200" y2="80" gradientTransform="rotate(15 160 50)">
                <stop offset="0.1" stop-color="black"/><stop offset="0.9" stop-color="lime"/></linearGradient>
                <linearGradient id="c" href="#a" xlink:href="#a" x1="0" y1="0" x2="1" y2="1"/></defs>
                <rect x="10" y="10" width="90" height="50" fill="url(#a)"/>
                <rect x="120" y="10" width="100" height="70" fill="url(#b)"/>
                <rect x="20" y="90" width="190" height="60" fill="url(#c)" transform="rotate(6)"/>""");
        all.put("radial gradients, also as ellipses", """
                <defs><radialGradient id="r"><stop offset="0" stop-color="white"/><stop offset="1" stop-color="#922"/></radialGradient>
                <radialGradient id="s" gradientUnits="userSpaceOnUse" cx="170" cy="60" r="40" gradientTransform="translate(170 60) rotate(30) scale(1 .5) translate(-170 -60)">
                <stop offset="0" stop-color="#ff0"/><stop offset="1" stop-color="#048"/></radialGradient></defs>
                <circle cx="60" cy="60" r="45" fill="url(#r)"/><rect x="120" y="10" width="105" height="100" fill="url(#s)"/>
                <ellipse cx="90" cy="145" rx="75" ry="25" fill="url(#r)"/>""");
        all.put("holes by the even-odd rule", """
                <path fill-rule="evenodd" fill="#333" d="M20 20h90v90h-90z M40 40h50v50h-50z M55 55h20v20h-20z"/>
                <path fill-rule="evenodd" fill="#b30" d="M180 20 L205 100 L135 50 L225 50 L155 100 Z"/>
                <path fill="#07a" d="M130 120h80v40h-80z M150 130v20h40v-20z"/>""");
        all.put("things used again", """
                <defs><g id="wheel"><circle r="20" fill="#444"/><circle r="9" fill="#ddd"/></g>
                <symbol id="s" viewBox="0 0 10 10"><path d="M5 0L10 10H0Z" fill="crimson"/></symbol></defs>
                <use xlink:href="#wheel" x="50" y="50"/><use xlink:href="#wheel" transform="translate(140 60) scale(1.7)"/>
                <use xlink:href="#s" x="20" y="100" width="60" height="60"/>""");
        all.put("classes and style sheets", """
                <style type="text/css">.a{fill:#286;stroke:#fff;stroke-width:2} #b{fill:none;stroke:orange;stroke-width:6;stroke-linejoin:round}
                .gone{display:none} .unseen{visibility:hidden}</style>
                <rect width="240" height="180" fill="#111"/><rect class="a" x="20" y="20" width="80" height="60"/>
                <path id="b" d="M130 30 L160 90 L190 30 L220 90"/><circle class="gone" cx="60" cy="130" r="30"/>
                <circle class="unseen" cx="120" cy="130" r="30"/><g style="fill:white;fill-opacity:.5"><circle cx="180" cy="135" r="30"/></g>""");
        all.put("groups that fade as one", """
                <rect width="240" height="180" fill="#eee"/>
                <g opacity=".5"><circle cx="80" cy="70" r="45" fill="red"/><circle cx="120" cy="70" r="45" fill="blue"/></g>
                <g opacity=".6"><rect x="150" y="100" width="70" height="60" fill="green" opacity=".5"/></g>
                <path d="M20 130h80v40h-80z" fill="black" fill-opacity=".3" stroke="black" stroke-opacity=".7" stroke-width="4"/>""");
        all.put("lines with dashes, ends and corners", """
                <g fill="none" stroke="#124" stroke-width="8">
                <path d="M20 30 H220" stroke-dasharray="20 8 4 8" stroke-dashoffset="5"/>
                <path d="M20 60 H220" stroke-dasharray="1 16" stroke-linecap="round"/>
                <path d="M30 150 L70 90 L110 150" stroke-linejoin="miter"/><path d="M130 150 L170 90 L210 150" stroke-linejoin="bevel" stroke-linecap="square"/></g>
                <circle cx="90" cy="110" r="14" transform="scale(1.6 0.9)" fill="none" stroke="#a00" stroke-width="5"/>""");
        all.put("a document type, comments and an editor's own words", """
                <!-- made by hand --><metadata>about it</metadata><title>Tram</title><desc>a tram</desc>
                <path editor:nodetypes="cc" d="M40 130 V70 q0 -25 25 -25 h110 q25 0 25 25 v60 z" fill="#8a2b2b"/>
                <g editor:label="windows" fill="#f2e2b0"><rect x="60" y="65" width="30" height="28"/><rect x="105" y="65" width="30" height="28"/><rect x="150" y="65" width="30" height="28"/></g>
                <circle cx="85" cy="132" r="12"/><circle cx="155" cy="132" r="12"/>""");
        return all;
    }

    private static String document(String inside) {
        return """
                <?xml version="1.0" encoding="UTF-8"?>
                <!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">
                <svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns:editor="urn:editor"
                 width="240" height="180" viewBox="0 0 240 180">%s</svg>
                """.formatted(inside);
    }

    private static Stream<String> kinds() {
        return files().keySet().stream();
    }

    private static SvgReader.Read read(String file) {
        return SvgReader.read(file.getBytes(StandardCharsets.UTF_8), "svg", "Drawing", FORMAT, 24);
    }

    private static Shot shot(Layer layer) {
        return Rules.demand(new Shot("SVG", FORMAT, 24, List.of(layer)));
    }

    private static Picture picture(Shot shot) {
        return new Renderer(Cache.NONE, Bands.IN_TURN)
                .show(PLANNER.plan(PLANNER.moment(shot, 0), 1), 0)
                .picture();
    }

    private static BufferedImage batik(String file) {
        BufferedImage[] made = new BufferedImage[1];
        ImageTranscoder transcoder = new ImageTranscoder() {
            /** Lines where they are, rather than moved onto whole pixels. */
            @Override
            protected ImageRenderer createRenderer() {
                ImageRenderer renderer = super.createRenderer();
                renderer.getRenderingHints().put(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
                return renderer;
            }

            @Override
            public BufferedImage createImage(int width, int height) {
                return new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
            }

            @Override
            public void writeImage(BufferedImage image, TranscoderOutput out) {
                made[0] = image;
            }
        };
        transcoder.addTranscodingHint(ImageTranscoder.KEY_WIDTH, (float) FORMAT.width());
        transcoder.addTranscodingHint(ImageTranscoder.KEY_HEIGHT, (float) FORMAT.height());
        try {
            // Without its type, which would be fetched.
            String plain = file.replaceAll("<!DOCTYPE[^>]*>", "");
            transcoder.transcode(
                    new TranscoderInput(new ByteArrayInputStream(plain.getBytes(StandardCharsets.UTF_8))), null);
        } catch (TranscoderException e) {
            throw new IllegalStateException(e);
        }
        return made[0];
    }

    /** Premultiplied values of a pixel, 0 to 1. */
    private static float[] at(BufferedImage image, int x, int y) {
        int argb = image.getRGB(x, y);
        float a = (argb >>> 24) / 255f;
        return new float[] {(argb >> 16 & 255) / 255f * a, (argb >> 8 & 255) / 255f * a, (argb & 255) / 255f * a, a};
    }

    private static boolean edge(BufferedImage image, int x, int y) {
        float[] least = {1, 1, 1, 1};
        float[] most = new float[4];
        for (int j = Math.max(0, y - 2); j <= Math.min(image.getHeight() - 1, y + 2); j++) {
            for (int i = Math.max(0, x - 2); i <= Math.min(image.getWidth() - 1, x + 2); i++) {
                float[] v = at(image, i, j);
                for (int c = 0; c < 4; c++) {
                    least[c] = Math.min(least[c], v[c]);
                    most[c] = Math.max(most[c], v[c]);
                }
            }
        }
        for (int c = 0; c < 4; c++) {
            if (most[c] - least[c] > 0.16) {
                return true;
            }
        }
        return false;
    }

    /** Away from edges no difference above so much; along them no more than a quarter of a pixel times their length. */
    private static void looksAlike(Picture ours, BufferedImage theirs, double length, double most) {
        double along = 0;
        for (int y = 0; y < FORMAT.height(); y++) {
            for (int x = 0; x < FORMAT.width(); x++) {
                float[] a = ours.at(x, y);
                float[] b = at(theirs, x, y);
                double off = 0;
                for (int c = 0; c < 4; c++) {
                    off = Math.max(off, Math.abs(a[c] - b[c]));
                }
                if (edge(theirs, x, y)) {
                    along += off;
                } else {
                    assertThat(off)
                            .as(
                                    "at %d, %d: %s, Batik %s",
                                    x, y, List.of(a[0], a[1], a[2], a[3]), List.of(b[0], b[1], b[2], b[3]))
                            .isLessThanOrEqualTo(most);
                }
            }
        }
        assertThat(along).as("along edges of %.0f pixels", length).isLessThanOrEqualTo(0.25 * length);
    }

    /** How long the edges of all that is painted are. */
    private static double length(Layer layer) {
        double length = 0;
        if (layer.content() instanceof Content.Shape shape) {
            List<BezierPath> paths = shape.paths().stream()
                    .map(p -> p.path().at(0, BezierPath.MIX))
                    .toList();
            for (Coat coat : shape.coats()) {
                List<BezierPath> edges = coat instanceof Coat.Stroke stroke
                        ? Stroking.of(PathLength.ofEach(paths), stroke).paths()
                        : paths;
                length += edges.stream()
                        .mapToDouble(p -> new PathLength(p).length())
                        .sum();
            }
        }
        return length
                + layer.content().inside().stream().mapToDouble(SvgTest::length).sum();
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void aFileLooksAsBatikRendersIt(String kind) {
        String file = document(files().get(kind));
        SvgReader.Read read = read(file);
        assertThat(read.left()).isEmpty();
        looksAlike(picture(shot(read.layer())), batik(file), length(read.layer()), most(kind));
    }

    /**
     * Of plain colours a step of the bytes that Batik gives. Its gradients come from a table and lie up to a pixel off: they are
     * held against the specification below.
     */
    private static double most(String kind) {
        return kind.contains("gradients") ? 10.0 / 255 : 1.5 / 255;
    }

    /** SVG 1.1, 13.2: at each point the share of the way along the gradient, in the gradient's own space; 13.2.4: its colours. */
    @Test
    void gradientsAreThoseOfTheSpecification() {
        String stops = "<stop offset='0.1' stop-color='#102030'/><stop offset='0.9' stop-color='#f0c040'/>";
        Picture linear = picture(shot(read(document(
                        "<defs><linearGradient id='g' gradientUnits='userSpaceOnUse' x1='60' y1='40' x2='150' y2='90'"
                                + " gradientTransform='matrix(1.2 0.3 -0.5 0.8 20 10)'>" + stops
                                + "</linearGradient></defs><rect width='240' height='180' fill='url(#g)'/>"))
                .layer()));
        Picture radial = picture(
                shot(read(document("<defs><radialGradient id='g' gradientUnits='userSpaceOnUse' cx='100' cy='80' r='70'"
                                + " gradientTransform='matrix(1.2 0.3 -0.5 0.8 20 10)'>" + stops
                                + "</radialGradient></defs><rect width='240' height='180' fill='url(#g)'/>"))
                        .layer()));
        Affine back = new Affine(1.2, 0.3, -0.5, 0.8, 20, 10).inverse().orElseThrow();
        for (int y = 1; y < 179; y += 3) {
            for (int x = 1; x < 239; x += 3) {
                Point p = back.apply(new Point(x + 0.5, y + 0.5));
                double along = ((p.x() - 60) * 90 + (p.y() - 40) * 50) / (90 * 90 + 50 * 50);
                gradientAt(linear.at(x, y), along);
                gradientAt(radial.at(x, y), p.minus(new Point(100, 80)).length() / 70);
            }
        }
    }

    private static void gradientAt(float[] pixel, double share) {
        double t = Math.min(1, Math.max(0, (share - 0.1) / 0.8));
        double[] from = {0x10, 0x20, 0x30};
        double[] to = {0xf0, 0xc0, 0x40};
        for (int c = 0; c < 3; c++) {
            assertThat(pixel[c] * 255.0).isCloseTo(from[c] + (to[c] - from[c]) * t, within(1.0));
        }
    }

    /** Out and in again: each of its layers as its own file, rendered by Batik, and read here once more. */
    @ParameterizedTest
    @MethodSource("kinds")
    void whatGoesOutLooksTheSame(String kind) {
        Shot shot = shot(read(document(files().get(kind))).layer());
        List<Layer> shapes = shot.everyLayer().stream()
                .filter(l -> l.content() instanceof Content.Shape)
                .toList();
        for (Layer layer : shapes) {
            Shot alone = shot;
            for (Layer other : shapes) {
                alone = other == layer ? alone : alone.changing(other.id(), l -> l.withHidden(true));
            }
            // Groups that hold it fade it; a file holds one layer, without them.
            for (Layer group : shot.lineTo(layer.id())) {
                alone = group == layer
                        ? alone
                        : alone.changing(group.id(), l -> l.withPlace(l.place().withOpacity(Animated.of(1.0))));
            }
            String out = SvgWriter.write(PLANNER, alone, 0, layer.id());
            looksAlike(picture(alone), batik(out), length(layer), most(kind));
            looksAlike(picture(shot(read(out).layer())), batik(out), length(layer), most(kind));
        }
    }

    /** Icons of Debian's package adwaita-icon-theme. */
    @Test
    void iconsOfAThemeComeIn() throws IOException {
        try (Stream<Path> icons = Files.walk(Path.of("/usr/share/icons/Adwaita/scalable/devices"))) {
            List<Path> some = icons.filter(p -> p.toString().endsWith("-symbolic.svg"))
                    .sorted()
                    .limit(25)
                    .toList();
            assertThat(some).hasSizeGreaterThan(15);
            for (Path icon : some) {
                String file = Files.readString(icon);
                SvgReader.Read read = SvgReader.read(
                        file.getBytes(StandardCharsets.UTF_8), "i", "Icon", new Format(16, 16, Rate.of(24)), 24);
                assertThat(read.layer().content().inside()).as(icon.toString()).isNotEmpty();
                assertThat(Rules.broken(new Shot("i", FORMAT, 24, List.of(read.layer()))))
                        .isEmpty();
            }
        }
    }

    @Test
    void whatIsLargerThanTheFrameIsMadeToFit() {
        SvgReader.Read read = read(
                "<svg xmlns='http://www.w3.org/2000/svg' width='960' height='720' viewBox='0 0 96 72'><rect width='96' height='72' fill='#080'/></svg>");
        Picture p = picture(shot(read.layer()));
        for (int[] corner : new int[][] {{0, 0}, {239, 0}, {0, 179}, {239, 179}}) {
            assertThat(p.at(corner[0], corner[1])[3]).isGreaterThan(0.99f);
        }
    }

    @Test
    void whatIsntTakenOverIsNamed() {
        SvgReader.Read read = read(document("""
                <defs><pattern id="p" width="4" height="4" patternUnits="userSpaceOnUse"><rect width="2" height="2"/></pattern>
                <clipPath id="c"><circle cx="60" cy="60" r="30"/></clipPath><filter id="f"><feGaussianBlur stdDeviation="3"/></filter>
                <mask id="m"><rect width="100" height="100" fill="white"/></mask></defs>
                <rect width="50" height="50" fill="url(#p)"/><rect x="20" y="20" width="90" height="90" clip-path="url(#c)"/>
                <rect x="120" y="20" width="30" height="30" filter="url(#f)"/><rect x="160" y="20" width="30" height="30" mask="url(#m)"/>
                <text x="20" y="150">Orrin Hill</text><rect x="20" y="120" width="9" height="9"/>"""));
        assertThat(read.left()).hasSize(5);
        assertThat(String.join(" ", read.left()))
                .contains("Patterns")
                .contains("Clipping paths")
                .contains("Filters")
                .contains("Masks")
                .contains("Text isn't taken over");
        assertThat(read.layer().content().inside()).hasSize(4);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<!DOCTYPE svg [<!ENTITY a 'x'><!ENTITY b '&a;&a;&a;&a;&a;&a;&a;&a;'><!ENTITY c '&b;&b;&b;&b;&b;&b;'>]>"
                        + "<svg xmlns='http://www.w3.org/2000/svg'><desc>&c;</desc><rect width='9' height='9'/></svg>",
                "<!DOCTYPE svg [<!ENTITY f SYSTEM 'file:///etc/hostname'>]><svg xmlns='http://www.w3.org/2000/svg'><desc>&f;</desc></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg'><script>1</script><rect width='9' height='9'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg' onload='x()'><rect width='9' height='9'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink'><image xlink:href='file:///a.png'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg' xmlns:xlink='http://www.w3.org/1999/xlink'><use xlink:href='other.svg#a'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg'><style>@import 'a.css';</style><rect width='9' height='9'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg'><rect fill='url(other.svg#g)' width='9' height='9'/></svg>",
                "<html><body/></html>",
                "<svg xmlns='http://www.w3.org/2000/svg'><rect width='9'",
                "<svg xmlns='http://www.w3.org/2000/svg'><rect width='nine' height='9'/></svg>",
                "<svg xmlns='http://www.w3.org/2000/svg'/>",
                ""
            })
    void whatCouldDoHarmOrIsNoDrawingIsRefusedWithASentence(String file) {
        assertThatThrownBy(() -> read(file)).isInstanceOf(BadSvg.class).hasMessageMatching("(?s)[A-Z'].*[a-z].*\\.?");
    }

    @Test
    void aTextGoesOutAsItsOutlines() {
        Layer word = Layer.of(
                "w", "Depot", Content.Text.of("Depot 8", "anton", 60), Span.of(0, 24), Place.at(FORMAT.centre()));
        Shot shot = shot(word);
        looksAlike(picture(shot), batik(SvgWriter.write(PLANNER, shot, 0, "w")), 1400, 1.5 / 255);
        assertThatThrownBy(() -> SvgWriter.write(PLANNER, shot(word.withContent(new Content.Adjustment())), 0, "w"))
                .hasMessageContaining("no paths");
    }
}

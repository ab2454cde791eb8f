package aperta.e2e;

import aperta.core.shot.BezierPath;
import aperta.core.shot.Mask;
import aperta.core.shot.Shot;
import aperta.media.json.ShotJson;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/**
 * How long the desk takes to answer in a shot of 60 layers and 2 000 keys, with a mask of 4 000 points, to a pen that
 * draws, and to measure ten layers; run by {@code ./aperta bench}. What is timed, and how, is in {@code fluency.js}.
 */
class Fluency {
    private static final int LAYERS = 60;
    private static final int KEYS = 34;
    private static final int TIMES = 40;

    private App app;
    private Unwatched chromium;
    private Desk desk;

    @Test
    void measure() {
        try (App running = new App(false);
                Unwatched unwatched = new Unwatched()) {
            app = running;
            chromium = unwatched;
            desk = new Desk(app, chromium.page());
            desk.openProjects();
            desk.newProject("Many");
            System.out.println();
            System.out.println("| at the desk | median | 95 of 100 | least to most |");
            System.out.println("|---|---|---|---|");
            manyLayers();
            coast();
            drawn();
            proof();
        }
    }

    private void time(String measure, int times, String... what) {
        desk.page.evaluate("(script) => { new Function(script)(); }", script());
        List<double[]> found = chromium.measure(measure, times);
        desk = new Desk(app, chromium.page());
        for (int i = 0; i < what.length; i++) {
            say(what[i], found.get(i));
        }
    }

    private static String script() {
        try (InputStream in = Fluency.class.getResourceAsStream("/fluency.js")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Carries a change out beside the desk, and looks at the shot anew. */
    private void edited(String change) {
        app.post("/api/shots/" + desk.shotId() + "/edits", change);
        desk.page.reload();
        desk.ready();
        desk.shown();
    }

    private void manyLayers() {
        desk.newShot("Many", 1920, 1080, "240");
        edited(many());
        Assertions.assertThat(desk.shot().layers()).hasSize(LAYERS);
        desk.page.waitForTimeout(3000);
        desk.page.getByTestId("row-Layer 1").click();
        desk.press("Control+a");
        time("bars", TIMES);
        time("scrub", TIMES);
        time("bars", TIMES, "60 layers and 2040 keys, dragging a key: new bars");
        time("scrub", TIMES, "60 layers and 2040 keys, scrubbing: new bars");
        desk.press("4", "Home");
        time("pictures", TIMES, "60 layers, stepping: a new picture at ¼");
    }

    private static String many() {
        StringBuilder edits = new StringBuilder();
        for (int i = LAYERS; i >= 1; i--) {
            StringBuilder keys = new StringBuilder();
            for (int k = 0; k < KEYS; k++) {
                keys.append(k > 0 ? "," : "")
                        .append(String.format(
                                Locale.ROOT,
                                "{\"at\": %d, \"value\": [%d, %d]}",
                                k * 7,
                                100 + (i * 37 + k * 211) % 1700,
                                80 + (i * 53 + k * 97) % 900));
            }
            edits.append(edits.length() > 0 ? "," : "")
                    .append(String.format(
                            Locale.ROOT,
                            "{\"kind\": \"add\", \"layer\": {\"id\": \"l%d\", \"name\": \"Layer %d\", \"content\": {\"kind\":"
                                    + " \"text\", \"words\": \"TRAM %d\", \"font\": \"anton\", \"size\": 60}, \"span\": {\"in\": 0,"
                                    + " \"length\": 240}, \"place\": {\"position\": {\"rest\": [0, 0], \"keys\": [%s]}}}}",
                            i,
                            i,
                            i,
                            keys));
        }
        return "{\"revision\": 0, \"label\": \"Many\", \"edit\": {\"kind\": \"several\", \"edits\": [" + edits + "]}}";
    }

    private void coast() {
        desk.openProjects();
        desk.newShot("Coast", 1920, 1080, "24");
        desk.add("One colour");
        Shot shot = desk.shot();
        List<BezierPath.Knot> knots = new ArrayList<>();
        for (int i = 0; i < 4000; i++) {
            double a = 2 * Math.PI * i / 4000;
            double r = 1 + 0.08 * Math.sin(7 * a) + 0.05 * Math.sin(17 * a + 1) + 0.03 * Math.sin(41 * a + 2);
            knots.add(BezierPath.Knot.corner(500 * r * Math.cos(a), 300 * r * Math.sin(a))
                    .withFeather(30 + 30 * Math.sin(5 * a)));
        }
        Shot coast = shot.changing(
                shot.layers().get(0).id(), l -> l.withMasks(List.of(Mask.of("m", "Coast", new BezierPath(knots)))));
        String masks = ShotJson.write(coast)
                .getJsonArray("layers")
                .getJsonObject(0)
                .get("masks")
                .toString();
        edited("{\"revision\": 1, \"label\": \"Coast\", \"patch\": [{\"op\": \"add\", \"path\":"
                + " \"/layers/0/masks\", \"value\": " + masks + "}]}");
        desk.layer("Colour");
        desk.section("Cut");
        desk.page.getByTestId("mask-0").click(new Locator.ClickOptions().setPosition(4, 4));
        time("mask", TIMES / 2);
        time(
                "mask",
                TIMES,
                "a mask of 4000 points with feathers, dragging: its line and handles",
                "a mask of 4000 points with feathers, dragging: its picture");
        time("masks", TIMES, "a mask of 4000 points with feathers, dragging without rest: from picture to picture");
    }

    private void drawn() {
        desk.openProjects();
        desk.newShot("Drawn", 1920, 1080, "48");
        desk.add("Drawings");
        desk.page.waitForTimeout(1000);
        time("pen", TIMES);
        time(
                "pen",
                2 * TIMES,
                "drawing by hand: the line where the pen is",
                "drawing by hand: the engine's picture after the pen was lifted");
    }

    private void proof() {
        desk.openProjects();
        desk.newShot("Ten", 1920, 1080, "240");
        StringBuilder edits = new StringBuilder();
        for (int i = 10; i >= 1; i--) {
            edits.append(edits.length() > 0 ? "," : "")
                    .append(String.format(
                            Locale.ROOT,
                            "{\"kind\": \"add\", \"layer\": {\"id\": \"l%d\", \"name\": \"Layer %d\", \"content\": {\"kind\":"
                                    + " \"text\", \"words\": \"LAST TRAM %d\", \"font\": \"anton\", \"size\": 120}, \"span\": {\"in\":"
                                    + " 0, \"length\": 240}, \"place\": {\"position\": {\"rest\": [0, 0], \"keys\": [{\"at\": 0,"
                                    + " \"value\": [%d, %d]}, {\"at\": 239, \"value\": [1100, %d]}]}}}}",
                            i,
                            i,
                            i,
                            700 + 40 * i,
                            90 * i,
                            90 * i));
        }
        edited("{\"revision\": 0, \"label\": \"Ten\", \"edit\": {\"kind\": \"several\", \"edits\": [" + edits + "]}}");
        desk.press("j");
        desk.page
                .getByLabel("Proof", new Page.GetByLabelOptions().setExact(true))
                .getByText(Pattern.compile("\\d+ open"))
                .waitFor();
        desk.layer("Layer 5");
        desk.section("Blend");
        time("measured", 2);
        time(
                "measured",
                5,
                "an edit of 240 frames of 10 layers: the reveal curve",
                "an edit of 240 frames of 10 layers: Proof");
    }

    private static void say(String what, double[] ms) {
        double[] sorted = ms.clone();
        Arrays.sort(sorted);
        System.out.printf(
                Locale.ROOT,
                "| %s | %.0f ms | within %.0f ms | %.0f to %.0f |%n",
                what,
                sorted[sorted.length / 2],
                sorted[(int) Math.ceil(sorted.length * 0.95) - 1],
                sorted[0],
                sorted[sorted.length - 1]);
    }
}

package aperta.e2e;

import aperta.core.shot.BezierPath;
import aperta.core.shot.Mask;
import aperta.core.shot.Shot;
import aperta.media.json.ShotJson;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** How long the desk takes to answer in a shot of 60 layers and 2 000 keys; run by {@code ./aperta bench}. */
class Fluency {
    private static final int LAYERS = 60;
    private static final int KEYS = 34;
    private static final int TIMES = 40;

    /**
     * Resolves with the milliseconds from a change of the pointer until the frame with the change has been painted: a
     * message that is sent as the page draws arrives right after (HTML standard, "update the rendering").
     */
    private static final String PAINTED = "(act) => new Promise((done) => { const from = performance.now(); act();"
            + " requestAnimationFrame(() => { const c = new MessageChannel();"
            + " c.port1.onmessage = () => done(performance.now() - from); c.port2.postMessage(0); }); })";

    @Test
    void measure() {
        try (App app = new App(false);
                Browser browser = new Browser()) {
            Desk desk = new Desk(app, browser.page());
            desk.openProjects();
            desk.newProject("Many");
            desk.newShot("Many", 1920, 1080, "240");
            app.post("/api/shots/" + desk.shotId() + "/edits", many());
            desk.page.reload();
            desk.ready();
            Shot shot = desk.shot();
            Assertions.assertThat(shot.layers()).hasSize(LAYERS);
            desk.page.waitForTimeout(3000);
            desk.page.getByTestId("row-Layer 1").click();
            desk.press("Control+a");
            System.out.println();
            System.out.println("| 60 layers, " + LAYERS * KEYS + " keys | median | 95 of 100 | least to most |");
            System.out.println("|---|---|---|---|");
            // As in the other benches: once to warm up.
            bars(desk.page);
            scrub(desk.page);
            say("dragging a key: new bars", bars(desk.page));
            say("scrubbing: new bars", scrub(desk.page));
            say("stepping: a new picture at ¼", pictures(desk));
            mask(app, desk);
            measured(app, desk);
        }
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

    private static double[] bars(Page page) {
        var key = page.locator("[data-testid^='key-place.position']").first().boundingBox();
        double x = key.x + key.width / 2;
        double y = key.y + key.height / 2;
        page.mouse().move(x, y);
        page.mouse().down();
        double[] ms = new double[TIMES];
        for (int i = 0; i < TIMES; i++) {
            ms[i] = timed(page, "pointermove", x + 8 + i * 3, y);
        }
        page.keyboard().press("Escape");
        page.mouse().up();
        return ms;
    }

    private static double[] scrub(Page page) {
        var ruler = page.getByTestId("ruler").boundingBox();
        page.mouse().move(ruler.x + 40, ruler.y + 20);
        page.mouse().down();
        double[] ms = new double[TIMES];
        for (int i = 0; i < TIMES; i++) {
            ms[i] = timed(page, "pointermove", ruler.x + 60 + i * 11, ruler.y + 20);
        }
        page.mouse().up();
        return ms;
    }

    private static double timed(Page page, String event, double x, double y) {
        return ((Number) page.evaluate(
                        "([x, y]) => (" + PAINTED + ")(() => dispatchEvent(new PointerEvent('" + event
                                + "', { clientX: x, clientY: y, bubbles: true })))",
                        List.of(x, y)))
                .doubleValue();
    }

    /** From a step of the playhead until the canvas has the frame, frames that have not been seen before. */
    private static double[] pictures(Desk desk) {
        desk.press("4", "Home");
        desk.page.waitForTimeout(1500);
        double[] ms = new double[TIMES];
        for (int i = 0; i < TIMES; i++) {
            ms[i] = ((Number) desk.page.evaluate("() => new Promise((done) => { const c ="
                            + " document.querySelector('[data-testid=canvas]'); const was = c.dataset.frame; const from ="
                            + " performance.now(); dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight' })); const"
                            + " look = () => c.dataset.frame !== was ? done(performance.now() - from) :"
                            + " requestAnimationFrame(look); look(); })"))
                    .doubleValue();
        }
        return ms;
    }

    private static void mask(App app, Desk desk) {
        desk.openProjects();
        desk.newShot("Coast", 1920, 1080, "24");
        desk.add("Colour");
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
        app.post(
                "/api/shots/" + desk.shotId() + "/edits",
                "{\"revision\": 1, \"label\": \"Coast\", \"patch\": [{\"op\": \"add\", \"path\":"
                        + " \"/layers/0/masks\", \"value\": " + masks + "}]}");
        desk.page.reload();
        desk.ready();
        desk.layer("Colour");
        desk.section("Cut");
        desk.page.getByTestId("mask-0").click();
        double[] from = desk.middle("mask-middle");
        desk.page.mouse().move(from[0], from[1]);
        desk.page.mouse().down();
        double[] handles = new double[TIMES];
        double[] picture = new double[TIMES];
        desk.page.evaluate(PICTURES);
        // The first steps warm up.
        for (int i = -20; i < TIMES; i++) {
            List<?> both = (List<?>) desk.page.evaluate(FOLLOWED, List.of(from[0] + 25 + i, from[1]));
            handles[Math.max(0, i)] = ((Number) both.get(0)).doubleValue();
            picture[Math.max(0, i)] = ((Number) both.get(1)).doubleValue();
        }
        desk.page.mouse().up();
        say("dragging a mask of 4000 points with feathers: its line and handles", handles);
        say("dragging a mask of 4000 points with feathers: a new picture", picture);
    }

    /** Counts the pictures that are put on the screen. */
    private static final String PICTURES = "() => { window.pictures = 0; const p = CanvasRenderingContext2D.prototype;"
            + " const put = p.putImageData; p.putImageData = function (...all) { window.pictures++; put.apply(this, all); };"
            + " }";

    /**
     * Resolves with the milliseconds from a move of the pointer until the mask's handles have been painted where it is, and
     * until the picture made for it has been.
     */
    private static final String FOLLOWED = "([x, y]) => new Promise((done) => { const cx = () =>"
            + " document.querySelector('[data-testid=mask-middle]').getAttribute('cx'); const was = cx(); const seen ="
            + " window.pictures; let handles = 0; let picture = 0; const from = performance.now(); dispatchEvent(new"
            + " PointerEvent('pointermove', { clientX: x, clientY: y, bubbles: true })); const look = () => { const lie = cx()"
            + " !== was; const shown = window.pictures > seen; const c = new MessageChannel(); c.port1.onmessage = () => { if"
            + " (lie && !handles) handles = performance.now() - from; if (shown && !picture) picture = performance.now() - from;"
            + " if (handles && picture) done([handles, picture]); }; c.port2.postMessage(0); if (!lie || !shown)"
            + " requestAnimationFrame(look); }; requestAnimationFrame(look); })";

    /** From an edit of 240 frames of ten layers until the reveal curve in the row has moved, and until Proof is there. */
    private static void measured(App app, Desk desk) {
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
        app.post(
                "/api/shots/" + desk.shotId() + "/edits",
                "{\"revision\": 0, \"label\": \"Ten\", \"edit\": {\"kind\": \"several\", \"edits\": [" + edits + "]}}");
        desk.page.reload();
        desk.ready();
        desk.press("j");
        desk.page.locator(".proof").getByText("open").first().waitFor();
        desk.layer("Layer 5");
        desk.section("Blend");
        double[] curve = new double[5];
        double[] proof = new double[5];
        for (int i = -1; i < 5; i++) {
            desk.page.evaluate(MEASURED);
            desk.number("Opacity", Integer.toString(80 - i));
            desk.page.waitForFunction("() => window.both");
            List<?> both = (List<?>) desk.page.evaluate("() => window.both");
            curve[Math.max(0, i)] = ((Number) both.get(0)).doubleValue();
            proof[Math.max(0, i)] = ((Number) both.get(1)).doubleValue();
        }
        say("an edit of 240 frames of 10 layers: the reveal curve", curve);
        say("an edit of 240 frames of 10 layers: Proof", proof);
    }

    /** From Enter on: notes when the curve of "Layer 5" has changed, and when Proof, having begun, is done. */
    private static final String MEASURED = "() => { const d = () => document.querySelector(\"[data-testid='reveal-Layer"
            + " 5']\")?.getAttribute('d'); const was = d(); const busy = () => document.querySelector('.proof"
            + " [role=status]').textContent.includes('measuring'); window.both = null; addEventListener('keydown', (e) => { const"
            + " from = performance.now(); let curve = 0; let begun = false; const look = () => { if (!curve && d() !== was) curve ="
            + " performance.now() - from; begun ||= busy(); if (curve && begun && !busy()) window.both = [curve,"
            + " performance.now() - from]; else setTimeout(look, 10); }; look(); }, { capture: true, once: true }); }";

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

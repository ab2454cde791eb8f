package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Point;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Passage;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.time.Beyond;
import aperta.core.time.Key;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What is done in time at the desk, by letters and by layers, checked in numbers. */
class TimingTest {
    private static final int W = 1280;

    @Test
    void lettersArriveAndLeaveOneAfterAnother() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = begin(app, browser, "72");
            arrival(desk);
            departure(desk);
            pose(desk);
            intoKeys(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    @Test
    void layersAndKeysAreTimed() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = begin(app, browser, "96");
            keysInTime(desk);
            beyondAndSignals(desk);
            copyToOthers(desk);
            bars(desk);
            stagger(desk);
            groups(desk);
            states(desk);
            marksAndWork(desk);
            looks(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    /** What only a pointer does: under the bar, along the way, from row to row. */
    @Test
    void barsRowsAndWaysAreDragged() {
        App app = App.shared();
        try (Browser browser = new Browser()) {
            Desk desk = begin(app, browser, "96");
            slips(desk);
            way(desk);
            follows(desk);
            intoGroup(desk);
            held(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    private static Desk begin(App app, Browser browser, String length) {
        Desk desk = new Desk(app, browser.page());
        desk.openProjects();
        desk.newProject("Orrin Hill");
        desk.newShot("Timing", W, 720, length);
        desk.add("Text");
        desk.words("TERMINUS");
        return desk;
    }

    private static double opacity(Desk desk, String layer, long frame) {
        return new Moment(desk.shot(), frame).of(desk.find(layer).id()).opacity();
    }

    private static Point seen(Desk desk, String layer, double frame) {
        Shot shot = desk.shot();
        return new Moment(shot, frame).of(desk.find(layer).id()).toShot().apply(Point.ORIGIN);
    }

    private static void arrival(Desk desk) {
        desk.stance("Arrive");
        desk.opening("cascade");
        desk.choose("Order", "backward");
        desk.number("Length of the arrival", "24");
        desk.number("Turned", "30");
        Passage way = desk.find("TERMINUS").arrive().orElseThrow();
        assertThat(way.length()).isEqualTo(24);
        assertThat(way.opening().orElseThrow().rest().text("order")).isEqualTo("backward");
        assertThat(way.opening().orElseThrow().rest().number("turn")).isEqualTo(30);
        // The last letter is there first: on the way, the right of the word shows more than the left.
        double[] shares = desk.halves(12);
        assertThat(desk.halves(0)).containsExactly(0, 0);
        assertThat(shares[1]).isGreaterThan(shares[0] * 3);
        assertThat(desk.halves(24)).containsExactly(desk.halves(40), within(2.0));
        // The ramp on the bar is as long, and is dragged to another length.
        double[] grip = desk.middle("ramp-arrive-TERMINUS");
        desk.drag(grip, new double[] {desk.x(30), grip[1]});
        assertThat(desk.find("TERMINUS").arrive().orElseThrow().length()).isBetween(29L, 31L);
    }

    private static void departure(Desk desk) {
        desk.stance("Leave");
        desk.press("o");
        desk.page.getByTestId("opening-wipe").click();
        desk.saved();
        desk.press("Escape");
        Passage way = desk.find("TERMINUS").leave().orElseThrow();
        assertThat(way.opening().orElseThrow().kind()).isEqualTo("wipe");
        // What an opening is made of is keyed like anything else, and has its row.
        desk.frame(60);
        desk.key("Towards");
        desk.frame(71);
        desk.number("Towards", "90");
        var angle = desk.find("TERMINUS")
                .leave()
                .orElseThrow()
                .opening()
                .orElseThrow()
                .value("angle");
        assertThat(angle.keys()).hasSize(2);
        desk.press("x");
        desk.page
                .getByTestId("key-leave.angle-" + angle.keys().get(1).at())
                .first()
                .waitFor();
        desk.page.getByLabel("More for Towards").click();
        desk.page
                .getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Remove all its keys"))
                .click();
        desk.press("x");
        desk.number("Towards", "0");
        double[] gone = desk.halves(71);
        assertThat(gone[0] + gone[1]).isLessThan(20);
    }

    /** A pose beside the opening, by hand on the Picture: the word comes from above. */
    private static void pose(Desk desk) {
        desk.stance("Leave");
        desk.page.getByText("frame 71").waitFor();
        desk.drag(desk.at(640, 360, W), desk.at(640, 200, W));
        Passage way = desk.find("TERMINUS").leave().orElseThrow();
        assertThat(way.pose().shift().y()).isCloseTo(-160, within(6.0));
        assertThat(seen(desk, "TERMINUS", 71).y()).isCloseTo(200, within(6.0));
        assertThat(desk.find("TERMINUS").place().position().rest()).isEqualTo(new Point(640, 360));
    }

    private static void intoKeys(Desk desk) {
        double[] before = desk.halves(66);
        desk.button("Turn into keys").click();
        desk.saved();
        Layer plain = desk.find("TERMINUS");
        assertThat(plain.leave()).isEmpty();
        assertThat(plain.place().position().isKeyed()).isTrue();
        assertThat(plain.masks()).hasSize(1);
        double[] after = desk.halves(66);
        assertThat(after[0]).isCloseTo(before[0], within(before[0] * 0.01 + 3));
        assertThat(after[1]).isCloseTo(before[1], within(before[1] * 0.01 + 3));
        desk.press("Control+z");
        assertThat(desk.find("TERMINUS").leave()).isPresent();
    }

    private static void keysInTime(Desk desk) {
        desk.stance("Rest");
        desk.section("Blend");
        desk.frame(10);
        desk.press("v");
        desk.number("Opacity", "0");
        desk.frame(20);
        desk.number("Opacity", "100");
        desk.press("v");
        assertThat(at(desk, "TERMINUS")).containsExactly(10L, 20L);
        // The end first, the start later: both keys are chosen by a box and pulled longer by the end of their span.
        desk.press("x");
        double[] first = desk.middle("key-place.opacity-10");
        desk.drag(new double[] {desk.x(6), first[1] - 10}, new double[] {desk.x(24), first[1] + 6});
        double[] end = desk.middle("band-to");
        desk.drag(end, new double[] {desk.x(40), end[1]});
        assertThat(at(desk, "TERMINUS").get(1)).isBetween(39L, 41L);
        long last = at(desk, "TERMINUS").get(1);
        double[] begin = desk.middle("band-from");
        desk.drag(begin, new double[] {desk.x(last - 10), begin[1]});
        assertThat(at(desk, "TERMINUS")).containsExactly(last - 10, last);
        // Nudged by one and by ten, moved by a typed time, reversed.
        desk.press("Alt+ArrowLeft", "Alt+Shift+ArrowLeft");
        assertThat(at(desk, "TERMINUS")).containsExactly(last - 21, last - 11);
        desk.number("Frame of the key", "+1");
        desk.number("Frame of the key", "12");
        assertThat(at(desk, "TERMINUS")).containsExactly(12L, 22L);
        desk.press("r");
        assertThat(opacity(desk, "TERMINUS", 12)).isEqualTo(1);
        assertThat(opacity(desk, "TERMINUS", 22)).isZero();
        desk.press("r");
        desk.choose("Ease", "linear");
        assertThat(opacity(desk, "TERMINUS", 17)).isEqualTo(0.5);
        // Its curve: the second key is dragged down, and four frames on.
        desk.press("Escape", "c");
        desk.page.getByTestId("curve-key-place.opacity-0-22").waitFor();
        double[] key = desk.middle("curve-key-place.opacity-0-22");
        double frame = desk.x(1) - desk.x(0);
        desk.drag(key, new double[] {key[0] + 4 * frame, key[1] + 86});
        assertThat(at(desk, "TERMINUS")).containsExactly(12L, 26L);
        assertThat(opacity(desk, "TERMINUS", 26)).isCloseTo(0.5, within(0.06));
        desk.press("Control+z", "c");
    }

    private static List<Long> at(Desk desk, String layer) {
        return desk.find(layer).place().opacity().keys().stream().map(Key::at).toList();
    }

    private static void beyondAndSignals(Desk desk) {
        desk.layer("TERMINUS");
        desk.press("Control+a");
        desk.choose("After the last key", "there and back");
        assertThat(desk.find("TERMINUS").place().opacity().after()).isEqualTo(Beyond.THERE_AND_BACK);
        assertThat(opacity(desk, "TERMINUS", 27)).isEqualTo(0.5);
        assertThat(opacity(desk, "TERMINUS", 32)).isZero();
        desk.choose("After the last key", "holds");
        desk.section("Place");
        desk.page.getByLabel("More for Rotation").click();
        desk.page
                .getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Swing"))
                .click();
        desk.saved();
        desk.page.getByTestId("signal-swing").getByLabel("Period").waitFor();
        Locator amount = desk.page.getByTestId("signal-swing").getByLabel("Amount");
        amount.fill("20");
        amount.press("Enter");
        desk.saved();
        Shot shot = desk.shot();
        String id = desk.find("TERMINUS").id();
        assertThat(new Moment(shot, 6).rest(id).place().rotation().rest()).isCloseTo(20, within(1e-9));
        desk.button("Unpack into keys").click();
        desk.saved();
        Layer plain = desk.find("TERMINUS");
        assertThat(plain.place().rotation().signals()).isEmpty();
        assertThat(plain.place().rotation().keys()).hasSize(96);
        assertThat(new Moment(desk.shot(), 6).rest(id).place().rotation().rest())
                .isCloseTo(20, within(1e-9));
        desk.press("Control+z", "Control+z", "Control+z");
    }

    private static void copyToOthers(Desk desk) {
        desk.section("Look");
        desk.add("Text");
        desk.words("ORRIN");
        desk.add("Text");
        desk.words("HILL");
        desk.layer("TERMINUS");
        desk.press("Control+a", "Control+c");
        desk.frame(30);
        desk.page.getByTestId("row-ORRIN").click();
        desk.page
                .getByTestId("row-HILL")
                .click(new Locator.ClickOptions()
                        .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.CONTROL)));
        desk.press("Control+v");
        for (String other : List.of("ORRIN", "HILL")) {
            assertThat(at(desk, other)).containsExactly(30L, 40L);
            assertThat(opacity(desk, other, 35)).isEqualTo(0.5);
        }
    }

    private static void bars(Desk desk) {
        desk.layer("ORRIN");
        desk.section("Time");
        desk.number("First frame", "+6");
        assertThat(desk.find("ORRIN").span()).isEqualTo(new Span(6, 96, 0));
        assertThat(opacity(desk, "ORRIN", 41)).as("keys go along").isEqualTo(0.5);
        desk.number("Length of the layer", "2s");
        assertThat(desk.find("ORRIN").span()).isEqualTo(new Span(6, 48, 0));
        desk.frame(12);
        desk.press("[");
        assertThat(desk.find("ORRIN").span()).isEqualTo(new Span(12, 42, 6));
        desk.frame(49);
        desk.press("]");
        assertThat(desk.find("ORRIN").span()).isEqualTo(new Span(12, 38, 6));
        desk.frame(30);
        desk.press("d");
        assertThat(desk.shot().layers().stream()
                        .filter(l -> l.name().equals("ORRIN"))
                        .map(Layer::span))
                .containsExactly(new Span(30, 20, 24), new Span(12, 18, 6));
        desk.press("Control+z");
        // The end of a bar is dragged to another's beginning, and clings to it; with Shift it is stretched.
        desk.layer("HILL");
        desk.number("First frame", "60");
        double[] bar = edge(desk, "bar-ORRIN");
        desk.drag(bar, new double[] {desk.x(60) - 3, bar[1]});
        assertThat(desk.find("ORRIN").span().out()).isEqualTo(60);
        double[] again = edge(desk, "bar-ORRIN");
        desk.page.keyboard().down("Shift");
        desk.drag(again, new double[] {desk.x(84), again[1]});
        desk.page.keyboard().up("Shift");
        assertThat(desk.find("ORRIN").span().length()).isBetween(71L, 73L);
        assertThat(desk.find("ORRIN").pace().speed()).isCloseTo(2 / 3.0, within(0.02));
        desk.press("Control+z");
    }

    private static double[] edge(Desk desk, String bar) {
        var box = desk.page.getByTestId(bar).boundingBox();
        return new double[] {box.x + box.width - 3, box.y + box.height / 2};
    }

    private static void stagger(Desk desk) {
        desk.page.getByTestId("row-HILL").click();
        desk.page
                .getByTestId("row-TERMINUS")
                .click(new Locator.ClickOptions()
                        .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
        desk.press("Shift+S");
        desk.number("Stagger by", "4");
        assertThat(desk.shot().layers()).extracting(l -> l.span().in()).containsExactly(0L, 4L, 8L);
        desk.page
                .getByText("reversed", new Page.GetByTextOptions().setExact(true))
                .click();
        desk.saved();
        assertThat(desk.shot().layers()).extracting(l -> l.span().in()).containsExactly(8L, 4L, 0L);
    }

    private static void groups(Desk desk) {
        desk.press("g");
        assertThat(desk.shot().layers()).hasSize(1);
        desk.page.getByTitle("Open the group").click();
        desk.menu("ORRIN", "Out of the group");
        assertThat(desk.shot().layers()).hasSize(2);
        desk.layer("Group");
        desk.section("Time");
        desk.page.getByText("Runs backwards").click();
        desk.saved();
        desk.frame(7);
        desk.press("f");
        assertThat(desk.find("Group").pace().reversed()).isTrue();
        Shot frozen = desk.shot();
        String inside = desk.find("HILL").id();
        assertThat(new Moment(frozen, 30).of(inside).frame())
                .as("frozen on what was seen on frame 7")
                .isEqualTo(new Moment(frozen, 7).of(inside).frame());
        insideAClosedGroup(desk);
        desk.press("Control+z", "Control+z", "Shift+g");
        assertThat(desk.shot().layers()).hasSize(3);
    }

    /** What is chosen can be changed, whether its row is seen or not. */
    private static void insideAClosedGroup(Desk desk) {
        desk.layer("HILL");
        desk.page.getByTitle("Close the group").click();
        assertThat(desk.page.getByTestId("row-HILL").count()).isZero();
        desk.section("Place");
        desk.number("Blur", "3");
        desk.section("Time");
        desk.page.getByText("Blurred by its motion").click();
        desk.saved();
        assertThat(desk.find("HILL").place().blur().rest()).isEqualTo(3);
        assertThat(desk.find("HILL").motionBlur()).isTrue();
        desk.press("Control+z", "Control+z");
        assertThat(desk.find("HILL").motionBlur()).isFalse();
        desk.page.getByTitle("Open the group").click();
        desk.layer("Group");
    }

    private static void states(Desk desk) {
        Shot now = desk.shot();
        desk.press("u");
        desk.page
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Stagger"))
                .last()
                .click();
        desk.saved();
        assertThat(desk.shot().layers()).extracting(l -> l.span().in()).containsExactly(0L, 4L, 8L);
        desk.page.locator("li button").first().click();
        desk.saved();
        assertThat(desk.shot()).isEqualTo(now);
        desk.press("Escape");
    }

    private static void marksAndWork(Desk desk) {
        desk.frame(20);
        desk.press("m", "q");
        desk.frame(31);
        desk.press("w");
        assertThat(desk.shot().markers()).extracting(m -> m.at()).containsExactly(20L);
        assertThat(desk.shot().work().orElseThrow().from()).isEqualTo(20);
        assertThat(desk.shot().work().orElseThrow().to()).isEqualTo(32);
        double[] end = desk.middle("work-to");
        desk.drag(end, new double[] {desk.x(44), end[1]});
        assertThat(desk.shot().work().orElseThrow().to()).isBetween(43L, 45L);
        desk.press("Shift+q");
        assertThat(desk.shot().work()).isEmpty();
        desk.press(",");
        desk.page.getByText("frame 20").waitFor();
    }

    private static void looks(Desk desk) {
        desk.layer("TERMINUS");
        desk.stance("Arrive");
        desk.press("o");
        desk.page.getByTestId("opening-iris").click();
        desk.saved();
        desk.press("Escape");
        desk.menu("TERMINUS", "Copy or remove parts of its look…");
        desk.choose("Layers to copy to", "HILL");
        desk.page.locator(".ant-modal-title").last().click();
        desk.button("Copy").last().click();
        desk.saved();
        assertThat(desk.find("HILL").arrive()).isEqualTo(desk.find("TERMINUS").arrive());
        desk.menu("TERMINUS", "Copy or remove parts of its look…");
        desk.button("Take these parts off TERMINUS").click();
        desk.saved();
        assertThat(desk.find("TERMINUS").arrive()).isEmpty();
        assertThat(desk.find("TERMINUS").place().opacity().isKeyed()).isFalse();
        assertThat(desk.find("HILL").place().opacity().isKeyed()).isTrue();
    }

    /** With Shift the content moves under the bar, and its keys with it. */
    private static void slips(Desk desk) {
        desk.section("Blend");
        desk.frame(40);
        desk.press("v");
        desk.number("Opacity", "30");
        desk.press("v");
        assertThat(opacity(desk, "TERMINUS", 40)).isEqualTo(0.3);
        double[] bar = desk.middle("bar-TERMINUS");
        desk.page.keyboard().down("Shift");
        desk.drag(bar, new double[] {bar[0] + desk.x(12) - desk.x(0), bar[1]});
        desk.page.keyboard().up("Shift");
        Span slipped = desk.find("TERMINUS").span();
        assertThat(slipped.in()).isZero();
        assertThat(slipped.length()).isEqualTo(96);
        assertThat(slipped.offset()).isBetween(-13L, -11L);
        assertThat(new Moment(desk.shot(), 40 - slipped.offset())
                        .of(desk.find("TERMINUS").id())
                        .frame())
                .as("the key is shown as much later")
                .isEqualTo(40);
        desk.press("Control+z");
    }

    /** Two keys of the position; the way between them is bent by a handle, and a key is moved on it. */
    private static void way(Desk desk) {
        desk.section("Place");
        desk.press("v");
        desk.frame(10);
        desk.drag(desk.at(640, 360, W), desk.at(340, 360, W));
        desk.frame(50);
        desk.drag(desk.at(340, 360, W), desk.at(940, 360, W));
        desk.press("v");
        assertThat(seen(desk, "TERMINUS", 30).y()).isCloseTo(360, within(3.0));
        double[] key = desk.middle("way-at-10");
        desk.page.mouse().dblclick(key[0], key[1]);
        desk.saved();
        double[] out = desk.middle("way-out-10");
        desk.drag(out, desk.at(540, 160, W));
        assertThat(seen(desk, "TERMINUS", 10).y()).isCloseTo(360, within(3.0));
        assertThat(seen(desk, "TERMINUS", 50).y()).isCloseTo(360, within(3.0));
        // Handles at (540, 160) and on the last key: y = 360 - 3 t (1 - t)² 200, which is least at t = 1/3.
        double highest = 360;
        for (int f = 10; f <= 50; f++) {
            highest = Math.min(highest, seen(desk, "TERMINUS", f).y());
        }
        assertThat(highest).isCloseTo(360 - 200 * 4 / 9.0, within(6.0));
        double[] at = desk.middle("way-at-10");
        desk.drag(at, desk.at(340, 460, W));
        assertThat(seen(desk, "TERMINUS", 10).y()).isCloseTo(460, within(6.0));
        desk.press("Control+z", "Control+z", "Control+z", "Control+z", "Control+z");
        assertThat(desk.find("TERMINUS").place().position().isKeyed()).isFalse();
    }

    /** Another word turns as much as the first one, times a factor, a number of frames later. */
    private static void follows(Desk desk) {
        desk.section("Look");
        desk.add("Text");
        desk.words("ORRIN");
        desk.layer("TERMINUS");
        desk.section("Place");
        desk.press("v");
        desk.frame(0);
        desk.number("Rotation", "0");
        desk.frame(20);
        desk.number("Rotation", "40");
        desk.press("v");
        desk.layer("ORRIN");
        desk.page.getByLabel("More for Rotation").click();
        desk.page
                .getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Follow"))
                .click();
        desk.saved();
        desk.choose("Layer", "TERMINUS");
        desk.choose("Property", "rotation");
        desk.number("Factor", "0.5");
        desk.number("Delay", "6");
        String id = desk.find("ORRIN").id();
        String first = desk.find("TERMINUS").id();
        for (int f : new int[] {8, 16, 26, 40}) {
            double led = new Moment(desk.shot(), f - 6)
                    .rest(first)
                    .place()
                    .rotation()
                    .rest();
            assertThat(new Moment(desk.shot(), f).rest(id).place().rotation().rest())
                    .as("half of what it was six frames before")
                    .isCloseTo(led / 2, within(1e-9));
        }
        assertThat(new Moment(desk.shot(), 26).rest(id).place().rotation().rest())
                .isCloseTo(20, within(1e-9));
    }

    private static void intoGroup(Desk desk) {
        desk.layer("ORRIN");
        desk.press("g");
        desk.page.dragAndDrop("[data-testid=row-TERMINUS]", "[data-testid='row-ORRIN group']");
        desk.saved();
        assertThat(desk.shot().layers()).hasSize(1);
        assertThat(desk.shot().everyLayer())
                .extracting(Layer::name)
                .containsExactly("ORRIN group", "TERMINUS", "ORRIN");
        assertThat(seen(desk, "TERMINUS", 0)).as("stays where it was").isEqualTo(new Point(640, 360));
        desk.page.dragAndDrop(
                "[data-testid=row-ORRIN]",
                "[data-testid='row-ORRIN group']",
                new Page.DragAndDropOptions().setTargetPosition(100, 3));
        desk.saved();
        assertThat(desk.shot().layers()).extracting(Layer::name).containsExactly("ORRIN", "ORRIN group");
    }

    /** What a group shows is held: each frame of it stands for four. */
    private static void held(Desk desk) {
        desk.layer("ORRIN group");
        desk.section("Time");
        desk.number("Each frame is held", "4");
        assertThat(desk.find("ORRIN group").pace().hold()).isEqualTo(4);
        String inside = desk.find("TERMINUS").id();
        Shot shot = desk.shot();
        for (int f = 0; f < 24; f++) {
            assertThat(new Moment(shot, f).of(inside).frame()).isEqualTo(f / 4 * 4);
        }
    }
}

package aperta.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.shot.Content;
import aperta.media.plates.Plates;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.stream.Stream;

/** A small shot made from nothing, with one of the demo's plates in it at a third of its size. */
final class OnPlate {
    static final int W = 640;
    static final int H = 360;
    /** Pixels of the plate along one of the film. */
    static final double SCALE = 3;

    private OnPlate() {}

    interface Steps {
        void take(Desk desk) throws IOException;
    }

    static void made(Path folder, String name, int frames, String plate, Steps steps) throws IOException {
        try (Browser browser = new Browser()) {
            Desk desk = new Desk(App.shared(), browser.page());
            desk.openProjects();
            desk.newProject(name);
            desk.newShot(name, W, H, Integer.toString(frames));
            Path film = folder.resolve(plate + ".mp4");
            Files.copy(
                    Plates.file(plate, App.madePlates(), System.err::println),
                    film,
                    StandardCopyOption.REPLACE_EXISTING);
            desk.bring(film);
            desk.addMedia(plate + ".mp4");
            desk.section("Place");
            desk.number("Scale across", "33.3333333");
            desk.section("Look");
            steps.take(desk);
            assertThat(browser.errors).isEmpty();
        }
    }

    /** The clips of the shot, the uppermost first. */
    static List<Content.Footage> clips(Desk desk) {
        return desk.shot().everyLayer().stream()
                .flatMap(l -> l.content() instanceof Content.Footage f ? Stream.of(f) : Stream.empty())
                .toList();
    }
}

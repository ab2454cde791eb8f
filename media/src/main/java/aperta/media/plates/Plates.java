package aperta.media.plates;

import aperta.core.picture.Bands;
import aperta.core.render.PreparedFrame;
import aperta.media.ffmpeg.FrameWriter;
import aperta.media.ffmpeg.MediaException;
import aperta.media.file.Unfinished;
import aperta.media.output.H264;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.LongConsumer;

/** The made plates, and their files. */
public final class Plates {
    /** Changes with every change of a film that ships, so that old files are not taken for new ones. */
    private static final int EDITION = 3;

    private Plates() {}

    public static List<Plate> all() {
        return List.of(new RainOnWindow(), new Platform(), Platform.drifting());
    }

    /** @throws IllegalArgumentException where there is no such plate */
    public static Plate named(String id) {
        return all().stream()
                .filter(p -> p.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no plate '" + id + "'."));
    }

    /** What is made on the spot. */
    private static List<MadeFile> madeFiles() {
        return List.of(new TramBell(), new Hum(), new TramwayMark(), new PlatformFigure());
    }

    /**
     * The id of a plate, a tone or a still.
     *
     * @throws IllegalArgumentException where there is neither
     */
    public static String known(String id) {
        return madeFile(id).isPresent() ? id : named(id).id();
    }

    /** What people call it, with the ending of its file. */
    public static String fileName(String id) {
        return madeFile(id)
                .map(m -> m.name() + m.ending())
                .orElseGet(() -> named(id).name() + ".mp4");
    }

    private static Optional<MadeFile> madeFile(String id) {
        return madeFiles().stream().filter(m -> m.id().equals(id)).findFirst();
    }

    /**
     * The file of a plate, a tone or a still in a folder, laid there when it isn't there yet: plates ship as films, since
     * painting them takes minutes; the others are made on the spot.
     */
    public static Path file(String id, Path folder, Consumer<String> progress) {
        Optional<MadeFile> onTheSpot = madeFile(id);
        Path file = folder.resolve(
                id + "-" + EDITION + onTheSpot.map(MadeFile::ending).orElse(".mp4"));
        if (Files.exists(file)) {
            return file;
        }
        try {
            Files.createDirectories(folder);
            progress.accept("Laying out '" + fileName(id) + "' …");
            try (Unfinished made = Unfinished.ofMany(file)) {
                if (onTheSpot.isPresent()) {
                    Files.write(made.part(), onTheSpot.get().file());
                } else {
                    try (InputStream shipped = Plates.class.getResourceAsStream("/plates/" + id + ".mp4")) {
                        Files.copy(shipped, made.part(), StandardCopyOption.REPLACE_EXISTING);
                    }
                }
                made.finish();
            }
        } catch (IOException e) {
            throw new MediaException("'" + fileName(id) + "' couldn't be made: " + Unfinished.why(e) + ".", e);
        }
        return file;
    }

    /** Paints a plate anew and writes the film that ships. */
    public static void paint(Plate plate, Path file, Bands bands, LongConsumer progress) {
        try (FrameWriter writer = new H264(plate.quality()).writer(file, Plate.FORMAT, Optional.empty())) {
            for (int n = 0; n < plate.frames(); n++) {
                writer.write(PreparedFrame.of(plate.frame(n, bands), n, bands), n);
                progress.accept(n + 1);
            }
            writer.finish();
        }
    }
}

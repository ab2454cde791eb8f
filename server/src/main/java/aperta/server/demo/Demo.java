package aperta.server.demo;

import aperta.media.plates.Plates;
import aperta.media.project.ShotFile;
import aperta.server.Storage;
import aperta.server.media.MediaService;
import aperta.server.project.Project;
import aperta.server.project.Projects;
import aperta.server.shot.ShotService;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Loads the demo's shots from their files into an empty database. */
@Component
class Demo {
    static final String PROJECT = "Last Tram to Orrin Hill";
    private static final Logger LOG = LoggerFactory.getLogger(Demo.class);

    private final String folder;
    private final Projects projects;
    private final MediaService media;
    private final ShotService shots;
    private final Storage storage;

    Demo(
            @Value("${aperta.demo}") String folder,
            Projects projects,
            MediaService media,
            ShotService shots,
            Storage storage) {
        this.folder = folder;
        this.projects = projects;
        this.media = media;
        this.shots = shots;
        this.storage = storage;
    }

    /** In a thread of its own, so that the application answers while the plates are made. */
    @EventListener(ApplicationReadyEvent.class)
    void load() {
        if (folder.isBlank() || projects.count() > 0) {
            return;
        }
        Thread thread = new Thread(
                () -> {
                    try {
                        make();
                    } catch (IOException | RuntimeException e) {
                        LOG.error("The demo couldn't be loaded", e);
                    }
                },
                "demo");
        thread.setDaemon(true);
        thread.start();
    }

    private void make() throws IOException {
        UUID project = projects.save(new Project(PROJECT)).id();
        Map<String, UUID> plates = new LinkedHashMap<>();
        for (String name : new String[] {
            "opening.json",
            "line-9.json",
            "see-you.json",
            "terminus.json",
            "the-conductor.json",
            "ticket.json",
            "shimmer.json",
            "see-you-written.json",
            "the-bell.json",
            "overhead-wire.json",
            "passing.json",
            "behind-him.json",
            "archive.json"
        }) {
            ShotFile file = ShotFile.read(Path.of(folder, name));
            Map<String, UUID> ids = new LinkedHashMap<>();
            for (var source : file.media().entrySet()) {
                String plate = source.getValue().plate().orElseThrow();
                if (!plates.containsKey(plate)) {
                    plates.put(plate, bring(project, plate));
                }
                ids.put(source.getKey(), plates.get(plate));
            }
            shots.save(
                    project,
                    ShotFile.renamed(
                            file.shot(), id -> ids.containsKey(id) ? ids.get(id).toString() : id));
        }
        LOG.info("The demo is loaded.");
    }

    private UUID bring(UUID project, String plate) throws IOException {
        Path file = Plates.file(plate, storage.plates(), LOG::info);
        Path copy = Files.createTempFile(storage.incoming(), plate, ".part");
        Files.copy(file, copy, StandardCopyOption.REPLACE_EXISTING);
        MediaService.Item item = media.take(project, Plates.fileName(plate), copy);
        if (item.kind() == MediaService.Kind.VIDEO) {
            // What ships is whole: it can be shown at once, while its copy for quick looking is being made.
            media.imported(item.id(), item.frames());
        } else {
            await(item.id());
        }
        return item.id();
    }

    private void await(UUID id) {
        while (media.get(id).state() == MediaService.State.IMPORTING) {
            try {
                Thread.sleep(200);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException("Stopped while the demo was being loaded.", e);
            }
        }
        if (media.get(id).state() == MediaService.State.FAILED) {
            throw new IllegalStateException(media.get(id).message());
        }
    }
}

package aperta.server.frame;

import static aperta.media.json.Provider.JSON;

import aperta.core.proof.Check;
import aperta.core.proof.Checks;
import aperta.core.proof.Finding;
import aperta.core.proof.Proof;
import aperta.core.proof.Reveal;
import aperta.core.recipe.Descriptor;
import aperta.core.render.RenderException;
import aperta.core.render.Workers;
import aperta.server.media.MediaService;
import aperta.server.shot.ShotService;
import jakarta.annotation.PreDestroy;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Measures shots for the windows that ask for it: one after the other, on a thread of its own, keeping still while somebody
 * waits for pictures. A newer question from a window takes the place of its older one, also of one that is being answered.
 */
@Component
class ProofDesk {
    private static final Logger LOG = LoggerFactory.getLogger(ProofDesk.class);
    /** How long a shot is left alone first: gestures come in quick succession. */
    private static final long PAUSE_MS = 150;

    /** How long it lets frames ahead of playback come first, which may go on for as long as there are frames. */
    private static final int PATIENCE_MS = 300;

    private static final int STEP_MS = 20;

    /** What the shares of the reveal curve are multiplied by, to be sent as whole numbers. */
    private static final int PARTS = 1000;

    private static final Map<String, Descriptor> KINDS =
            Checks.all().stream().map(Check::descriptor).collect(Collectors.toMap(Descriptor::kind, d -> d));

    private final ShotService shots;
    private final MediaService media;
    private final FrameDesk desk;
    private final BlockingQueue<Viewer> asking = new LinkedBlockingQueue<>();
    private final Workers workers = Workers.everyCore();
    private final Thread thread;
    /** What is left of its patience with the present question. */
    private int patience;

    ProofDesk(ShotService shots, MediaService media, FrameDesk desk) {
        this.shots = shots;
        this.media = media;
        this.desk = desk;
        thread = new Thread(this::loop, "proof-desk");
        thread.setDaemon(true);
        thread.start();
    }

    @PreDestroy
    void close() {
        thread.interrupt();
        workers.close();
    }

    void ask(Viewer viewer) {
        if (!asking.contains(viewer)) {
            asking.add(viewer);
        }
    }

    private void loop() {
        while (!Thread.currentThread().isInterrupted()) {
            try {
                Viewer viewer = asking.take();
                Thread.sleep(PAUSE_MS);
                if (!asking.contains(viewer)) {
                    answer(viewer);
                }
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    private void answer(Viewer viewer) {
        patience = PATIENCE_MS;
        try {
            ShotService.Read read = shots.newest(viewer.shot());
            // Curves first: they take a fraction of the time, and are what is looked at while something is timed.
            Optional<Reveal> reveal = Reveal.of(read.shot(), media.planner(), workers, () -> goOn(viewer));
            reveal.ifPresent(r -> viewer.send(message(r, read.revision())));
            if (reveal.isPresent()) {
                Proof.of(read.shot(), media.planner(), workers, () -> goOn(viewer))
                        .ifPresent(p -> viewer.send(message(p, read.revision())));
            }
        } catch (IllegalArgumentException | RenderException e) {
            viewer.send(JSON.createObjectBuilder()
                    .add("type", "proof-problem")
                    .add("detail", String.valueOf(e.getMessage()))
                    .build());
        } catch (RuntimeException | Error e) {
            // Whatever one shot does, the others are still measured.
            LOG.error("A shot couldn't be measured", e);
        }
    }

    /** Waits for as long as pictures are asked for: whoever drags something sees it move, and findings come after it. */
    private boolean goOn(Viewer viewer) {
        try {
            while ((desk.isBusy() || desk.isAhead() && patience > 0) && isWanted(viewer)) {
                patience -= desk.isBusy() ? 0 : STEP_MS;
                Thread.sleep(STEP_MS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return isWanted(viewer);
    }

    private boolean isWanted(Viewer viewer) {
        return viewer.isOpen()
                && !asking.contains(viewer)
                && !Thread.currentThread().isInterrupted();
    }

    private static JsonObject message(Reveal curves, long revision) {
        JsonObjectBuilder reveal = JSON.createObjectBuilder();
        curves.shares().forEach((layer, shares) -> {
            JsonArrayBuilder all = JSON.createArrayBuilder();
            for (float share : shares) {
                all.add(share < 0 ? -1 : Math.round(share * PARTS));
            }
            reveal.add(layer, all);
        });
        return JSON.createObjectBuilder()
                .add("type", "reveal")
                .add("revision", revision)
                .add("shares", reveal)
                .build();
    }

    private static JsonObject message(Proof proof, long revision) {
        JsonArrayBuilder findings = JSON.createArrayBuilder();
        proof.findings().forEach(f -> findings.add(finding(f)));
        return JSON.createObjectBuilder()
                .add("type", "proof")
                .add("revision", revision)
                .add("findings", findings)
                .build();
    }

    /** Of what is shown from elsewhere, the layer that shows it. */
    private static List<String> ours(List<String> layers) {
        return layers.stream().map(id -> id.replaceFirst("/.*", "")).distinct().toList();
    }

    private static JsonObjectBuilder finding(Finding f) {
        return JSON.createObjectBuilder()
                .add("check", f.check())
                .add("label", KINDS.get(f.check()).label())
                .add("layers", JSON.createArrayBuilder(ours(f.layers())))
                .add("from", f.from())
                .add("to", f.to())
                .add("place", Handles.box(f.place()))
                .add("says", f.says());
    }
}

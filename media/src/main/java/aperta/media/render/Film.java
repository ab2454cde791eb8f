package aperta.media.render;

import aperta.core.picture.Bands;
import aperta.core.render.Planner;
import aperta.core.render.PreparedFrame;
import aperta.core.render.RecentCache;
import aperta.core.render.RenderException;
import aperta.core.render.Renderer;
import aperta.core.shot.Shot;
import aperta.core.sound.Mixdown;
import aperta.core.sound.Samples;
import aperta.media.ffmpeg.FrameWriter;
import aperta.media.ffmpeg.MediaException;
import aperta.media.file.Unfinished;
import aperta.media.output.Output;
import aperta.media.sound.Wave;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;

/** Renders the frames of a shot, in order and at full size, into a file. Memory stays the same however long it is. */
public final class Film {
    /** What keeps unchanging mattes from frame to frame; footage passes through. */
    private static final long CACHE_BYTES = 256L << 20;

    /** How many samples are mixed at a time. */
    private static final int PART = 1 << 16;

    private final Planner planner;
    private final Samples samples;
    private final Bands bands;

    public Film(Planner planner, Samples samples, Bands bands) {
        this.planner = planner;
        this.samples = samples;
        this.bands = bands;
    }

    /**
     * Writes the whole shot; the file appears under its name when it is complete and could be read back.
     *
     * @param progress is told how many frames are done
     * @throws RenderException with the frame and the reason
     */
    public void render(Shot shot, Output output, Path file, LongConsumer progress, BooleanSupplier cancelled) {
        try (Unfinished film = new Unfinished(file);
                Unfinished sound = new Unfinished(file.resolveSibling(file.getFileName() + ".wav"))) {
            output.refusal(shot.format()).ifPresent(why -> {
                throw new RenderException(why);
            });
            Optional<Path> heard = output.description().sound() ? sound(shot, sound.part()) : Optional.empty();
            try (FrameWriter writer = output.writer(film.part(), shot.format(), heard)) {
                frames(shot, writer, progress, cancelled);
                writer.finish();
            }
            film.finish();
        } catch (IOException e) {
            throw new RenderException("The file couldn't be written: " + Unfinished.why(e) + ".", e);
        }
    }

    /** Writes what a shot sounds like as a WAV file; nothing where it is silent. */
    private Optional<Path> sound(Shot shot, Path file) throws IOException {
        Mixdown mixdown = new Mixdown(shot, samples);
        if (mixdown.isSilent()) {
            return Optional.empty();
        }
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
            Wave.write(mixdown, out, PART);
        }
        return Optional.of(file);
    }

    /** Renders every frame and hands it on. While one is painted, what lasts of the next is made: it is decoded, its mattes drawn. */
    public void frames(Shot shot, FrameWriter writer, LongConsumer progress, BooleanSupplier cancelled) {
        Renderer renderer = new Renderer(new RecentCache(CACHE_BYTES), bands);
        ExecutorService ahead = Executors.newSingleThreadExecutor();
        try {
            Future<PreparedFrame> next = ahead.submit(() -> shown(renderer, shot, 0));
            for (long n = 0; n < shot.length(); n++) {
                if (cancelled.getAsBoolean()) {
                    throw new RenderException("The render was cancelled.");
                }
                long after = n + 1;
                try {
                    PreparedFrame shown = next.get();
                    if (after < shot.length()) {
                        next = ahead.submit(() -> shown(renderer, shot, after));
                    }
                    writer.write(shown, n);
                } catch (MediaException | RenderException e) {
                    throw new RenderException("Frame " + n + ": " + e.getMessage(), e);
                } catch (ExecutionException e) {
                    throw failed(n, e.getCause());
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    throw new RenderException("The render was stopped.", e);
                }
                progress.accept(after);
            }
        } finally {
            ahead.shutdownNow();
        }
    }

    private PreparedFrame shown(Renderer renderer, Shot shot, long frame) {
        return renderer.show(planner.plan(planner.moment(shot, frame), 1), frame);
    }

    private static RuntimeException failed(long frame, Throwable why) {
        if (why instanceof IllegalArgumentException || why instanceof RenderException) {
            return new RenderException("Frame " + frame + ": " + why.getMessage(), why);
        }
        return why instanceof RuntimeException e ? e : new IllegalStateException("A frame couldn't be made.", why);
    }
}

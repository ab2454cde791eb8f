package aperta.media.render;

import aperta.core.picture.Bands;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.render.Cache;
import aperta.core.render.Planner;
import aperta.core.render.RenderException;
import aperta.core.render.Renderer;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import aperta.media.ffmpeg.FrameWriter;
import aperta.media.ffmpeg.H264Writer;
import aperta.media.ffmpeg.MediaException;
import aperta.media.ffmpeg.PngFrames;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;

/** Renders the frames of a shot, in order and at full size, into a file. Memory stays the same however long it is. */
public final class Film {
    /** What keeps unchanging mattes from frame to frame; footage passes through. */
    private static final long CACHE_BYTES = 256L << 20;

    /** The kinds of file that a shot can be rendered to. */
    public enum Kind {
        H264,
        PNG
    }

    private final Planner planner;
    private final Bands bands;

    public Film(Planner planner, Bands bands) {
        this.planner = planner;
        this.bands = bands;
    }

    /**
     * Writes the whole shot; the file appears under its name when it is complete.
     *
     * @param progress is told how many frames are done
     * @throws RenderException with the frame and the reason
     */
    public void render(Shot shot, Kind kind, Path file, LongConsumer progress, BooleanSupplier cancelled) {
        Path part = file.resolveSibling(file.getFileName() + ".part");
        try {
            try (FrameWriter writer = kind == Kind.H264
                    ? new H264Writer(part, shot.format(), "medium", 16, bands)
                    : new PngFrames(part, bands)) {
                frames(shot, writer, progress, cancelled);
                writer.finish();
            }
            Files.move(part, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw new RenderException("The file couldn't be written: " + e.getMessage(), e);
        } finally {
            part.toFile().delete();
        }
    }

    /** Renders every frame and hands it on. */
    public void frames(Shot shot, FrameWriter writer, LongConsumer progress, BooleanSupplier cancelled) {
        Renderer renderer = new Renderer(new Cache(CACHE_BYTES), bands);
        Region frame = Planner.frame(shot.format(), 1);
        for (long n = 0; n < shot.length(); n++) {
            if (cancelled.getAsBoolean()) {
                throw new RenderException("The render was cancelled.");
            }
            try {
                Picture picture = renderer.render(planner.plan(new Moment(shot, n), 1), frame);
                writer.write(picture, n);
            } catch (MediaException | RenderException e) {
                throw new RenderException("Frame " + n + ": " + e.getMessage(), e);
            }
            progress.accept(n + 1);
        }
    }
}

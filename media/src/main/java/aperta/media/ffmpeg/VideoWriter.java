package aperta.media.ffmpeg;

import aperta.core.picture.Bytes;
import aperta.core.render.PreparedFrame;
import aperta.core.shot.Format;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;

/** Has ffmpeg write a film of frames that come in order, tagged BT.709, and reads it back. */
public final class VideoWriter implements FrameWriter {
    private static final byte[] END = new byte[0];
    private static final int WAITING = 3;
    /** Numbers, from 0 to 255, rather than something seen. */
    private static final List<String> GREY = List.of("-color_range", "pc");

    private final Path file;
    private final Frames kind;
    private long frames;
    private final Tool tool;
    private final BlockingQueue<byte[]> queue = new ArrayBlockingQueue<>(WAITING);
    private final Thread thread;
    private volatile boolean broken;

    /**
     * The frames as the encoder is given them.
     *
     * @param pixels ffmpeg's word for their samples
     * @param bytes of each
     */
    public record Frames(String pixels, int bytes, Painter painter) {
        /** Red, green, blue and straight alpha, 8 bits each. */
        public static Frames rgba(Format format) {
            return new Frames(
                    "rgba",
                    Math.multiplyExact(4, format.width() * format.height()),
                    (shown, out) -> System.arraycopy(shown.rgba(Bytes.See.PICTURE), 0, out, 0, out.length));
        }
    }

    /** Paints a frame into its bytes. */
    public interface Painter {
        void paint(PreparedFrame shown, byte[] out);
    }

    /** The arguments that take a sound in and encode it; none without one. */
    public static List<String> with(Optional<Path> sound, String... encoding) {
        List<String> all = new ArrayList<>();
        sound.ifPresent(wav -> {
            all.addAll(List.of("-i", wav.toAbsolutePath().toString()));
            all.addAll(List.of(encoding));
        });
        return all;
    }

    /**
     * @param sound as {@link #with} gives it
     * @param encoding ffmpeg's arguments for the pictures and the container
     */
    public VideoWriter(Path file, Format format, Frames kind, List<String> sound, List<String> encoding) {
        this.file = file;
        this.kind = kind;
        tool = Tool.start(command(file, format, kind, sound, encoding), true);
        thread = new Thread(this::write, "encode");
        thread.setDaemon(true);
        thread.start();
    }

    private static List<String> command(
            Path file, Format format, Frames kind, List<String> sound, List<String> encoding) {
        List<String> all = new ArrayList<>(List.of(
                "nice",
                "-n",
                "10",
                "ffmpeg",
                "-nostdin",
                "-hide_banner",
                "-loglevel",
                "error",
                "-y",
                "-f",
                "rawvideo",
                "-pix_fmt",
                kind.pixels,
                "-s",
                format.width() + "x" + format.height(),
                "-framerate",
                format.rate().toString()));
        all.addAll(kind.pixels.startsWith("yuv") ? tags("tv") : List.of());
        all.addAll(List.of("-i", "pipe:0"));
        all.addAll(sound);
        int container = encoding.indexOf("-f");
        all.addAll(encoding.subList(0, container));
        boolean grey = kind.pixels.equals("gray");
        all.addAll(grey ? GREY : tags(encoding.contains("bgra") ? "pc" : "tv"));
        all.addAll(encoding.subList(container, encoding.size()));
        all.add(file.toAbsolutePath().toString());
        return all;
    }

    private static List<String> tags(String range) {
        return List.of(
                "-color_range",
                range,
                "-colorspace",
                range.equals("pc") ? "rgb" : "bt709",
                "-color_primaries",
                "bt709",
                "-color_trc",
                "bt709");
    }

    @Override
    public void write(PreparedFrame shown, long number) {
        byte[] samples = new byte[kind.bytes];
        kind.painter.paint(shown, samples);
        write(samples);
    }

    /** Writes a frame whose samples are there already; they aren't to be changed any more. */
    public void write(byte[] samples) {
        put(samples);
        frames++;
    }

    private void put(byte[] samples) {
        try {
            while (!queue.offer(samples, 200, TimeUnit.MILLISECONDS)) {
                fail();
            }
            fail();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new MediaException("Writing was stopped.", e);
        }
    }

    private void fail() {
        if (broken) {
            String words = tool.words().toLowerCase(Locale.ROOT);
            throw new MediaException("The video couldn't be written: "
                    + (words.contains("no space left")
                            ? "the disk is full."
                            : words.contains("permission denied")
                                    ? "it may not be written there."
                                    : words.contains("no such file")
                                            ? "its folder isn't there."
                                            : "the encoder ended before its work was done."));
        }
    }

    private void write() {
        try (OutputStream out = tool.process().getOutputStream()) {
            for (byte[] next = queue.take(); next != END; next = queue.take()) {
                out.write(next);
            }
        } catch (IOException e) {
            broken = true;
        } catch (InterruptedException e) {
            broken = true;
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void finish() {
        put(END);
        try {
            thread.join();
            if (tool.process().waitFor() != 0) {
                broken = true;
            }
            fail();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new MediaException("Writing was stopped.", e);
        }
        readBack();
    }

    /** An encoder that can't write its index on a full disk ends as if nothing were wrong. */
    private void readBack() {
        long there;
        try {
            there = Probe.of(file).frames();
        } catch (MediaException e) {
            throw new MediaException("The video couldn't be written whole: the disk may be full.", e);
        }
        if (there != frames) {
            throw new MediaException("The video couldn't be written whole: " + there + " of " + frames
                    + " frames are in it. The disk may be full.");
        }
    }

    @Override
    public void close() {
        tool.close();
        thread.interrupt();
    }
}

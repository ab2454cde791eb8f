package aperta.media.ffmpeg;

import aperta.core.picture.Yuv;
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

/** Writes H.264 in MP4: 4:2:0, 8 bits, tagged BT.709, with its index in front. Frames come in order. */
public final class H264Writer implements FrameWriter {
    private static final byte[] END = new byte[0];
    private static final int WAITING = 3;

    /** Of the encoder: what it writes depends on how many there are, so they are the same on every machine. */
    private static final int THREADS = 4;

    private final Path file;
    private final int bytes;
    private long frames;
    private final Tool tool;
    private final BlockingQueue<byte[]> queue = new ArrayBlockingQueue<>(WAITING);
    private final Thread thread;
    private volatile boolean broken;

    /**
     * How hard x264 tries.
     *
     * @param preset of x264, such as {@code medium}
     * @param crf the rate factor; 16 is hard to tell from the original
     * @param tune what the pictures are like, such as {@code grain}
     */
    public record Quality(String preset, int crf, Optional<String> tune) {
        public static final Quality FINE = new Quality("medium", 16, Optional.empty());
    }

    /**
     * @param sound a WAV file that goes with it, as AAC
     */
    public H264Writer(Path file, Format format, Quality quality, Optional<Path> sound) {
        if (format.width() % 2 != 0 || format.height() % 2 != 0) {
            throw new MediaException("H.264 needs an even width and height, not " + format.width() + " × "
                    + format.height() + "; write PNG frames instead, or change the shot's size.");
        }
        this.file = file;
        bytes = Yuv.size(format.width(), format.height());
        tool = Tool.start(command(file, format, quality, sound), true);
        thread = new Thread(this::write, "encode");
        thread.setDaemon(true);
        thread.start();
    }

    private static List<String> command(Path file, Format format, Quality quality, Optional<Path> sound) {
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
                "yuv420p",
                "-s",
                format.width() + "x" + format.height(),
                "-framerate",
                format.rate().toString(),
                "-color_range",
                "tv",
                "-colorspace",
                "bt709",
                "-color_primaries",
                "bt709",
                "-color_trc",
                "bt709",
                "-i",
                "pipe:0"));
        sound.ifPresent(
                wav -> all.addAll(List.of("-i", wav.toAbsolutePath().toString(), "-c:a", "aac", "-b:a", "256k")));
        all.addAll(List.of(
                "-c:v",
                "libx264",
                "-threads",
                Integer.toString(THREADS),
                "-x264-params",
                "cpu-independent=1",
                "-preset",
                quality.preset,
                "-crf",
                Integer.toString(quality.crf)));
        quality.tune.ifPresent(tune -> all.addAll(List.of("-tune", tune)));
        all.addAll(List.of(
                "-pix_fmt",
                "yuv420p",
                "-color_range",
                "tv",
                "-colorspace",
                "bt709",
                "-color_primaries",
                "bt709",
                "-color_trc",
                "bt709",
                "-movflags",
                "+faststart",
                "-f",
                "mp4",
                file.toAbsolutePath().toString()));
        return all;
    }

    @Override
    public void write(PreparedFrame shown, long number) {
        byte[] samples = new byte[bytes];
        shown.planar420(samples);
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

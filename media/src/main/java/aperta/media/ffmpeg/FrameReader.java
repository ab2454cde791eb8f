package aperta.media.ffmpeg;

import aperta.core.picture.Packed;
import aperta.core.picture.Pixels;
import aperta.core.picture.Planar;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;

/** Reads frames one after the other from a given one on, a few ahead of what was asked for. One thread's. */
public final class FrameReader implements AutoCloseable {
    private static final int AHEAD = 4;
    private static final long PATIENCE_SECONDS = 60;

    /** A frame's samples, or why there are no more. */
    private record Arrived(Optional<byte[]> frame, String why) {}

    private final Probe probe;
    private final int level;
    private final Tool tool;
    private final BlockingQueue<Arrived> arrived = new ArrayBlockingQueue<>(AHEAD);
    private final Thread thread;
    private volatile boolean closed;
    private long position;

    /**
     * @param level 1 for the frame as it is, 2 for half its sides
     * @param start the number of the first frame that {@link #next} gives
     */
    public FrameReader(Path file, Probe probe, int level, long start) {
        this.probe = probe;
        this.level = level;
        this.position = start;
        tool = Tool.start(command(file, start), false);
        thread = new Thread(this::read, "frames");
        thread.setDaemon(true);
        thread.start();
    }

    private List<String> command(Path file, long start) {
        List<String> c = new ArrayList<>(List.of(
                "ffmpeg",
                "-nostdin",
                "-hide_banner",
                "-loglevel",
                "error",
                "-protocol_whitelist",
                "file,pipe",
                "-format_whitelist",
                Probe.CONTAINERS));
        if (probe.alpha() && (probe.codec().equals("vp9") || probe.codec().equals("vp8"))) {
            // The built-in decoders leave the alpha out.
            c.addAll(List.of("-c:v", probe.codec().equals("vp9") ? "libvpx-vp9" : "libvpx"));
        }
        if (start > 0) {
            c.addAll(List.of(
                    "-ss", String.format(Locale.ROOT, "%.6f", probe.rate().seconds(start - 0.5))));
        }
        c.addAll(List.of("-i", file.toAbsolutePath().toString(), "-map", "0:v:0", "-an", "-sn"));
        List<String> filters = new ArrayList<>();
        if (!probe.steady()) {
            filters.add("fps=" + probe.rate());
        }
        filter().ifPresent(filters::add);
        if (!filters.isEmpty()) {
            c.addAll(List.of("-vf", String.join(",", filters)));
        }
        c.addAll(List.of("-fps_mode", "passthrough", "-f", "rawvideo", "-pix_fmt", pixels(), "pipe:1"));
        return c;
    }

    private Optional<String> filter() {
        String size = "w=" + probe.side(probe.width(), level) + ":h=" + probe.side(probe.height(), level);
        if (probe.planar().isPresent()) {
            return level == 1 ? Optional.empty() : Optional.of("scale=" + size + ":flags=area+accurate_rnd+bitexact");
        }
        String matrix = probe.bt709() ? ":in_color_matrix=bt709" : "";
        return Optional.of("scale=" + size + matrix
                + ":flags=" + (level == 1 ? "bicubic" : "area")
                + "+accurate_rnd+full_chroma_int+full_chroma_inp+bitexact");
    }

    private String pixels() {
        if (probe.planar().isPresent()) {
            return probe.planar().get().full() ? "yuvj420p" : "yuv420p";
        }
        return probe.bits() == 16 ? probe.alpha() ? "rgba64le" : "rgb48le" : probe.alpha() ? "rgba" : "rgb24";
    }

    /** The bytes of one frame. */
    public static int size(Probe probe, int level) {
        int w = probe.side(probe.width(), level);
        int h = probe.side(probe.height(), level);
        return Math.toIntExact(
                probe.planar().isPresent()
                        ? Planar.size(w, h)
                        : (long) w * h * (probe.alpha() ? 4 : 3) * (probe.bits() / 8));
    }

    /** A frame's bytes as pixels. */
    public static Pixels pixels(Probe probe, int level, byte[] data) {
        int w = probe.side(probe.width(), level);
        int h = probe.side(probe.height(), level);
        return probe.planar().isPresent()
                ? new Planar(w, h, probe.planar().get(), data)
                : new Packed(w, h, probe.alpha() ? 4 : 3, probe.bits(), data);
    }

    private void read() {
        int size = size(probe, level);
        try (InputStream in = tool.process().getInputStream()) {
            while (!closed) {
                byte[] frame = new byte[size];
                int read = in.readNBytes(frame, 0, size);
                if (read < size) {
                    arrived.put(new Arrived(Optional.empty(), read > 0 ? "cut off" : tool.words()));
                    return;
                }
                arrived.put(new Arrived(Optional.of(frame), ""));
            }
        } catch (IOException e) {
            arrived.offer(new Arrived(Optional.empty(), "cut off"));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** The number of the frame that {@link #next} gives. */
    public long position() {
        return position;
    }

    /** The next frame's bytes; nothing after the last. */
    public Optional<byte[]> next() {
        try {
            Arrived a = arrived.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
            if (a == null) {
                throw new MediaException("Reading frame " + position + " took too long.");
            }
            if (a.frame.isPresent()) {
                position++;
            } else if (!a.why.isEmpty()) {
                throw new MediaException("The video breaks off after frame " + position + ": it is damaged.");
            }
            return a.frame;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new MediaException("Reading was stopped.", e);
        }
    }

    @Override
    public void close() {
        closed = true;
        tool.close();
        thread.interrupt();
    }
}

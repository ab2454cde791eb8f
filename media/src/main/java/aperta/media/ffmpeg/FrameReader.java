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
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads frames one after the other from a given one on, a few ahead of what was asked for. Each comes with the time at which the
 * file wants it seen, so that its number is known wherever reading began. One thread's.
 */
public final class FrameReader implements AutoCloseable {
    private static final int AHEAD = 4;
    private static final long PATIENCE_SECONDS = 60;
    private static final Pattern TIME = Pattern.compile("\\[Parsed_showinfo.* pts_time:(\\S+)");

    /** How many frames a file without an index may spoil or leave out where reading begins. */
    private static final int SPOILT = 12;

    /** Fields are put together from the frames before and after. */
    private static final int FIELDS = 3;

    /** A frame's samples and its number in the file, or why there are no more. */
    private record Arrived(Optional<byte[]> frame, int number, String why) {}

    private final Path file;
    private final Probe probe;
    private final int level;
    private final boolean reducedHere;
    private final boolean inBackground;
    private long position;
    private Optional<Reading> reading = Optional.empty();
    private Arrived shown;
    private Optional<Arrived> next = Optional.empty();

    /**
     * @param level 1 for the frame as it is, 2 for half its sides
     * @param start the number of the first frame that {@link #next} gives
     */
    public FrameReader(Path file, Probe probe, int level, long start) {
        this(file, probe, level, start, false);
    }

    /** Reads a file through from its first frame, and leaves the processor to whoever looks at pictures meanwhile. */
    public static FrameReader inBackground(Path file, Probe probe, int level) {
        return new FrameReader(file, probe, level, 0, true);
    }

    private FrameReader(Path file, Probe probe, int level, long start, boolean inBackground) {
        this.inBackground = inBackground;
        this.file = file;
        this.probe = probe;
        this.level = level;
        // ffmpeg would average colours without their alpha, and stretch sides that don't come out even.
        this.reducedHere = level > 1 && (probe.alpha() || probe.width() % level != 0 || probe.height() % level != 0);
        this.position = start;
    }

    /** Begins early enough for the wanted frame to be whole; where a file's seeking misses it, earlier. */
    private void begin() {
        int wanted = probe.times().map(t -> t.inFile(position)).orElse(0);
        int spoilt = probe.indexed() ? probe.interlaced() ? FIELDS : 0 : SPOILT;
        double[] leads = probe.indexed() ? new double[] {0, 2} : new double[] {2, 10};
        for (double lead : leads) {
            Optional<Double> from = seek(wanted, spoilt, lead);
            if (from.isEmpty()) {
                break;
            }
            Reading tried = new Reading(command(from), false);
            reading = Optional.of(tried);
            Arrived first = tried.take(position);
            if (first.frame.isPresent() && first.number >= 0 && first.number <= wanted - spoilt) {
                next = Optional.of(first);
                return;
            }
            tried.close();
        }
        reading = Optional.of(new Reading(command(Optional.empty()), true));
    }

    /** Where to begin, in seconds from the file's beginning; nothing for the beginning itself. */
    private Optional<Double> seek(int wanted, int spoilt, double lead) {
        return probe.times()
                .map(t -> {
                    double half = probe.rate().seconds(0.5);
                    return t.time(Math.max(0, wanted - spoilt)) - half - lead - probe.start();
                })
                .filter(at -> wanted > spoilt && at > 0);
    }

    private List<String> command(Optional<Double> from) {
        List<String> c = new ArrayList<>(inBackground ? List.of("nice", "-n", "10") : List.of());
        c.addAll(List.of(
                "ffmpeg",
                "-nostdin",
                "-hide_banner",
                "-nostats",
                "-loglevel",
                "level+info",
                "-protocol_whitelist",
                "file,pipe",
                "-format_whitelist",
                Probe.CONTAINERS));
        if (probe.alpha() && (probe.codec().equals("vp9") || probe.codec().equals("vp8"))) {
            // The built-in decoders leave the alpha out.
            c.addAll(List.of("-c:v", probe.codec().equals("vp9") ? "libvpx-vp9" : "libvpx"));
        }
        c.add("-copyts");
        from.ifPresent(at -> c.addAll(List.of("-ss", String.format(Locale.ROOT, "%.6f", at))));
        c.addAll(List.of("-i", file.toAbsolutePath().toString(), "-map", "0:v:0", "-an", "-sn"));
        List<String> filters = new ArrayList<>();
        if (probe.interlaced()) {
            filters.add("bwdif=mode=send_frame:parity=auto:deint=interlaced");
        }
        filters.add("showinfo=checksum=0");
        filter().ifPresent(filters::add);
        c.addAll(List.of("-vf", String.join(",", filters)));
        c.addAll(List.of("-fps_mode", "passthrough", "-f", "rawvideo", "-pix_fmt", pixels(), "pipe:1"));
        return c;
    }

    /** The level at which frames come from ffmpeg. */
    private int readLevel() {
        return reducedHere ? 1 : level;
    }

    private Optional<String> filter() {
        int at = readLevel();
        String size = "w=" + probe.side(probe.width(), at) + ":h=" + probe.side(probe.height(), at);
        String how = ":flags=" + (at == 1 ? "bicubic" : "area") + "+accurate_rnd";
        if (probe.planar().isPresent()) {
            return at == 1 && probe.square() ? Optional.empty() : Optional.of("scale=" + size + how + "+bitexact");
        }
        String matrix = probe.bt709() ? ":in_color_matrix=bt709" : "";
        return Optional.of("scale=" + size + matrix + how + "+full_chroma_int+full_chroma_inp+bitexact");
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
                : new Packed(w, h, probe.alpha() ? 4 : 3, probe.bits(), probe.white(), data);
    }

    /** One run of ffmpeg, whose frames are taken in by a thread of their own. */
    private final class Reading implements AutoCloseable {
        private final boolean fromTheBeginning;
        private final Tool tool;
        private final BlockingQueue<Arrived> arrived = new ArrayBlockingQueue<>(AHEAD);
        private final BlockingQueue<String> times = new LinkedBlockingQueue<>();
        private final Thread thread;
        private volatile boolean closed;

        Reading(List<String> command, boolean fromTheBeginning) {
            this.fromTheBeginning = fromTheBeginning;
            tool = Tool.start(command, false, this::hear);
            thread = new Thread(this::read, "frames");
            thread.setDaemon(true);
            thread.start();
        }

        /** Of what ffmpeg says the frames' times are for us, and errors for people. */
        private boolean hear(String line) {
            Matcher time = TIME.matcher(line);
            if (time.find()) {
                times.add(time.group(1));
            }
            return line.contains("[error]") || line.contains("[fatal]");
        }

        private void read() {
            int size = size(probe, readLevel());
            try (InputStream in = tool.process().getInputStream()) {
                int before = fromTheBeginning ? -1 : Integer.MIN_VALUE;
                while (!closed) {
                    byte[] frame = new byte[size];
                    int read = in.readNBytes(frame, 0, size);
                    if (read < size) {
                        arrived.put(new Arrived(Optional.empty(), before, read > 0 ? "cut off" : tool.words()));
                        return;
                    }
                    before = number(before);
                    arrived.put(new Arrived(Optional.of(reducedHere ? reduced(frame) : frame), before, ""));
                }
            } catch (IOException e) {
                arrived.offer(new Arrived(Optional.empty(), -1, "cut off"));
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }

        /** Which of the file's frames this is, by its time; without one, the next. Under 0 where it can't be known. */
        private int number(int before) throws InterruptedException {
            String time = times.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
            if (probe.times().isEmpty() || time == null) {
                return before + 1;
            }
            try {
                return Math.max(before, probe.times().get().nearest(Double.parseDouble(time)));
            } catch (NumberFormatException e) {
                return before + 1;
            }
        }

        private byte[] reduced(byte[] frame) {
            Pixels small = pixels(probe, 1, frame).reduced(level);
            return small instanceof Packed packed ? packed.data() : ((Planar) small).data();
        }

        Arrived take(long wanted) {
            try {
                Arrived a = arrived.poll(PATIENCE_SECONDS, TimeUnit.SECONDS);
                if (a == null) {
                    throw new MediaException("Reading frame " + wanted + " took too long.");
                }
                return a;
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

    /** The number of the frame that {@link #next} gives. */
    public long position() {
        return position;
    }

    /** The next frame's bytes; nothing after the last. */
    public Optional<byte[]> next() {
        if (reading.isEmpty()) {
            begin();
        }
        if (probe.times().isPresent() && position >= probe.times().get().frames()) {
            return end();
        }
        int wanted = probe.times().map(t -> t.inFile(position)).orElse((int) position);
        while (shown == null || shown.number < wanted) {
            Arrived a = next.orElseGet(() -> reading.orElseThrow().take(position));
            next = Optional.empty();
            if (a.frame.isEmpty()) {
                if (!a.why.isEmpty()) {
                    throw new MediaException("The video breaks off after frame " + position + ": it is damaged.");
                }
                next = Optional.of(a);
                return Optional.empty();
            }
            if (shown != null && a.number > wanted) {
                // The frame is missing: the one before it stays.
                next = Optional.of(a);
                break;
            }
            shown = a;
        }
        position++;
        return shown.frame;
    }

    /** Nothing more; what was read from the beginning must have ended well, too. */
    private Optional<byte[]> end() {
        Reading all = reading.orElseThrow();
        while (all.fromTheBeginning) {
            Arrived a = next.orElseGet(() -> all.take(position));
            next = a.frame.isEmpty() ? Optional.of(a) : Optional.empty();
            if (a.frame.isEmpty()) {
                if (!a.why.isEmpty()) {
                    throw new MediaException("The video breaks off after frame " + position + ": it is damaged.");
                }
                break;
            }
        }
        return Optional.empty();
    }

    @Override
    public void close() {
        reading.ifPresent(Reading::close);
    }
}

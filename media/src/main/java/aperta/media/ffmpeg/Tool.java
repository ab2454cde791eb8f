package aperta.media.ffmpeg;

import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;

/** Starts ffmpeg and ffprobe with fixed arguments, and keeps the end of what they say. */
final class Tool implements AutoCloseable {
    /** Address space; a decoder that wants more is reading something hostile. */
    private static final String MEMORY = "--as=8589934592";

    private static final int KEPT_WORDS = 4000;

    private final Process process;
    private final StringBuilder words = new StringBuilder();
    private final Predicate<String> kept;
    private final Thread drain;

    private Tool(Process process, Predicate<String> kept) {
        this.process = process;
        this.kept = kept;
        drain = new Thread(this::drain, "ffmpeg-words");
        drain.setDaemon(true);
        drain.start();
    }

    /** @param input whether something will be written to the process */
    static Tool start(List<String> command, boolean input) {
        return start(command, input, line -> true);
    }

    /** @param kept is told each line that the process says, and says whether it is to be kept */
    static Tool start(List<String> command, boolean input, Predicate<String> kept) {
        List<String> bounded = new ArrayList<>(List.of("prlimit", MEMORY));
        bounded.addAll(command);
        try {
            Process process = new ProcessBuilder(bounded).start();
            if (!input) {
                process.getOutputStream().close();
            }
            return new Tool(process, kept);
        } catch (IOException e) {
            throw new MediaException("ffmpeg could not be started; is it installed?", e);
        }
    }

    /** Runs to the end and gives what was printed. */
    static byte[] run(List<String> command, Duration limit, int mostBytes) {
        try (Tool tool = start(command, false)) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            Thread watch = tool.killAfter(limit);
            InputStream in = tool.process.getInputStream();
            byte[] part = new byte[8192];
            for (int n = in.read(part); n >= 0; n = in.read(part)) {
                out.write(part, 0, n);
                if (out.size() > mostBytes) {
                    throw new MediaException("The file describes itself at such length that it can't be read.");
                }
            }
            int exit = tool.process.waitFor();
            watch.interrupt();
            if (exit != 0) {
                throw new MediaException(tool.words());
            }
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new MediaException("Reading was stopped.", e);
        }
    }

    private Thread killAfter(Duration limit) {
        Thread watch = new Thread(
                () -> {
                    try {
                        if (!process.waitFor(limit.toMillis(), TimeUnit.MILLISECONDS)) {
                            process.destroyForcibly();
                        }
                    } catch (InterruptedException e) {
                        Thread.currentThread().interrupt();
                    }
                },
                "ffmpeg-limit");
        watch.setDaemon(true);
        watch.start();
        return watch;
    }

    Process process() {
        return process;
    }

    private void drain() {
        try (BufferedReader in =
                new BufferedReader(new InputStreamReader(process.getErrorStream(), StandardCharsets.UTF_8))) {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                if (!kept.test(line)) {
                    continue;
                }
                synchronized (words) {
                    words.append(line).append('\n');
                    if (words.length() > KEPT_WORDS) {
                        words.delete(0, words.length() - KEPT_WORDS);
                    }
                }
            }
        } catch (IOException e) {
            // The process was ended; what it said until then is kept.
            Thread.currentThread().setName("ffmpeg-words-ended");
        }
    }

    /** What the process said last. */
    String words() {
        try {
            drain.join(2000);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        synchronized (words) {
            return words.toString().strip();
        }
    }

    @Override
    public void close() {
        process.destroyForcibly();
    }
}

package aperta.media.ffmpeg;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Clips for tests, made by ffmpeg itself. */
public final class Clips {
    private Clips() {}

    public static Path make(Path file, String... options) {
        List<String> command =
                new ArrayList<>(List.of("ffmpeg", "-nostdin", "-hide_banner", "-loglevel", "error", "-y"));
        command.addAll(List.of(options));
        command.add(file.toString());
        return run(command, file);
    }

    public static Path moving(Path file, String size, String rate, int frames, String... codec) {
        List<String> options = new ArrayList<>(List.of(
                "-f", "lavfi", "-i", "testsrc2=s=" + size + ":r=" + rate, "-frames:v", Integer.toString(frames)));
        options.addAll(List.of(codec));
        return make(file, options.toArray(String[]::new));
    }

    private static Path run(List<String> command, Path file) {
        try {
            Process p = new ProcessBuilder(command).inheritIO().start();
            if (p.waitFor() != 0) {
                throw new IllegalStateException("ffmpeg refused " + command);
            }
            return file;
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}

package aperta.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.UUID;

/** The folder in which the application keeps its files. */
public final class Storage {
    private final Path root;

    public Storage(Path root) {
        this.root = root;
    }

    /** An original, by the hash of its bytes and its ending. */
    public Path original(String name) {
        return in("media").resolve(name);
    }

    public Path proxy(String hash) {
        return in("proxies").resolve(hash + ".half");
    }

    /** The bare samples of a sound. */
    public Path samples(String hash) {
        return in("sounds").resolve(hash + ".f32");
    }

    public Path render(UUID job, String ending) {
        return in("renders").resolve(job + ending);
    }

    public Path incoming() {
        return in("incoming");
    }

    public Path plates() {
        return in("plates");
    }

    private Path in(String name) {
        try {
            return Files.createDirectories(root.resolve(name));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

package aperta.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The folder in which the application keeps its files. */
public final class Storage {
    private static final Logger LOG = LoggerFactory.getLogger(Storage.class);

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

    /** What was found out about a clip, by the hash of its bytes. */
    public Path finding(String hash) {
        return in("findings").resolve(hash);
    }

    /** A file's name, which stays when the folder is moved. */
    public String name(Path file) {
        return root.relativize(file).toString();
    }

    /** The file of such a name. */
    public Path named(String name) {
        return root.resolve(name);
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

    /** Whether the files are those of a database; a folder that is nobody's yet becomes its. */
    public boolean belongsTo(String database) {
        try {
            Path name = Files.createDirectories(root).resolve("database");
            if (!Files.exists(name)) {
                Files.writeString(name, database);
            }
            return Files.readString(name).equals(database);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public String toString() {
        return root.toString();
    }

    /** Everything that belongs to nobody: what was being brought in, or written, when the application was ended. */
    public void clearUnfinished() {
        for (Path folder : List.of(
                incoming(), in("media"), in("proxies"), in("sounds"), in("findings"), in("renders"), plates())) {
            for (Path file : all(folder)) {
                if (folder.endsWith("incoming") || file.toString().endsWith(".part")) {
                    delete(file);
                }
            }
        }
    }

    /**
     * Removes the files of media and renders that nobody has any more.
     *
     * @param hashes of all media
     * @param findings the hashes of what was found out about them
     * @param jobs that there are
     * @param since files that changed later are left alone: their owner may be about to be kept
     */
    public void sweep(Set<String> hashes, Set<String> findings, Set<String> jobs, Instant since) {
        for (String folder : List.of("media", "proxies", "sounds")) {
            sweep(in(folder), hashes, since);
        }
        sweep(in("findings"), findings, since);
        sweep(in("renders"), jobs, since);
    }

    private static void sweep(Path folder, Set<String> owners, Instant since) {
        for (Path file : all(folder)) {
            String name = file.getFileName().toString();
            int dot = name.indexOf('.');
            try {
                if (!owners.contains(dot < 0 ? name : name.substring(0, dot))
                        && Files.getLastModifiedTime(file).toInstant().isBefore(since)) {
                    delete(file);
                }
            } catch (IOException e) {
                LOG.debug("{} went by itself", file, e);
            }
        }
    }

    /** How many bytes the files of a folder take. */
    public long bytes(String... folders) {
        return Stream.of(folders)
                .flatMap(f -> all(in(f)).stream())
                .mapToLong(f -> f.toFile().length())
                .sum();
    }

    private static List<Path> all(Path folder) {
        try (Stream<Path> files = Files.list(folder)) {
            return files.toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void delete(Path file) {
        try (Stream<Path> all = Files.walk(file)) {
            for (Path each : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(each);
            }
        } catch (IOException e) {
            LOG.warn("{} couldn't be removed", file, e);
        }
    }

    private Path in(String name) {
        try {
            return Files.createDirectories(root.resolve(name));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}

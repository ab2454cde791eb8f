package aperta.media.file;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * A file in the making: it lies beside its place, ending in {@code .part}, until it is complete. What isn't completed goes,
 * also when the process is ended, and whatever was there before stays.
 */
public final class Unfinished implements AutoCloseable {
    private static final Set<Path> ALL = ConcurrentHashMap.newKeySet();

    static {
        Runtime.getRuntime()
                .addShutdownHook(new Thread(() -> ALL.forEach(p -> p.toFile().delete()), "unfinished-files"));
    }

    private final Path target;
    private final Path part;

    public Unfinished(Path target) {
        this(target, target.resolveSibling(target.getFileName() + ".part"));
    }

    private Unfinished(Path target, Path part) {
        this.target = target;
        this.part = part;
        ALL.add(part);
    }

    /** One that several may be making at once; the last to finish stays. */
    public static Unfinished ofMany(Path target) throws IOException {
        return new Unfinished(
                target, Files.createTempFile(target.toAbsolutePath().getParent(), target.getFileName() + ".", ".part"));
    }

    /** Where to write. */
    public Path part() {
        return part;
    }

    /** Gives it its name. */
    public void finish() throws IOException {
        Files.move(part, target, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    }

    @Override
    public void close() {
        part.toFile().delete();
        ALL.remove(part);
    }

    /** Why a file couldn't be written, as the end of a sentence. */
    public static String why(IOException e) {
        String said = String.valueOf(e.getMessage()).toLowerCase(java.util.Locale.ROOT);
        if (said.contains("no space left") || said.contains("quota")) {
            return "the disk is full";
        }
        if (e instanceof AccessDeniedException || said.contains("permission denied")) {
            return "it may not be written there";
        }
        if (e instanceof NoSuchFileException) {
            return "its folder isn't there";
        }
        return "the disk may be full, or not there any more";
    }
}

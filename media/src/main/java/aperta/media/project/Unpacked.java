package aperta.media.project;

import aperta.media.json.BadDocument;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.Enumeration;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/**
 * An {@code .aperta} file: a zip with {@code project.json}, a shot's file, and the media and fonts that it names. It is
 * unpacked into a folder of its own, which goes when this is closed.
 */
public final class Unpacked implements AutoCloseable {
    private static final long MOST_BYTES = 64L << 30;
    private static final int MOST_FILES = 10_000;

    private final Path folder;

    /** @throws BadDocument where it isn't such a file, or a hostile one */
    public Unpacked(Path file) {
        try {
            folder = Files.createTempDirectory("aperta-project");
        } catch (IOException e) {
            throw new BadDocument("", "There is no room for unpacking the project.");
        }
        try (ZipFile zip = new ZipFile(file.toFile())) {
            unpack(zip);
        } catch (ZipException e) {
            close();
            throw new BadDocument("", "This is not a project file: it isn't a zip.");
        } catch (IOException e) {
            close();
            throw new BadDocument("", "The project file can't be read.");
        } catch (BadDocument e) {
            close();
            throw e;
        }
    }

    private void unpack(ZipFile zip) throws IOException {
        if (zip.size() > MOST_FILES) {
            throw new BadDocument("", "The project file holds too many files.");
        }
        long bytes = 0;
        for (Enumeration<? extends ZipEntry> all = zip.entries(); all.hasMoreElements(); ) {
            ZipEntry entry = all.nextElement();
            Path to = folder.resolve(entry.getName()).normalize();
            if (!to.startsWith(folder)) {
                throw new BadDocument("", "The project file names a place outside itself.");
            }
            if (entry.isDirectory()) {
                continue;
            }
            Files.createDirectories(to.getParent());
            try (InputStream in = zip.getInputStream(entry);
                    OutputStream out = Files.newOutputStream(to)) {
                byte[] part = new byte[1 << 16];
                for (int n = in.read(part); n >= 0; n = in.read(part)) {
                    bytes += n;
                    if (bytes > MOST_BYTES) {
                        throw new BadDocument("", "The project file unpacks to more than can be kept.");
                    }
                    out.write(part, 0, n);
                }
            }
        }
    }

    public ShotFile shotFile() {
        return ShotFile.read(folder.resolve("project.json"));
    }

    @Override
    public void close() {
        try (Stream<Path> all = Files.walk(folder)) {
            all.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
        } catch (IOException e) {
            throw new BadDocument("", "The unpacked project couldn't be removed.");
        }
    }
}

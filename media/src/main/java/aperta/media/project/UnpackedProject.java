package aperta.media.project;

import aperta.media.json.BadDocument;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/**
 * An {@code .aperta} file: a zip with {@code project.json}, a shot's file, and the media and fonts that it names. These, and
 * nothing else, are unpacked into a folder of their own, which goes when this is closed.
 */
public final class UnpackedProject implements AutoCloseable {
    private static final String PROJECT = "project.json";
    private static final int MOST_PROJECT_BYTES = 64 << 20;

    /** What is left of the disk for everybody else. */
    private static final long SPARED_BYTES = 256L << 20;

    private final Path folder;
    private long room;

    /** @throws BadDocument where it isn't such a file, or a hostile one */
    public UnpackedProject(Path file) {
        try {
            folder = Files.createTempDirectory("aperta-project");
            room = Files.getFileStore(folder).getUsableSpace() - SPARED_BYTES;
        } catch (IOException e) {
            throw new BadDocument("", "There is no room for unpacking the project.");
        }
        Runtime.getRuntime().addShutdownHook(new Thread(this::remove, "unpacked"));
        try (ZipFile zip = new ZipFile(file.toFile())) {
            unpack(zip);
        } catch (ZipException e) {
            close();
            throw new BadDocument("", "This is not a project file: it isn't a zip.");
        } catch (IOException e) {
            close();
            throw new BadDocument("", "The project file can't be unpacked: it is damaged, or the disk is full.");
        } catch (BadDocument e) {
            close();
            throw e;
        }
    }

    private void unpack(ZipFile zip) throws IOException {
        ZipEntry project = zip.getEntry(PROJECT);
        if (project == null) {
            throw new BadDocument("", "This is not a project file: there is no '" + PROJECT + "' in it.");
        }
        byte[] json;
        try (InputStream in = zip.getInputStream(project)) {
            json = in.readNBytes(MOST_PROJECT_BYTES + 1);
        }
        if (json.length > MOST_PROJECT_BYTES) {
            throw new BadDocument("", "'" + PROJECT + "' is larger than any project.");
        }
        Files.write(folder.resolve(PROJECT), json);
        for (String name : ShotFile.filesOf(ShotFile.parsed(new String(json, StandardCharsets.UTF_8)))) {
            Path to = folder.resolve(name).normalize();
            if (!to.startsWith(folder)) {
                throw new BadDocument("", "The project file names a place outside itself: '" + name + "'.");
            }
            ZipEntry entry = zip.getEntry(name);
            if (entry == null || entry.isDirectory()) {
                throw new BadDocument("", "The project names '" + name + "', which is not in it.");
            }
            Files.createDirectories(to.getParent());
            unpack(zip, entry, to);
        }
    }

    private void unpack(ZipFile zip, ZipEntry entry, Path to) throws IOException {
        try (InputStream in = zip.getInputStream(entry);
                OutputStream out = Files.newOutputStream(to)) {
            byte[] part = new byte[1 << 16];
            for (int n = in.read(part); n >= 0; n = in.read(part)) {
                room -= n;
                if (room < 0) {
                    throw new BadDocument("", "The project file unpacks to more than the disk has room for.");
                }
                out.write(part, 0, n);
            }
        }
    }

    public ShotFile shotFile() {
        return ShotFile.read(folder.resolve(PROJECT));
    }

    @Override
    public void close() {
        remove();
    }

    private void remove() {
        if (!Files.exists(folder)) {
            return;
        }
        try (Stream<Path> all = Files.walk(folder)) {
            all.sorted(Comparator.reverseOrder()).forEach(p -> p.toFile().delete());
        } catch (IOException e) {
            throw new BadDocument("", "The unpacked project couldn't be removed from " + folder + ".");
        }
    }
}

package aperta.media.ffmpeg;

import aperta.core.picture.Bytes;
import aperta.core.render.PreparedFrame;
import aperta.media.file.Unfinished;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.Collections;
import java.util.Locale;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;

/** Writes numbered PNG frames with alpha into a zip file. */
public final class PngFrames implements FrameWriter {
    /** What every entry says of its time: the first that the format has, so that equal frames are equal files. */
    private static final LocalDateTime NEVER = LocalDateTime.of(1980, 1, 1, 0, 0);

    private final Path file;
    private final OutputStream out;
    private final ZipOutputStream zip;
    private int frames;

    public PngFrames(Path file) {
        this.file = file;
        try {
            out = Files.newOutputStream(file);
            zip = new ZipOutputStream(new BufferedOutputStream(out));
        } catch (IOException e) {
            throw new MediaException("The frames couldn't be written: " + Unfinished.why(e) + ".", e);
        }
        zip.setLevel(Deflater.NO_COMPRESSION);
    }

    @Override
    public void write(PreparedFrame shown, long number) {
        try {
            ZipEntry entry = new ZipEntry(String.format(Locale.ROOT, "frame-%05d.png", number));
            entry.setTimeLocal(NEVER);
            zip.putNextEntry(entry);
            Png.write(shown, Bytes.See.PICTURE, zip);
            zip.closeEntry();
            frames++;
        } catch (IOException e) {
            throw new MediaException("Frame " + number + " couldn't be written: " + Unfinished.why(e) + ".", e);
        }
    }

    @Override
    public void finish() {
        try {
            zip.close();
            readBack();
        } catch (IOException e) {
            throw new MediaException("The frames couldn't be written to the end: " + Unfinished.why(e) + ".", e);
        }
    }

    /** Reads every entry, which holds it against its checksum. */
    private void readBack() throws IOException {
        try (ZipFile written = new ZipFile(file.toFile())) {
            if (written.size() != frames) {
                throw new IOException("Only " + written.size() + " of " + frames + " frames are there.");
            }
            for (ZipEntry entry : Collections.list(written.entries())) {
                try (InputStream in = written.getInputStream(entry)) {
                    in.transferTo(OutputStream.nullOutputStream());
                }
            }
        }
    }

    /** Lets go of the file, without trying to write what a full disk has no room for. */
    @Override
    public void close() {
        try {
            out.close();
        } catch (IOException e) {
            throw new MediaException("The frames couldn't be written: " + Unfinished.why(e) + ".", e);
        }
    }
}

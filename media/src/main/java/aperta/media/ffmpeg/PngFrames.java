package aperta.media.ffmpeg;

import aperta.core.picture.Bytes;
import aperta.core.render.Shown;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Writes numbered PNG frames with alpha into a zip file. */
public final class PngFrames implements FrameWriter {
    private final ZipOutputStream zip;

    public PngFrames(Path file) {
        try {
            zip = new ZipOutputStream(new BufferedOutputStream(Files.newOutputStream(file)));
        } catch (IOException e) {
            throw new MediaException("The file " + file.getFileName() + " couldn't be written.", e);
        }
        zip.setLevel(Deflater.NO_COMPRESSION);
    }

    @Override
    public void write(Shown shown, long number) {
        try {
            zip.putNextEntry(new ZipEntry(String.format(Locale.ROOT, "frame-%05d.png", number)));
            Png.write(shown, Bytes.See.PICTURE, zip);
            zip.closeEntry();
        } catch (IOException e) {
            throw new MediaException("Frame " + number + " couldn't be written: the disk may be full.", e);
        }
    }

    @Override
    public void finish() {
        try {
            zip.finish();
        } catch (IOException e) {
            throw new MediaException("The frames couldn't be written to the end: the disk may be full.", e);
        }
    }

    @Override
    public void close() {
        try {
            zip.close();
        } catch (IOException e) {
            throw new MediaException("The frames couldn't be written to the end: the disk may be full.", e);
        }
    }
}

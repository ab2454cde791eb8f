package aperta.media.plates;

import aperta.media.ffmpeg.MediaException;
import java.io.IOException;
import java.io.InputStream;

/**
 * The coverage of the figure that walks through the platform plate, as it was cut out by the brush strokes that lie in the
 * demo's shot “Behind him”: carrying them again finds the same.
 */
final class PlatformFigure implements MadeFile {
    @Override
    public String id() {
        return "platform-figure";
    }

    @Override
    public String name() {
        return "Figure of platform";
    }

    @Override
    public String ending() {
        return ".mkv";
    }

    @Override
    public byte[] file() {
        try (InputStream shipped = PlatformFigure.class.getResourceAsStream("/plates/platform-figure.mkv")) {
            return shipped.readAllBytes();
        } catch (IOException e) {
            throw new MediaException("The figure of the platform can't be read.", e);
        }
    }
}

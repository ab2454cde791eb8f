package aperta.media.ffmpeg;

import aperta.core.picture.Bands;
import aperta.core.picture.Bytes;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import javax.imageio.ImageIO;

/** Writes a picture as an 8-bit PNG with straight alpha. */
public final class Png {
    private Png() {}

    public static void write(Picture picture, Region frame, long number, Bytes.See see, Bands bands, OutputStream out)
            throws IOException {
        byte[] rgba = Bytes.rgba(picture, frame, number, see, bands);
        BufferedImage image = new BufferedImage(frame.width(), frame.height(), BufferedImage.TYPE_INT_ARGB);
        int[] row = new int[frame.width()];
        for (int y = 0; y < frame.height(); y++) {
            int i = y * frame.width() * 4;
            for (int x = 0; x < row.length; x++, i += 4) {
                row[x] = (rgba[i + 3] & 0xff) << 24
                        | (rgba[i] & 0xff) << 16
                        | (rgba[i + 1] & 0xff) << 8
                        | rgba[i + 2] & 0xff;
            }
            image.setRGB(0, y, row.length, 1, row, 0, row.length);
        }
        if (!ImageIO.write(image, "png", out)) {
            throw new IOException("There is no PNG writer in this Java.");
        }
    }
}

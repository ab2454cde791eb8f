package aperta.media.ffmpeg;

import aperta.core.picture.Bytes;
import aperta.core.picture.Region;
import aperta.core.render.PreparedFrame;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import javax.imageio.ImageIO;

/** Writes a frame as an 8-bit PNG with straight alpha. */
public final class Png {
    private Png() {}

    public static void write(PreparedFrame shown, Bytes.See see, OutputStream out) throws IOException {
        Region frame = shown.frame();
        write(frame.width(), frame.height(), shown.rgba(see), out);
    }

    /** @param rgba rows of straight RGBA */
    public static void write(int width, int height, byte[] rgba, OutputStream out) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        int[] row = new int[width];
        for (int y = 0; y < height; y++) {
            int i = y * width * 4;
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

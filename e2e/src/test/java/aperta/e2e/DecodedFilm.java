package aperta.e2e;

import java.awt.image.BufferedImage;
import java.nio.file.Path;

/** A rendered file, decoded by ffmpeg as a whole; for short and small ones. */
final class DecodedFilm {
    private final byte[] rgb;
    final int width;
    final int height;

    DecodedFilm(Path file, int width, int height) {
        this.width = width;
        this.height = height;
        this.rgb = Pictures.decoded(file);
    }

    int frames() {
        return rgb.length / (width * height * 3);
    }

    /** 0 red, 1 green, 2 blue; 0 to 255. */
    int at(int frame, int x, int y, int channel) {
        return rgb[((frame * height + y) * width + x) * 3 + channel] & 0xff;
    }

    /** The mean of green over a box, which is a white share on black, 0 to 1. */
    double white(int frame, int x0, int y0, int x1, int y1) {
        double sum = 0;
        for (int y = y0; y < y1; y++) {
            for (int x = x0; x < x1; x++) {
                sum += at(frame, x, y, 1) / 255.0;
            }
        }
        return sum / ((x1 - x0) * (y1 - y0));
    }

    /** How far green is from that of a picture laid on black, in levels of 255, on the average. */
    double off(int frame, BufferedImage picture) {
        double sum = 0;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int p = picture.getRGB(x, y);
                sum += Math.abs(at(frame, x, y, 1) - (p >> 8 & 0xff) * (p >>> 24) / 255.0);
            }
        }
        return sum / (width * height);
    }

    /** White pixels of the whole frame. */
    double white(int frame) {
        return white(frame, 0, 0, width, height) * width * height;
    }
}

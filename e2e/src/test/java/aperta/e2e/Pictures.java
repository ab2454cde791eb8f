package aperta.e2e;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiPredicate;

/** Frames of files as ffmpeg decodes them, and how far they are from one another. */
final class Pictures {
    private Pictures() {}

    /** 8-bit RGB, as any other program would see it. */
    static byte[] rgb(Path file, long frame, int width, int height) {
        String one = "select=eq(n\\," + frame + "),scale=" + width + ":" + height + ":flags=area+accurate_rnd";
        byte[] all = decoded(file, "-vf", one, "-frames:v", "1");
        if (all.length != width * height * 3) {
            throw new IllegalStateException("Frame " + frame + " of " + file + " has " + all.length + " bytes.");
        }
        return all;
    }

    /** A file's frames by ffmpeg, one after the other. */
    static byte[] decoded(Path file, String... options) {
        List<String> command = new ArrayList<>(List.of("ffmpeg", "-v", "error", "-i", file.toString()));
        command.addAll(List.of(options));
        command.addAll(List.of("-sws_flags", "accurate_rnd+full_chroma_int+full_chroma_inp"));
        command.addAll(List.of("-f", "rawvideo", "-pix_fmt", "rgb24", "pipe:1"));
        try {
            Process p = new ProcessBuilder(command)
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            return p.getInputStream().readAllBytes();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    static List<String> probe(Path file) {
        try {
            Process p = new ProcessBuilder(
                            "ffprobe",
                            "-v",
                            "error",
                            "-count_frames",
                            "-select_streams",
                            "v",
                            "-show_entries",
                            "stream=codec_name,pix_fmt,color_space,color_range,width,height,nb_read_frames",
                            "-of",
                            "default=nw=1",
                            file.toString())
                    .start();
            return new ArrayList<>(
                    new String(p.getInputStream().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8)
                            .lines()
                            .toList());
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    /** How far two pictures lie apart, alpha and premultiplied colours, in steps of 8 bits, where they do most. */
    static int furthest(BufferedImage a, BufferedImage b) {
        int most = 0;
        for (int y = 0; y < a.getHeight(); y++) {
            for (int x = 0; x < a.getWidth(); x++) {
                int p = a.getRGB(x, y);
                int q = b.getRGB(x, y);
                most = Math.max(most, Math.abs((p >>> 24) - (q >>> 24)));
                for (int shift = 0; shift < 24; shift += 8) {
                    int one = (p >> shift & 0xff) * (p >>> 24) / 255;
                    int other = (q >> shift & 0xff) * (q >>> 24) / 255;
                    most = Math.max(most, Math.abs(one - other));
                }
            }
        }
        return most;
    }

    /** Peak signal to noise in dB over the pixels of a region. */
    static double psnr(byte[] a, byte[] b, int width, int height, BiPredicate<Integer, Integer> inside) {
        double sum = 0;
        long count = 0;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                if (inside.test(x, y)) {
                    for (int c = 0; c < 3; c++) {
                        int i = (y * width + x) * 3 + c;
                        double d = (a[i] & 0xff) - (b[i] & 0xff);
                        sum += d * d;
                        count++;
                    }
                }
            }
        }
        if (count < 3000) {
            throw new IllegalStateException("Only " + count / 3 + " pixels were compared.");
        }
        return sum == 0 ? 99 : 10 * Math.log10(255 * 255 / (sum / count));
    }

    /** The middle of a frame, cut to a size, with black where it isn't as large. */
    static byte[] middle(byte[] rgb, int w, int h, int width, int height) {
        byte[] out = new byte[width * height * 3];
        int across = Math.min(w, width);
        for (int y = Math.max(0, (height - h) / 2); y < Math.min(height, (height + h) / 2); y++) {
            int from = ((y + (h - height) / 2) * w + (w - across) / 2) * 3;
            System.arraycopy(rgb, from, out, (y * width + (width - across) / 2) * 3, across * 3);
        }
        return out;
    }
}

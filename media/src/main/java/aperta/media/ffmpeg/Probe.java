package aperta.media.ffmpeg;

import static aperta.media.json.Provider.JSON;

import aperta.core.picture.Planar;
import aperta.core.time.Rate;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import jakarta.json.JsonReader;
import jakarta.json.JsonString;
import jakarta.json.JsonValue;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * What a file of moving or still pictures holds.
 *
 * @param width and {@code height}: as it is to be seen, after any turning that the file asks for
 * @param frames how many there are; 1 for a still
 * @param steady whether every frame lasts equally long
 * @param bits of the decoded samples: 8 or 16
 * @param planar how 8-bit 4:2:0 samples stand for colours; nothing for every other kind of sample
 * @param bt709 whether other YUV samples that don't say so follow BT.709
 */
public record Probe(
        boolean still,
        String codec,
        int width,
        int height,
        Rate rate,
        long frames,
        boolean steady,
        boolean alpha,
        int bits,
        Optional<Planar.Coding> planar,
        boolean bt709) {
    public static final int LARGEST_SIDE = 16_384;
    public static final long MOST_PIXELS = 100_000_000;

    /** Containers that hold pictures themselves, rather than naming other files. */
    static final String CONTAINERS =
            "mov,mp4,m4a,3gp,3g2,mj2,matroska,webm,avi,mpegts,mpeg,mxf,ogg,gif,apng,h264,hevc,mpegvideo,ivf,flv,asf,"
                    + "png_pipe,jpeg_pipe,webp_pipe,tiff_pipe,bmp_pipe,image2,mjpeg,y4m,yuv4mpegpipe,nut";

    /** Containers that hold sound alone. */
    static final String SOUNDS = "wav,w64,aiff,flac,mp3,aac,caf,au,opus";

    private static final Duration LIMIT = Duration.ofSeconds(60);
    private static final Set<String> STILLS =
            Set.of("png_pipe", "jpeg_pipe", "webp_pipe", "tiff_pipe", "bmp_pipe", "image2");

    /**
     * Looks into a file.
     *
     * @throws MediaException with a plain sentence where it can't be used
     */
    public static Probe of(Path file) {
        JsonObject all = ask(file);
        JsonArray streams = all.getJsonArray("streams");
        if (streams == null || streams.isEmpty()) {
            throw new MediaException("There is no picture in this file.");
        }
        JsonObject s = streams.getJsonObject(0);
        String format = all.getJsonObject("format").getString("format_name", "");
        boolean still = STILLS.contains(format);
        int w = s.getInt("width", 0);
        int h = s.getInt("height", 0);
        if (turned(s)) {
            int swap = w;
            w = h;
            h = swap;
        }
        if (w < 1 && still) {
            // ffprobe gives up on sides that it finds too large; the header still tells them.
            int[] sides = headerSides(file);
            w = sides[0];
            h = sides[1];
        }
        size(w, h);
        long frames = still ? 1 : number(s, "nb_read_packets");
        if (frames < 1) {
            throw new MediaException("The video holds not one frame: it is cut off or damaged.");
        }
        Rate base = rate(s.getString("r_frame_rate", "0/0"));
        Rate mean = rate(s.getString("avg_frame_rate", "0/0"));
        Rate rate = mean == null ? base : mean;
        if (rate == null && !still) {
            throw new MediaException("The video doesn't say how many frames it shows in a second.");
        }
        boolean steady = still || base == null || Math.abs(base.framesPerSecond() / rate.framesPerSecond() - 1) < 0.01;
        String pixels = s.getString("pix_fmt", "");
        String codec = s.getString("codec_name", "");
        boolean alpha = hasAlpha(pixels, s);
        return new Probe(
                still,
                codec,
                w,
                h,
                still ? Rate.of(24) : steady && base != null ? base : nominal(rate),
                frames,
                steady,
                alpha,
                bits(pixels),
                still || alpha ? Optional.empty() : planar(pixels, s, h),
                !still && !s.containsKey("color_space") && h >= 720 && pixels.startsWith("yuv"));
    }

    private static JsonObject ask(Path file) {
        List<String> command = List.of(
                "ffprobe",
                "-v",
                "error",
                "-protocol_whitelist",
                "file",
                "-format_whitelist",
                CONTAINERS,
                "-select_streams",
                "v:0",
                "-count_packets",
                "-show_streams",
                "-show_format",
                "-print_format",
                "json",
                file.toAbsolutePath().toString());
        try (JsonReader reader = JSON.createReader(new ByteArrayInputStream(Tool.run(command, LIMIT, 1 << 20)))) {
            return reader.readObject();
        } catch (MediaException e) {
            throw new MediaException(
                    startsAsFilm(file) ? plain(e.getMessage()) : "This is not a video or a picture that can be read.",
                    e);
        }
    }

    /** Whether an MP4 or QuickTime file begins as one; ffprobe blames a missing index for any file of that name. */
    private static boolean startsAsFilm(Path file) {
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        if (!name.matches(".*\\.(mp4|mov|m4v|part)")) {
            return true;
        }
        try (InputStream in = Files.newInputStream(file)) {
            String head = new String(in.readNBytes(8), StandardCharsets.ISO_8859_1);
            return head.length() == 8
                    && List.of("ftyp", "moov", "mdat", "free", "skip", "wide").contains(head.substring(4));
        } catch (IOException e) {
            return true;
        }
    }

    private static int[] headerSides(Path file) {
        try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (readers.hasNext()) {
                ImageReader reader = readers.next();
                reader.setInput(in);
                return new int[] {reader.getWidth(0), reader.getHeight(0)};
            }
        } catch (IOException e) {
            throw new MediaException("This is not a video or a picture that can be read.", e);
        }
        return new int[2];
    }

    /** ffmpeg's words as a sentence that helps. */
    static String plain(String words) {
        String lower = words.toLowerCase(Locale.ROOT);
        if (lower.contains("moov atom not found") || lower.contains("end of file") || lower.contains("truncat")) {
            return "The video is cut off or damaged: its end, or its table of contents, is missing.";
        }
        if (lower.contains("no space left")) {
            return "The disk is full.";
        }
        return "This is not a video or a picture that can be read.";
    }

    private static void size(int w, int h) {
        if (w < 1 || h < 1) {
            throw new MediaException("There is no picture in this file.");
        }
        if (w > LARGEST_SIDE || h > LARGEST_SIDE || (long) w * h > MOST_PIXELS) {
            throw new MediaException("The picture is too large: " + w + " × " + h + " pixels; the most is "
                    + LARGEST_SIDE + " a side and " + MOST_PIXELS / 1_000_000 + " million in all.");
        }
    }

    private static boolean turned(JsonObject stream) {
        JsonArray side = stream.getJsonArray("side_data_list");
        if (side == null) {
            return false;
        }
        return side.stream()
                .map(JsonValue::asJsonObject)
                .filter(d -> d.containsKey("rotation"))
                .anyMatch(d -> Math.abs(d.getInt("rotation")) % 180 == 90);
    }

    private static long number(JsonObject o, String name) {
        return o.get(name) instanceof JsonString s ? Long.parseLong(s.getString()) : 0;
    }

    private static Rate rate(String text) {
        try {
            return Rate.parse(text);
        } catch (IllegalArgumentException e) {
            return null;
        }
    }

    /** Frames of unequal length are brought to the usual rate nearest to their mean. */
    private static Rate nominal(Rate mean) {
        Rate best = Rate.of(24);
        for (Rate r : List.of(
                new Rate(24000, 1001),
                Rate.of(24),
                Rate.of(25),
                new Rate(30000, 1001),
                Rate.of(30),
                Rate.of(50),
                new Rate(60000, 1001),
                Rate.of(60),
                Rate.of(15),
                Rate.of(12),
                Rate.of(120))) {
            double d = Math.abs(r.framesPerSecond() - mean.framesPerSecond());
            if (d < Math.abs(best.framesPerSecond() - mean.framesPerSecond())) {
                best = r;
            }
        }
        return best;
    }

    private static boolean hasAlpha(String pixels, JsonObject stream) {
        JsonObject tags = stream.getJsonObject("tags");
        boolean vpx = tags != null
                && (tags.getString("alpha_mode", "0").equals("1")
                        || tags.getString("ALPHA_MODE", "0").equals("1"));
        return vpx
                || pixels.startsWith("yuva")
                || pixels.startsWith("rgba")
                || pixels.startsWith("bgra")
                || pixels.startsWith("argb")
                || pixels.startsWith("abgr")
                || pixels.startsWith("gbrap")
                || pixels.startsWith("ya")
                || pixels.equals("pal8");
    }

    private static int bits(String pixels) {
        return pixels.matches(".*(9|10|12|14|16|48|64|32f)(le|be)$") ? 16 : 8;
    }

    private static Optional<Planar.Coding> planar(String pixels, JsonObject s, int height) {
        if (!pixels.equals("yuv420p") && !pixels.equals("yuvj420p")) {
            return Optional.empty();
        }
        String matrix = s.getString("color_space", height >= 720 ? "bt709" : "smpte170m");
        boolean full =
                pixels.equals("yuvj420p") || s.getString("color_range", "tv").equals("pc");
        boolean centred = s.getString("chroma_location", "left").equals("center");
        return switch (matrix) {
            case "bt709", "unknown" -> Optional.of(new Planar.Coding(0.2126, 0.0722, full, centred));
            case "smpte170m", "bt470bg" -> Optional.of(new Planar.Coding(0.299, 0.114, full, centred));
            case "bt2020nc" -> Optional.of(new Planar.Coding(0.2627, 0.0593, full, centred));
            default -> Optional.empty();
        };
    }

    /** The same with as many frames as were counted by reading them all. */
    public Probe withFrames(long counted) {
        return new Probe(still, codec, width, height, rate, counted, steady, alpha, bits, planar, bt709);
    }

    /** A side at half size, rounded up; even sides for 4:2:0, whose chroma has half of them again. */
    public int side(int full, int level) {
        return (full + level - 1) / level;
    }
}

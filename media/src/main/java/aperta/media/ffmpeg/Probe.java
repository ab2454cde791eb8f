package aperta.media.ffmpeg;

import static aperta.media.json.Provider.JSON;

import aperta.core.picture.Packed;
import aperta.core.picture.Planar;
import aperta.core.shot.Shot;
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
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * What a file of moving or still pictures holds.
 *
 * @param width and {@code height}: as it is to be seen, with square pixels, after any turning that the file asks for
 * @param square whether the file's own pixels are square
 * @param frames how many there are; 1 for a still
 * @param times when they are to be seen; nothing for a still
 * @param start when the file begins, in seconds of its own time
 * @param indexed whether the file tells where each frame lies
 * @param interlaced whether each frame is made of two that were taken one after the other, in every other line
 * @param bits of the decoded samples: 8 or 16
 * @param white the decoded samples that stand for 1
 * @param planar how 8-bit 4:2:0 samples stand for colours; nothing for every other kind of sample
 * @param bt709 whether other YUV samples that don't say so follow BT.709
 */
public record Probe(
        boolean still,
        String codec,
        int width,
        int height,
        boolean square,
        Rate rate,
        long frames,
        Optional<FrameTimes> times,
        double start,
        boolean indexed,
        boolean interlaced,
        boolean alpha,
        int bits,
        Packed.White white,
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

    /** Reading a file's packets takes as long as reading the file. */
    private static final Duration PACKETS_LIMIT = Duration.ofMinutes(10);

    /** What swscale gives for white when it turns luma of more than 8 bits into red, green and blue of 16. */
    private static final int WHITE_FROM_LUMA = 65283;

    /** As long as the longest shot. */
    public static final long MOST_FRAMES = Shot.LONGEST;

    private static final Set<String> WITHOUT_INDEX = Set.of("mpegts", "mpeg", "h264", "hevc", "mpegvideo");
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
        double aspect = still ? 1 : pixelAspect(s);
        w = (int) Math.round(w * aspect);
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
        Rate base = rate(s.getString("r_frame_rate", "0/0"));
        Rate mean = rate(s.getString("avg_frame_rate", "0/0"));
        Rate rate = mean == null ? base : mean;
        if (rate == null && !still) {
            throw new MediaException("The video doesn't say how many frames it shows in a second.");
        }
        boolean steady = base != null && Math.abs(base.framesPerSecond() / rate.framesPerSecond() - 1) < 0.01;
        Rate even = still ? Rate.of(24) : steady ? base : nominal(rate);
        double start = seconds(all.getJsonObject("format").get("start_time"));
        Optional<FrameTimes> times = still ? Optional.empty() : Optional.of(times(file, even, start));
        String pixels = s.getString("pix_fmt", "");
        String codec = s.getString("codec_name", "");
        boolean alpha = hasAlpha(pixels, s);
        return new Probe(
                still,
                codec,
                w,
                h,
                aspect == 1,
                even,
                times.map(t -> (long) t.frames()).orElse(1L),
                times,
                start,
                Stream.of(format.split(",")).noneMatch(WITHOUT_INDEX::contains),
                !still && s.getString("field_order", "progressive").matches("[tb][tb]"),
                alpha,
                bits(pixels),
                white(pixels),
                still || alpha ? Optional.empty() : planar(pixels, s, h),
                !still && !s.containsKey("color_space") && h >= 720 && pixels.startsWith("yuv"));
    }

    /** Asks about the first stream of pictures. */
    private static List<String> ffprobe(Path file, String... what) {
        List<String> command = new ArrayList<>(List.of(
                "ffprobe",
                "-v",
                "error",
                "-protocol_whitelist",
                "file",
                "-format_whitelist",
                CONTAINERS,
                "-select_streams",
                "v:0"));
        command.addAll(List.of(what));
        command.add(file.toAbsolutePath().toString());
        return command;
    }

    private static JsonObject ask(Path file) {
        List<String> command = ffprobe(file, "-show_streams", "-show_format", "-print_format", "json");
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

    private static double seconds(JsonValue value) {
        try {
            return value instanceof JsonString s ? Double.parseDouble(s.getString()) : 0;
        } catch (NumberFormatException e) {
            return 0;
        }
    }

    /** How wide the file's pixels are for their height, such as 16:15; 1 where it doesn't say, or says something senseless. */
    private static double pixelAspect(JsonObject stream) {
        String[] parts = stream.getString("sample_aspect_ratio", "1:1").split(":", -1);
        try {
            double aspect = parts.length == 2 ? Double.parseDouble(parts[0]) / Double.parseDouble(parts[1]) : 1;
            return aspect >= 0.1 && aspect <= 10 ? aspect : 1;
        } catch (NumberFormatException e) {
            return 1;
        }
    }

    /**
     * When the frames of a video are to be seen, by its packets. Packets of some files don't say: their frames follow one another at
     * the rate.
     */
    private static FrameTimes times(Path file, Rate rate, double start) {
        List<String> command = ffprobe(file, "-show_entries", "packet=pts_time,flags", "-print_format", "csv=p=0:nk=1");
        byte[] said = Tool.run(command, PACKETS_LIMIT, 1 << 27);
        DoubleStream.Builder all = DoubleStream.builder();
        int unknown = 0;
        int count = 0;
        for (String line : new String(said, StandardCharsets.ISO_8859_1).split("\n")) {
            String[] parts = line.split(",", -1);
            if (parts.length < 2 || parts[1].contains("D")) {
                continue;
            }
            count++;
            try {
                all.add(Double.parseDouble(parts[0]));
            } catch (NumberFormatException e) {
                unknown++;
            }
        }
        if (count == 0) {
            throw new MediaException("The video holds not one frame: it is cut off or damaged.");
        }
        return unknown > 0
                ? FrameTimes.even(start, (int) Math.min(count, MOST_FRAMES), rate)
                : FrameTimes.of(all.build().sorted().distinct().toArray(), rate, MOST_FRAMES);
    }

    /** What decoded samples of a kind are where they stand for 1. */
    private static Packed.White white(String pixels) {
        if (bits(pixels) == 8) {
            return Packed.White.OF_8_BITS;
        }
        Matcher depth = Pattern.compile("(?:p|gray|ya|p0|p2|p4)(9|10|12|14|16)(?:le|be)$")
                .matcher(pixels);
        int most = depth.find()
                ? ((1 << Integer.parseInt(depth.group(1))) - 1) << 16 - Integer.parseInt(depth.group(1))
                : 65535;
        if (pixels.startsWith("yuv") || pixels.matches("(p0|p2|p4|y2|nv)\\d.*")) {
            return new Packed.White(WHITE_FROM_LUMA, most);
        }
        return pixels.startsWith("gray") ? new Packed.White(most, most) : Packed.White.OF_16_BITS;
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
        return new Probe(
                still,
                codec,
                width,
                height,
                square,
                rate,
                counted,
                times,
                start,
                indexed,
                interlaced,
                alpha,
                bits,
                white,
                planar,
                bt709);
    }

    /** A side at a level, rounded up. */
    public int side(int full, int level) {
        return (full + level - 1) / level;
    }
}

package aperta.media.ffmpeg;

import aperta.core.time.Rate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Numbered pictures as one clip: their bytes are copied into a Matroska file as they are. */
public final class Sequence {
    private static final Pattern NUMBERED = Pattern.compile("(.*?)(\\d+)(\\.[A-Za-z0-9]+)");
    private static final Duration LIMIT = Duration.ofMinutes(20);

    /** A picture with the name that it came with. */
    public record Picture(String name, Path file) {}

    private record Numbered(String stem, long number, String ending, Path file) {}

    private Sequence() {}

    /**
     * Joins pictures in the order of the numbers in their names; a gap in the numbers is refused.
     *
     * @return the common part of their names
     */
    public static String join(List<Picture> pictures, Rate rate, Path clip) {
        List<Numbered> all = new ArrayList<>();
        for (Picture p : pictures) {
            Matcher m = NUMBERED.matcher(p.name);
            if (!m.matches() || m.group(2).length() > 12) {
                throw new MediaException("'" + p.name + "' has no number: only numbered pictures make a sequence.");
            }
            all.add(new Numbered(m.group(1), Long.parseLong(m.group(2)), m.group(3), p.file));
        }
        all.sort(Comparator.comparingLong(Numbered::number));
        for (int i = 1; i < all.size(); i++) {
            Numbered a = all.get(i - 1);
            Numbered b = all.get(i);
            if (!a.stem.equals(b.stem) || !a.ending.equals(b.ending)) {
                throw new MediaException("The files have different names: bring one sequence, or one file, at a time.");
            }
            if (b.number != a.number + 1) {
                throw new MediaException("The sequence has a gap between " + a.number + " and " + b.number + ".");
            }
        }
        Path folder = null;
        try {
            folder = Files.createTempDirectory(clip.getParent(), "numbered");
            for (int i = 0; i < all.size(); i++) {
                Files.move(all.get(i).file, folder.resolve(i + all.get(i).ending));
            }
            Tool.run(
                    List.of(
                            "ffmpeg",
                            "-nostdin",
                            "-hide_banner",
                            "-loglevel",
                            "error",
                            "-y",
                            "-protocol_whitelist",
                            "file",
                            "-f",
                            "image2",
                            "-framerate",
                            rate.toString(),
                            "-start_number",
                            "0",
                            "-i",
                            folder.resolve("%d" + all.get(0).ending).toString(),
                            "-c",
                            "copy",
                            "-f",
                            "matroska",
                            clip.toString()),
                    LIMIT,
                    1 << 16);
        } catch (MediaException e) {
            throw new MediaException("The pictures of the sequence can't be read as one clip.", e);
        } catch (IOException e) {
            throw new MediaException("The sequence couldn't be kept: the disk may be full.", e);
        } finally {
            clean(folder, all.size(), all.get(0).ending);
        }
        String stem = all.get(0).stem.replaceAll("[._ -]+$", "");
        return stem.isEmpty() ? "sequence" : stem;
    }

    private static void clean(Path folder, int count, String ending) {
        if (folder == null) {
            return;
        }
        for (int i = 0; i < count; i++) {
            folder.resolve(i + ending).toFile().delete();
        }
        folder.toFile().delete();
    }
}

package aperta.media.ffmpeg;

import static aperta.media.json.Provider.JSON;

import aperta.core.sound.Mixdown;
import aperta.media.file.Unfinished;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import jakarta.json.JsonReader;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;

/** Files of sound that ffmpeg reads, taken apart into bare samples: 32-bit floats, left and right in turn. */
public final class SoundFile {
    private static final Duration LIMIT = Duration.ofMinutes(10);
    /** Six hours. */
    private static final long LONGEST = 6L * 3600 * Mixdown.RATE;

    private SoundFile() {}

    /** Whether a file holds sound, and no moving picture: a cover on a record isn't one. */
    public static boolean isOne(Path file) {
        List<String> command = List.of(
                "ffprobe",
                "-v",
                "error",
                "-protocol_whitelist",
                "file",
                "-format_whitelist",
                Probe.CONTAINERS + "," + Probe.SOUNDS,
                "-show_entries",
                "stream=codec_type:stream_disposition=attached_pic",
                "-print_format",
                "json",
                file.toAbsolutePath().toString());
        try (JsonReader reader = JSON.createReader(new ByteArrayInputStream(Tool.run(command, LIMIT, 1 << 20)))) {
            JsonArray streams = reader.readObject().getJsonArray("streams");
            List<JsonObject> all = streams == null ? List.of() : streams.getValuesAs(JsonObject.class);
            return all.stream().anyMatch(s -> s.getString("codec_type", "").equals("audio"))
                    && all.stream()
                            .noneMatch(s -> s.getString("codec_type", "").equals("video")
                                    && (!s.containsKey("disposition")
                                            || s.getJsonObject("disposition").getInt("attached_pic", 0) == 0));
        } catch (MediaException e) {
            return false;
        }
    }

    /**
     * Writes the samples of a file, {@link Mixdown#RATE} a second; the result appears when it is complete.
     *
     * @return how many samples a channel has
     * @throws MediaException with a plain sentence where it can't be read
     */
    public static long make(Path file, Path samples) {
        Unfinished unfinished = new Unfinished(samples);
        Path part = unfinished.part();
        List<String> command = List.of(
                "ffmpeg",
                "-nostdin",
                "-hide_banner",
                "-loglevel",
                "error",
                "-y",
                "-protocol_whitelist",
                "file",
                "-i",
                file.toAbsolutePath().toString(),
                "-map",
                "a:0",
                "-t",
                Long.toString(LONGEST / Mixdown.RATE),
                "-ac",
                "2",
                "-ar",
                Integer.toString(Mixdown.RATE),
                "-f",
                "f32le",
                part.toAbsolutePath().toString());
        try (unfinished) {
            run(command);
            long length = Files.size(part) / 8;
            if (length == 0) {
                throw new MediaException("There is no sound in this file.");
            }
            unfinished.finish();
            return length;
        } catch (IOException e) {
            throw new MediaException("The sound couldn't be kept: " + Unfinished.why(e) + ".", e);
        }
    }

    private static void run(List<String> command) {
        try {
            Tool.run(command, LIMIT, 1 << 20);
        } catch (MediaException e) {
            boolean full = e.getMessage().toLowerCase(Locale.ROOT).contains("no space left");
            throw new MediaException(full ? "The disk is full." : "The sound in this file can't be read.", e);
        }
    }
}

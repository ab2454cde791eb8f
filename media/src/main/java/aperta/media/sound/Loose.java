package aperta.media.sound;

import aperta.media.ffmpeg.SoundFile;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;

/** Sounds from files as people have them, taken apart into a folder that lasts as long as they are wanted. */
public final class Loose implements AutoCloseable {
    private final Path folder;
    private final Map<String, Path> samples = new HashMap<>();

    /** @throws aperta.media.ffmpeg.MediaException with a plain sentence where one can't be read */
    public Loose(Map<String, Path> files) throws IOException {
        folder = Files.createTempDirectory("aperta-sound");
        for (Map.Entry<String, Path> e : files.entrySet()) {
            Path to = folder.resolve(samples.size() + ".f32");
            SoundFile.make(e.getValue(), to);
            samples.put(e.getKey(), to);
        }
    }

    public Recordings recordings() {
        return new Recordings(id -> {
            Path file = samples.get(id);
            if (file == null) {
                throw new IllegalArgumentException("There is no sound '" + id + "'.");
            }
            return file;
        });
    }

    @Override
    public void close() {
        samples.values().forEach(f -> f.toFile().delete());
        folder.toFile().delete();
    }
}

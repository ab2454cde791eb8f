package aperta.media.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.sound.Mixdown;
import aperta.media.ffmpeg.MediaException;
import aperta.media.ffmpeg.SoundFile;
import aperta.media.plates.Plates;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class SoundFileTest {
    @TempDir
    Path folder;

    /** A tone of 1000 Hz at a quarter of full scale, written by ffmpeg itself. */
    private Path tone(String name, String... more) throws Exception {
        Path file = folder.resolve(name);
        List<String> command = new ArrayList<>(List.of(
                "ffmpeg", "-v", "error", "-f", "lavfi", "-i", "sine=frequency=1000:sample_rate=44100:duration=1.5"));
        command.addAll(List.of(more));
        command.add(file.toString());
        assertThat(new ProcessBuilder(command).inheritIO().start().waitFor()).isZero();
        return file;
    }

    @Test
    void aToneComesThroughAtItsPitchAndLengthWhateverItsRate() throws Exception {
        for (String name : List.of("a.wav", "b.flac", "c.ogg", "d.mp3")) {
            Path file = tone(name);
            assertThat(SoundFile.isOne(file)).as(name).isTrue();
            Path samples = folder.resolve(name + ".f32");
            long length = SoundFile.make(file, samples);
            assertThat(length / (double) Mixdown.RATE).as(name).isCloseTo(1.5, within(0.06));
            Recordings all = new Recordings(id -> samples);
            assertThat(all.length("x")).isEqualTo(length);
            float[] some = new float[2 * Mixdown.RATE];
            all.read("x", 12_000, some);
            int rising = 0;
            for (int i = 1; i < Mixdown.RATE; i++) {
                rising += some[2 * i - 2] < 0 && some[2 * i] >= 0 ? 1 : 0;
            }
            assertThat(rising).as("periods in a second of " + name).isBetween(998, 1002);
        }
    }

    @Test
    void silenceLiesBeforeTheFirstSampleAndAfterTheLast() throws Exception {
        Path samples = folder.resolve("two.f32");
        ByteBuffer two = ByteBuffer.allocate(16).order(ByteOrder.LITTLE_ENDIAN);
        two.putFloat(0.1f).putFloat(0.2f).putFloat(0.3f).putFloat(0.4f);
        Files.write(samples, two.array());
        float[] some = new float[8];
        new Recordings(id -> samples).read("x", -1, some);
        assertThat(some).containsExactly(0, 0, 0.1f, 0.2f, 0.3f, 0.4f, 0, 0);
        new Recordings(id -> samples).read("x", 50, some);
        assertThat(some).containsOnly(0);
    }

    @Test
    void filmsAndTextsAreNotSounds() throws Exception {
        Path film = tone("film.mp4", "-f", "lavfi", "-i", "color=red:size=64x64:duration=1", "-shortest");
        assertThat(SoundFile.isOne(film)).as("a film with sound is a film").isFalse();
        Path text = Files.writeString(folder.resolve("text.wav"), "the last tram");
        assertThat(SoundFile.isOne(text)).isFalse();
        assertThatThrownBy(() -> SoundFile.make(text, folder.resolve("t.f32"))).isInstanceOf(MediaException.class);
        try (var files = Files.list(folder)) {
            assertThat(files.map(f -> f.getFileName().toString())).noneMatch(f -> f.endsWith(".part"));
        }
    }

    /** The bytes of a WAV header after the specification of 1991; ffmpeg reads the file as what it is. */
    @Test
    void theDemosSoundsAreWavFilesThatAnyoneReads() throws Exception {
        Path bell = Plates.file("bell", folder, t -> {});
        byte[] head = Files.readAllBytes(bell);
        assertThat(new String(head, 0, 4, StandardCharsets.US_ASCII)).isEqualTo("RIFF");
        ByteBuffer fields = ByteBuffer.wrap(head).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(fields.getInt(4)).isEqualTo(head.length - 8);
        assertThat(fields.getInt(24)).isEqualTo(48_000);
        assertThat(fields.getInt(40)).isEqualTo(head.length - 44);
        try (Loose loose = new Loose(Map.of("bell", bell))) {
            Recordings all = loose.recordings();
            assertThat(all.length("bell")).isEqualTo((head.length - 44) / 4);
            float[] peaks = Mixdown.peaks(all, "bell", 32);
            assertThat(peaks[0]).as("the first stroke").isGreaterThan(0.2f);
            assertThat(peaks[3]).as("it dies away").isLessThan(peaks[0]);
            assertThat(peaks[4]).as("the second stroke").isGreaterThan(peaks[3]);
            assertThat(peaks[31]).as("the end").isLessThan(0.05f);
            assertThatThrownBy(() -> all.length("hum")).hasMessage("There is no sound 'hum'.");
        }
    }
}

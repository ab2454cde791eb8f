package aperta.media.plates;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import aperta.core.geometry.Affine;
import aperta.core.picture.Bands;
import aperta.core.picture.Bytes;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Sampler;
import aperta.core.picture.Scratch;
import aperta.core.picture.Transfer;
import aperta.core.render.PreparedFrame;
import aperta.core.render.Workers;
import aperta.core.shot.Light;
import aperta.media.ffmpeg.FrameReader;
import aperta.media.ffmpeg.Probe;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PlatesTest {
    private static byte[] bytes(Plate plate, int frame, Bands bands) {
        return PreparedFrame.of(plate.frame(frame, bands), frame, bands).rgba(Bytes.See.ON_BLACK);
    }

    @Test
    void everyPlateIsTheSameEachTimeAndOnAnyNumberOfThreads() {
        try (Workers three = new Workers(3)) {
            for (String id : new String[] {"rain-on-window", "platform"}) {
                byte[] one = bytes(Plates.named(id), 31, Bands.IN_TURN);
                assertThat(bytes(Plates.named(id), 31, three)).as(id).isEqualTo(one);
                assertThat(bytes(Plates.named(id), 32, three))
                        .as("%s moves", id)
                        .isNotEqualTo(one);
            }
        }
    }

    /** It must look like night footage: mostly dark, with real lights in it. */
    @Test
    void nightsAreDarkWithBrightLights() {
        try (Workers workers = Workers.everyCore()) {
            for (Plate plate : Plates.all()) {
                byte[] rgba = bytes(plate, 60, workers);
                long bright = 0;
                long sum = 0;
                for (int i = 0; i < rgba.length; i += 4) {
                    int luma = ((rgba[i] & 0xff) * 54 + (rgba[i + 1] & 0xff) * 183 + (rgba[i + 2] & 0xff) * 19) >> 8;
                    sum += luma;
                    bright += luma > 180 ? 1 : 0;
                }
                assertThat((double) sum / (rgba.length / 4)).as(plate.name()).isBetween(8.0, 90.0);
                assertThat(bright).as(plate.name()).isGreaterThan(300);
            }
        }
    }

    /** The walking figure is where it says: dark, before a lighter ground, and nowhere near on an empty frame. */
    @Test
    void theFigureWalksWhereItSays() {
        try (Workers workers = Workers.everyCore()) {
            Plate platform = Plates.named("platform");
            Picture with = platform.frame(60, workers);
            Picture without = platform.frame(0, workers);
            int x = (int) Math.round(Platform.walkerX(60));
            double difference = 0;
            double beside = 0;
            for (int y = 640; y < 780; y++) {
                difference += without.at(x, y)[1] - with.at(x, y)[1];
                beside += Math.abs(without.at(x + 300, y)[1] - with.at(x + 300, y)[1]);
            }
            assertThat(difference).isPositive().isGreaterThan(beside);
            assertThat(Platform.walkerX(100) - Platform.walkerX(99)).isBetween(10.0, 25.0);
        }
    }

    /** The films that ship are what the plates paint, as near as four megabytes allow. */
    @Test
    void whatShipsIsWhatIsPainted(@TempDir Path folder) {
        try (Workers workers = Workers.everyCore()) {
            for (Plate plate : Plates.all()) {
                Path film = Plates.file(plate.id(), folder, said -> {});
                Probe probe = Probe.of(film);
                assertThat(probe.frames()).isEqualTo(plate.frames());
                assertThat(film.toFile().length()).isLessThan(4 << 20);
                for (int n : new int[] {0, 77, plate.frames() - 1}) {
                    byte[] painted = PreparedFrame.of(plate.frame(n, workers), n, workers)
                            .rgba(Bytes.See.PICTURE);
                    Picture shipped = new Picture(new Region(0, 0, 1920, 1080));
                    try (FrameReader reader = new FrameReader(film, probe, 1, n)) {
                        new Sampler(
                                        FrameReader.pixels(
                                                probe, 1, reader.next().orElseThrow()),
                                        Affine.IDENTITY,
                                        Transfer.of(Light.DISPLAY))
                                .paint(shipped, new Scratch());
                    }
                    byte[] decoded = PreparedFrame.of(shipped, n, workers).rgba(Bytes.See.PICTURE);
                    double squares = 0;
                    for (int i = 0; i < painted.length; i++) {
                        squares += Math.pow((painted[i] & 0xff) - (decoded[i] & 0xff), 2);
                    }
                    double noise = 10 * Math.log10(255 * 255 * painted.length * 0.75 / squares);
                    assertThat(noise)
                            .as("PSNR of %s, frame %d, in dB", plate.name(), n)
                            .isGreaterThan(32);
                }
            }
        }
    }

    @Test
    void thereIsNoOtherPlate() {
        assertThatThrownBy(() -> Plates.named("sunset")).hasMessageContaining("no plate 'sunset'");
    }
}

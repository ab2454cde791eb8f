package aperta.media.ffmpeg;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.geometry.Affine;
import aperta.core.picture.Bands;
import aperta.core.picture.Bytes;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Sampler;
import aperta.core.picture.Scratch;
import aperta.core.picture.Transfer;
import aperta.core.render.PreparedFrame;
import aperta.core.shot.Format;
import aperta.core.shot.Light;
import aperta.core.time.Rate;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import aperta.media.footage.Proxy;
import aperta.media.output.Outputs;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FootageTest {
    @TempDir
    Path folder;

    private static List<byte[]> all(Path file, Probe probe, int level) {
        List<byte[]> frames = new ArrayList<>();
        try (FrameReader reader = new FrameReader(file, probe, level, 0)) {
            for (Optional<byte[]> f = reader.next(); f.isPresent(); f = reader.next()) {
                frames.add(f.get());
            }
        }
        return frames;
    }

    /** Any frame asked for by number is the frame that reading from the start comes to. */
    @ParameterizedTest
    @CsvSource({
        "h264.mp4, 24, '-c:v libx264 -bf 3 -g 48 -pix_fmt yuv420p'",
        "drop.mov, 30000/1001, '-c:v libx264 -pix_fmt yuv420p'",
        "prores.mov, 25, '-c:v prores_ks -profile:v 3'",
        "vp9.webm, 24000/1001, '-c:v libvpx-vp9 -deadline realtime -cpu-used 8'",
        "mjpeg.avi, 25, '-c:v mjpeg -q:v 3'",
        "interlaced.mov, 25, '-c:v prores_ks -flags +ildct -top 1 -vf tinterlace=interleave_top,fieldorder=tff,fps=25'",
    })
    void framesComeByNumber(String name, String rate, String codec) {
        Path file = Clips.moving(folder.resolve(name), "160x90", rate, 75, codec.split(" "));
        Probe probe = Probe.of(file);
        assertThat(probe.rate()).isEqualTo(Rate.parse(rate));
        assertThat(probe.frames()).isEqualTo(75);
        List<byte[]> inOrder = all(file, probe, 1);
        assertThat(inOrder).hasSize(75);
        try (ClipSources sources = new ClipSources(id -> Optional.of(new Clip("c", file, probe, Optional.empty())))) {
            for (long n : new long[] {40, 41, 3, 74, 0, 52, 49}) {
                Picture ours = paint(sources.frame("c", n, 1), 160, 90);
                Picture expected = paint(FrameReader.pixels(probe, 1, inOrder.get((int) n)), 160, 90);
                assertThat(rgb(ours)).as("frame %d of %s", n, name).isEqualTo(rgb(expected));
            }
        }
    }

    /** Transport streams have no index, and B frames at the place where reading begins are lost: other frames than those came. */
    @ParameterizedTest
    @CsvSource({"h264.ts, '-c:v libx264 -bf 3 -g 48 -pix_fmt yuv420p'", "mpeg2.ts, '-c:v mpeg2video -bf 2 -g 15 -q:v 3'"
    })
    void framesOfTransportStreamsComeByNumber(String name, String codec) {
        Path file = Clips.moving(folder.resolve(name), "160x90", "24", 300, codec.split(" "));
        Probe probe = Probe.of(file);
        assertThat(probe.frames()).isEqualTo(300);
        List<byte[]> inOrder = all(file, probe, 1);
        assertThat(inOrder).hasSize(300);
        for (int n : new int[] {97, 251, 7, 299, 0, 48, 144}) {
            try (FrameReader reader = new FrameReader(file, probe, 1, n)) {
                assertThat(Arrays.equals(reader.next().orElseThrow(), inOrder.get(n)))
                        .as("frame %d", n)
                        .isTrue();
                if (n < 299) {
                    assertThat(Arrays.equals(reader.next().orElseThrow(), inOrder.get(n + 1)))
                            .isTrue();
                }
            }
        }
    }

    /** Where a frame is missing the one before it stays, and those after it are where they belong. */
    @Test
    void aMissingFrameMovesNoOther() {
        String[] codec = {"-c:v", "libx264", "-crf", "1", "-bf", "2", "-pix_fmt", "yuv420p"};
        Path whole = Clips.moving(folder.resolve("whole.mp4"), "160x90", "24", 100, codec);
        Path gap = Clips.make(
                folder.resolve("gap.mp4"),
                "-i",
                whole.toString(),
                "-vf",
                "select=not(eq(n\\,40))",
                "-fps_mode",
                "passthrough",
                "-c:v",
                "libx264",
                "-crf",
                "1",
                "-bf",
                "2",
                "-pix_fmt",
                "yuv420p");
        Probe probe = Probe.of(gap);
        assertThat(probe.frames()).isEqualTo(100);
        assertThat(probe.times().orElseThrow().isEven()).isFalse();
        List<byte[]> expected = all(whole, Probe.of(whole), 1);
        List<byte[]> inOrder = all(gap, probe, 1);
        assertThat(inOrder).hasSize(100);
        for (int n : new int[] {0, 39, 40, 41, 42, 77, 99}) {
            int same = n == 40 ? 39 : n;
            assertThat(off(inOrder.get(n), expected.get(same)))
                    .as("frame %d", n)
                    .isLessThan(3);
            try (FrameReader reader = new FrameReader(gap, probe, 1, n)) {
                assertThat(Arrays.equals(reader.next().orElseThrow(), inOrder.get(n)))
                        .as("frame %d by itself", n)
                        .isTrue();
            }
        }
    }

    /** The mean difference of samples. */
    private static double off(byte[] a, byte[] b) {
        long sum = 0;
        for (int i = 0; i < a.length; i++) {
            sum += Math.abs((a[i] & 0xff) - (b[i] & 0xff));
        }
        return (double) sum / a.length;
    }

    /** 360 × 288 with pixels of 16:15 are seen as 384 wide (ITU-R BT.601 at 4:3, 720 × 576 halved). */
    @Test
    void pixelsThatArentSquareAreSeenAsWideAsTheyAre() {
        Path file = Clips.make(
                folder.resolve("sd.mp4"),
                "-f",
                "lavfi",
                "-i",
                "testsrc2=s=360x288:r=25:d=1,setsar=16/15",
                "-c:v",
                "libx264",
                "-pix_fmt",
                "yuv420p");
        Probe probe = Probe.of(file);
        assertThat(probe.width()).isEqualTo(384);
        assertThat(probe.height()).isEqualTo(288);
        assertThat(all(file, probe, 1))
                .hasSize(25)
                .allSatisfy(f -> assertThat(f.length).isEqualTo(384 * 288 * 3 / 2));
        assertThat(all(file, probe, 2).get(0).length).isEqualTo(192 * 144 * 3 / 2);
    }

    /** Fields of a moving pattern: said to be interlaced, and no comb is left in what is read. */
    @Test
    void interlacedFootageIsPutTogether() {
        Path file = Clips.make(
                folder.resolve("i.mov"),
                "-f",
                "lavfi",
                "-i",
                "color=gray:s=320x180:r=50:d=2[b];color=white:s=40x180:r=50:d=2[w];[b][w]overlay=x=n*6,tinterlace=interleave_top,fieldorder=tff",
                "-c:v",
                "prores_ks",
                "-flags",
                "+ildct",
                "-top",
                "1");
        Probe probe = Probe.of(file);
        assertThat(probe.interlaced()).isTrue();
        Picture p = paint(FrameReader.pixels(probe, 1, all(file, probe, 1).get(12)), 320, 180);
        double comb = 0;
        for (int y = 60; y < 120; y++) {
            for (int x = 0; x < 320; x++) {
                comb = Math.max(comb, Math.abs(2 * p.at(x, y)[1] - p.at(x, y - 1)[1] - p.at(x, y + 1)[1]));
            }
        }
        assertThat(comb).as("what every other line differs by").isLessThan(0.1);
        Path plain = Clips.moving(folder.resolve("p.mov"), "160x90", "25", 5, "-c:v", "prores_ks");
        assertThat(Probe.of(plain).interlaced()).isFalse();
    }

    /** White of 10 bits (ITU-R BT.709: 940) is white, and black black. */
    @ParameterizedTest
    @CsvSource({
        "h.mp4, '-c:v libx264 -pix_fmt yuv420p10le -crf 1'",
        "p.mov, '-c:v prores_ks -profile:v 3 -pix_fmt yuv422p10le'",
        "a.mov, '-c:v prores_ks -profile:v 4 -pix_fmt yuva444p10le -alpha_bits 16'",
        "f.mkv, '-vf format=gbrp10le,geq=g=1023*gt(g(X\\,Y)\\,9):b=1023*gt(b(X\\,Y)\\,9):r=1023*gt(r(X\\,Y)\\,9) -c:v ffv1'",
        "g.mkv, '-vf format=gray10le,geq=lum=1023*gt(lum(X\\,Y)\\,512) -c:v ffv1'",
    })
    void whiteOfTenBitsIsWhite(String name, String codec) {
        for (int value : new int[] {255, 0}) {
            List<String> options = new ArrayList<>(List.of(
                    "-f",
                    "lavfi",
                    "-i",
                    "color=s=64x48:r=24:d=0.2,format=rgb24,geq=r=%d:g=%d:b=%d".formatted(value, value, value)));
            options.addAll(List.of(codec.split(" ")));
            Path file = Clips.make(folder.resolve(value + name), options.toArray(String[]::new));
            Probe probe = Probe.of(file);
            assertThat(probe.bits()).isEqualTo(16);
            float[] p = paint(FrameReader.pixels(probe, 1, all(file, probe, 1).get(1)), 64, 48)
                    .at(30, 20);
            for (int c = 0; c < 3; c++) {
                assertThat(p[c] * 255).isCloseTo(value, within(0.02f));
            }
            assertThat(p[3]).isEqualTo(1);
        }
    }

    /** Half-size frames with alpha are what premultiplied values average to: nothing of the clear parts' colour gets in. */
    @Test
    void halfSizeFramesWithAlphaHaveNoFringe() {
        Path still = Clips.make(
                folder.resolve("edge.png"),
                "-f",
                "lavfi",
                "-i",
                "color=black:s=64x64,format=rgba,geq=r='if(lt(X,31),255,0)':g='if(lt(X,31),255,0)':b='if(lt(X,31),255,0)':a='if(lt(X,31),255,0)'",
                "-frames:v",
                "1");
        Probe probe = Probe.of(still);
        Picture p = paint(FrameReader.pixels(probe, 2, all(still, probe, 2).get(0)), 32, 32);
        assertThat(p.at(15, 9)[3]).isCloseTo(0.5f, within(0.003f));
        assertThat(p.at(15, 9)[0]).as("white at half alpha").isEqualTo(p.at(15, 9)[3]);
    }

    /** Footage of a real camera, from a Debian package: frames by number there too. */
    @Test
    void aRealCamerasFramesComeByNumber() {
        Path file = Path.of("/usr/share/doc/opencv-doc/examples/data/vtest.avi");
        Probe probe = Probe.of(file);
        assertThat(probe.width()).isEqualTo(768);
        List<byte[]> inOrder = all(file, probe, 2);
        assertThat((long) inOrder.size()).isEqualTo(probe.frames());
        for (int n : new int[] {100, 3, 411, 700}) {
            try (FrameReader reader = new FrameReader(file, probe, 2, n)) {
                assertThat(Arrays.equals(reader.next().orElseThrow(), inOrder.get(n)))
                        .as("frame %d", n)
                        .isTrue();
            }
        }
    }

    @Test
    void theProxyHoldsTheVerySamplesOfTheOriginal() throws IOException {
        Path file = Clips.moving(folder.resolve("c.mp4"), "162x91", "24", 30, "-c:v", "libx264", "-pix_fmt", "yuv444p");
        Path even = Clips.moving(folder.resolve("d.mp4"), "162x90", "24", 30, "-c:v", "libx264", "-pix_fmt", "yuv420p");
        for (Path f : List.of(file, even)) {
            Probe probe = Probe.of(f);
            Path proxy = folder.resolve("half");
            assertThat(Proxy.make(f, probe, proxy, n -> {}, () -> false)).isEqualTo(30);
            List<byte[]> direct = all(f, probe, 2);
            try (ClipSources with = new ClipSources(id -> Optional.of(new Clip("c", f, probe, Optional.of(proxy))))) {
                for (int n : new int[] {29, 0, 17}) {
                    assertThat(rgb(paint(with.frame("c", n, 2), 81, 45)))
                            .isEqualTo(rgb(paint(FrameReader.pixels(probe, 2, direct.get(n)), 81, 45)));
                }
            }
            Files.delete(proxy);
        }
    }

    @Test
    void alphaComesThroughFromVp9AndPng() {
        Path clip = Clips.make(
                folder.resolve("a.webm"),
                "-f",
                "lavfi",
                "-i",
                "color=c=red@0.5:s=64x64:r=24,format=yuva420p",
                "-frames:v",
                "5",
                "-c:v",
                "libvpx-vp9",
                "-pix_fmt",
                "yuva420p",
                "-auto-alt-ref",
                "0");
        Path still = Clips.make(
                folder.resolve("a.png"), "-f", "lavfi", "-i", "color=c=red@0.5:s=64x64,format=rgba", "-frames:v", "1");
        for (Path f : List.of(clip, still)) {
            Probe probe = Probe.of(f);
            assertThat(probe.alpha()).as(f.toString()).isTrue();
            try (ClipSources s = new ClipSources(id -> Optional.of(new Clip("c", f, probe, Optional.empty())))) {
                float[] p = paint(s.frame("c", 0, 1), 64, 64).at(30, 30);
                assertThat(p[3]).isCloseTo(0.5f, within(0.02f));
                assertThat(p[0]).isCloseTo(0.5f, within(0.03f));
            }
        }
        assertThat(Probe.of(still).still()).isTrue();
        assertThat(Probe.of(clip).still()).isFalse();
    }

    @Test
    void jpegAndWebpAreStills() {
        for (String ending : List.of("jpg", "webp")) {
            Path file = Clips.make(
                    folder.resolve("s." + ending), "-f", "lavfi", "-i", "color=c=0x1b6fa0:s=64x48", "-frames:v", "1");
            Probe probe = Probe.of(file);
            assertThat(probe.still()).isTrue();
            try (ClipSources s = new ClipSources(id -> Optional.of(new Clip("c", file, probe, Optional.empty())))) {
                float[] p = paint(s.frame("c", 0, 1), 64, 48).at(20, 20);
                assertThat(p[0] * 255).isCloseTo(0x1b, within(4f));
                assertThat(p[2] * 255).isCloseTo(0xa0, within(4f));
            }
        }
    }

    private static Picture paint(aperta.core.picture.Pixels pixels, int w, int h) {
        Picture p = new Picture(new Region(0, 0, w, h));
        new Sampler(pixels, Affine.IDENTITY, Transfer.of(Light.DISPLAY)).paint(p, new Scratch());
        return p;
    }

    private static byte[] rgb(Picture p) {
        return PreparedFrame.of(p, 0, Bands.IN_TURN).rgba(Bytes.See.PICTURE);
    }

    /** What is written is read back by ffmpeg itself, as other programs read it, and by us. */
    @Test
    void h264IsTaggedAndKeepsItsColours() throws IOException {
        Format format = new Format(128, 64, Rate.of(24));
        Region frame = new Region(0, 0, 128, 64);
        Picture p = new Picture(frame);
        p.fill(200 / 255f, 30 / 255f, 60 / 255f, 1);
        Path file = folder.resolve("out.mp4");
        try (FrameWriter writer = Outputs.H264.writer(file, format, Optional.empty())) {
            for (int n = 0; n < 12; n++) {
                writer.write(PreparedFrame.of(p, n, Bands.IN_TURN), n);
            }
            writer.finish();
        }
        String said = new String(
                Tool.run(
                        List.of(
                                "ffprobe",
                                "-v",
                                "error",
                                "-count_frames",
                                "-show_entries",
                                "stream=codec_name,pix_fmt,color_range,color_space,color_transfer,color_primaries,nb_read_frames",
                                "-of",
                                "default=nw=1",
                                file.toString()),
                        java.time.Duration.ofSeconds(20),
                        10_000),
                java.nio.charset.StandardCharsets.UTF_8);
        assertThat(said.lines())
                .contains(
                        "codec_name=h264",
                        "pix_fmt=yuv420p",
                        "color_range=tv",
                        "color_space=bt709",
                        "color_transfer=bt709",
                        "color_primaries=bt709",
                        "nb_read_frames=12");
        byte[] theirs = Tool.run(
                List.of(
                        "ffmpeg",
                        "-v",
                        "error",
                        "-i",
                        file.toString(),
                        "-frames:v",
                        "1",
                        "-sws_flags",
                        "accurate_rnd+full_chroma_int",
                        "-f",
                        "rawvideo",
                        "-pix_fmt",
                        "rgb24",
                        "pipe:1"),
                java.time.Duration.ofSeconds(20),
                1 << 20);
        int at = (32 * 128 + 64) * 3;
        assertThat(theirs[at] & 0xff).isCloseTo(200, within(2));
        assertThat(theirs[at + 1] & 0xff).isCloseTo(30, within(2));
        assertThat(theirs[at + 2] & 0xff).isCloseTo(60, within(2));
        float[] ours = paint(
                        FrameReader.pixels(
                                Probe.of(file), 1, all(file, Probe.of(file), 1).get(3)),
                        128,
                        64)
                .at(64, 32);
        // A step of luma and one of chroma, since the samples are dithered.
        assertThat(ours[0] * 255).isCloseTo(200, within(3.2f));
        // With faststart the index comes before the samples.
        String head = new String(Files.readAllBytes(file), java.nio.charset.StandardCharsets.ISO_8859_1);
        assertThat(head.indexOf("moov")).isBetween(0, head.indexOf("mdat"));
    }

    @Test
    void oddSidesAreRefusedForH264() {
        assertThat(Outputs.H264.refusal(new Format(101, 64, Rate.of(24))).orElseThrow())
                .contains("even width and height, not 101 × 64");
        assertThat(Outputs.H264.refusal(new Format(100, 64, Rate.of(24)))).isEmpty();
    }

    @Test
    void badFilesAreRefusedPlainly() throws IOException {
        Path text = Files.writeString(folder.resolve("notes.mp4"), "These are words, not a film.\n".repeat(50));
        assertThatThrownBy(() -> Probe.of(text)).hasMessage("This is not a video or a picture that can be read.");

        Path good =
                Clips.moving(folder.resolve("good.mp4"), "320x180", "24", 96, "-c:v", "libx264", "-pix_fmt", "yuv420p");
        byte[] bytes = Files.readAllBytes(good);
        Path cut = Files.write(folder.resolve("cut.mp4"), Arrays.copyOf(bytes, bytes.length / 2));
        assertThatThrownBy(() -> Probe.of(cut)).hasMessageContaining("cut off or damaged");

        Path fast =
                Clips.make(folder.resolve("fast.mp4"), "-i", good.toString(), "-c", "copy", "-movflags", "+faststart");
        byte[] index = Files.readAllBytes(fast);
        Path half = Files.write(folder.resolve("half.mp4"), Arrays.copyOf(index, index.length * 6 / 10));
        assertThatThrownBy(() -> {
                    Probe probe = Probe.of(half);
                    Proxy.make(half, probe.withFrames(96), folder.resolve("p"), n -> {}, () -> false);
                })
                .hasMessageContaining("damaged");

        assertThatThrownBy(() -> Proxy.make(half, Probe.of(half), folder.resolve("p"), n -> {}, () -> false))
                .as("as it is imported")
                .hasMessageContaining("damaged");

        Path list = Files.writeString(
                folder.resolve("list.mp4"), "#EXTM3U\n#EXTINF:5,\n" + good.toAbsolutePath() + "\n#EXT-X-ENDLIST\n");
        assertThatThrownBy(() -> Probe.of(list))
                .as("a list may not lead to other files")
                .isInstanceOf(MediaException.class);

        Path silent = Clips.make(folder.resolve("s.wav"), "-f", "lavfi", "-i", "sine=d=1");
        assertThatThrownBy(() -> Probe.of(silent)).isInstanceOf(MediaException.class);
    }

    /** A PNG whose header says 40 000 × 40 000: refused by its header, before anything is unpacked. */
    @Test
    void enormousPicturesAreRefusedByTheirHeader() throws IOException {
        Path small = Clips.make(folder.resolve("e.png"), "-f", "lavfi", "-i", "color=s=16x16", "-frames:v", "1");
        byte[] png = Files.readAllBytes(small);
        java.nio.ByteBuffer b = java.nio.ByteBuffer.wrap(png);
        b.putInt(16, 40_000).putInt(20, 40_000);
        java.util.zip.CRC32 crc = new java.util.zip.CRC32();
        crc.update(png, 12, 17);
        b.putInt(29, (int) crc.getValue());
        Path huge = Files.write(folder.resolve("huge.png"), png);
        assertThatThrownBy(() -> Probe.of(huge)).hasMessageContaining("too large: 40000 × 40000");
    }

    @Test
    void aSequenceBecomesAClipWithoutLoss() throws IOException {
        Clips.moving(folder.resolve("f%03d.png"), "64x36", "24", 6, "-pix_fmt", "rgb24");
        List<Sequence.Picture> pictures = new ArrayList<>();
        List<byte[]> expected = new ArrayList<>();
        for (int i = 6; i >= 1; i--) {
            Path f = folder.resolve(String.format("f%03d.png", i));
            expected.add(0, all(f, Probe.of(f), 1).get(0));
            pictures.add(new Sequence.Picture("smoke." + (1000 + i) + ".png", f));
        }
        Path clip = folder.resolve("seq.mkv");
        assertThat(Sequence.join(pictures, Rate.of(25), clip)).isEqualTo("smoke");
        Probe probe = Probe.of(clip);
        assertThat(probe.rate()).isEqualTo(Rate.of(25));
        List<byte[]> got = all(clip, probe, 1);
        assertThat(got).hasSize(6);
        for (int i = 0; i < 6; i++) {
            assertThat(got.get(i)).isEqualTo(expected.get(i));
        }
        assertThatThrownBy(() -> Sequence.join(
                        List.of(new Sequence.Picture("a.1.png", clip), new Sequence.Picture("a.3.png", clip)),
                        Rate.of(25),
                        folder.resolve("x.mkv")))
                .hasMessageContaining("gap between 1 and 3");
    }
}

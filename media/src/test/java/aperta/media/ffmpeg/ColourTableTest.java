package aperta.media.ffmpeg;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import aperta.core.effect.CubeTable;
import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.effect.Worked;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Border;
import aperta.core.shot.Light;
import aperta.core.time.Rate;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Colour tables as ffmpeg's lut3d and lut1d read them and mix their entries. */
class ColourTableTest {
    private static final int COUNT = 256;

    @TempDir
    Path folder;

    private static String cube(int size) {
        Random random = new Random(5);
        StringBuilder text = new StringBuilder("TITLE \"made up\"\n# a comment\nLUT_3D_SIZE " + size + "\n");
        for (int i = 0; i < size * size * size; i++) {
            text.append(String.format(
                    Locale.ROOT, "%.6f %.6f %.6f%n", random.nextDouble(), random.nextDouble(), random.nextDouble()));
        }
        return text.toString();
    }

    private static String line(int size) {
        StringBuilder text = new StringBuilder("LUT_1D_SIZE " + size + "\n");
        for (int i = 0; i < size; i++) {
            double t = i / (size - 1.0);
            text.append(String.format(Locale.ROOT, "%.6f %.6f %.6f%n", t * t, Math.sqrt(t), 1 - t));
        }
        return text.toString();
    }

    private static float[] colours() {
        Random random = new Random(9);
        float[] all = new float[3 * COUNT];
        for (int i = 0; i < all.length; i++) {
            all[i] = random.nextFloat();
        }
        return all;
    }

    /** By planes of green, blue and red, as ffmpeg orders them. */
    private float[] ffmpeg(String filter, float[] rgb) throws IOException, InterruptedException {
        ByteBuffer in = ByteBuffer.allocate(12 * COUNT).order(ByteOrder.LITTLE_ENDIAN);
        for (int c : new int[] {1, 2, 0}) {
            for (int i = 0; i < COUNT; i++) {
                in.putFloat(rgb[3 * i + c]);
            }
        }
        Path raw = Files.write(folder.resolve("in.raw"), in.array());
        Path out = folder.resolve("out.raw");
        String size = COUNT + "x1";
        Process process = new ProcessBuilder(
                        "ffmpeg",
                        "-v",
                        "error",
                        "-y",
                        "-f",
                        "rawvideo",
                        "-pix_fmt",
                        "gbrpf32le",
                        "-s",
                        size,
                        "-i",
                        raw.toString(),
                        "-vf",
                        filter,
                        "-f",
                        "rawvideo",
                        "-pix_fmt",
                        "gbrpf32le",
                        out.toString())
                .inheritIO()
                .start();
        assertThat(process.waitFor()).isZero();
        ByteBuffer read = ByteBuffer.wrap(Files.readAllBytes(out)).order(ByteOrder.LITTLE_ENDIAN);
        float[] result = new float[3 * COUNT];
        for (int c : new int[] {1, 2, 0}) {
            for (int i = 0; i < COUNT; i++) {
                result[3 * i + c] = read.getFloat();
            }
        }
        return result;
    }

    private static float[] ours(String table, String between, float[] rgb) {
        CubeTable parsed = CubeTable.parse(table);
        Effect effect = Effects.of("colour-table");
        Recipe recipe = Recipe.of(effect.descriptor(), Map.of("file", "table", "between", between));
        Worked worked = effect.on(
                recipe,
                new Effect.Setting(
                        Affine.IDENTITY,
                        Affine.IDENTITY,
                        Box.centred(1, 1),
                        Light.DISPLAY,
                        0,
                        Rate.of(24),
                        1,
                        Border.EMPTY,
                        id -> Optional.of(parsed)));
        Picture picture = new Picture(new Region(0, 0, COUNT, 1));
        for (int i = 0; i < COUNT; i++) {
            picture.set(i, 0, rgb[3 * i], rgb[3 * i + 1], rgb[3 * i + 2], 1);
        }
        ((Worked.ByPixel) worked).change(picture);
        float[] result = new float[3 * COUNT];
        for (int i = 0; i < COUNT; i++) {
            System.arraycopy(picture.at(i, 0), 0, result, 3 * i, 3);
        }
        return result;
    }

    @ParameterizedTest
    @CsvSource({"tetrahedral, 9", "trilinear, 9", "tetrahedral, 2"})
    void cubesAreMixedAsLut3dMixesThem(String between, int size) throws IOException, InterruptedException {
        Path file = Files.writeString(folder.resolve("table.cube"), cube(size));
        float[] theirs = ffmpeg("lut3d=file=" + file + ":interp=" + between, colours());
        float[] ours = ours(cube(size), between, colours());
        assertThat(ours).containsExactly(theirs, within(2e-4f));
    }

    @Test
    void linesAreMixedAsLut1dMixesThem() throws IOException, InterruptedException {
        Path file = Files.writeString(folder.resolve("table.cube"), line(17));
        float[] theirs = ffmpeg("lut1d=file=" + file + ":interp=linear", colours());
        assertThat(ours(line(17), "tetrahedral", colours())).containsExactly(theirs, within(2e-4f));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "hello",
                "LUT_3D_SIZE 4000",
                "LUT_3D_SIZE 2\n0 0 0",
                "LUT_3D_SIZE 2\n0 0",
                "LUT_1D_SIZE 2\n0 0 x\n1 1 1",
                "LUT_1D_SIZE 2\n0 0 0\n1 1 1\n2 2 2",
                "LUT_1D_SIZE two",
                "LUT_3D_SIZE 2\nLUT_3D_SIZE 3",
                "0 0 0",
                "LUT_1D_SIZE 2\nDOMAIN_MIN 1 1 1\nDOMAIN_MAX 0 0 0\n0 0 0\n1 1 1"
            })
    void whatIsNoTableGetsASentence(String text) {
        assertThatThrownBy(() -> CubeTable.parse(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageMatching("[A-Z].*\\.");
    }
}

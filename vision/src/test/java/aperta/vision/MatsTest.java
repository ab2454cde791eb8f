package aperta.vision;

import static org.assertj.core.api.Assertions.assertThat;

import aperta.core.picture.Matte;
import aperta.core.picture.Region;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Native memory that is freed too early ends the whole process, so this happens in one of its own. */
class MatsTest {
    private static final int SECONDS = 10;

    /** Without it, five of six such processes ended by themselves within 15 seconds, with a broken heap. */
    @Test
    void aBusyGarbageCollectorFreesNothingThatNativeCodeWorksOn() throws Exception {
        Process process = new ProcessBuilder(List.of(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx400m",
                        "-Xmn1m",
                        "-XX:+UseSerialGC",
                        "-cp",
                        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                        Busy.class.getName()))
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
    }

    /** Works on small pictures in three threads, while young objects are cleared away all the time. */
    static final class Busy {
        private static final int SIDE = 160;
        private static volatile Object garbage;

        private Busy() {}

        public static void main(String[] none) throws InterruptedException {
            Natives.demand();
            List<Thread> threads = new ArrayList<>();
            for (int i = 0; i < 3; i++) {
                threads.add(new Thread(Busy::work));
            }
            threads.forEach(t -> t.setUncaughtExceptionHandler((thread, e) -> {
                e.printStackTrace();
                System.exit(1);
            }));
            threads.forEach(Thread::start);
            for (Thread t : threads) {
                t.join();
            }
        }

        private static void work() {
            Plane plane = new Plane(SIDE, SIDE);
            Matte matte = new Matte(new Region(0, 0, SIDE, SIDE));
            Random random = new Random(1);
            for (int i = 0; i < SIDE * SIDE; i++) {
                plane.value()[i] = random.nextInt(255);
                matte.values()[i] = random.nextFloat();
            }
            Colours colours = new Colours(SIDE, SIDE, new float[][] {plane.value(), plane.value(), plane.value()});
            byte[] grey = Camera.grey(colours);
            long end = System.nanoTime() + SECONDS * 1_000_000_000L;
            while (System.nanoTime() < end) {
                plane.blurred(1.5).mean(5, 5).enlarged(3, 400, 400).signedDistance();
                Camera.motion(SIDE, SIDE, grey, grey);
                Palette.of(colours, plane.mean(3, 3));
                FigureFinder.outlines(matte, 1);
                for (int i = 0; i < 20; i++) {
                    garbage = new byte[20_000];
                }
            }
        }
    }
}

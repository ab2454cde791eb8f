package aperta.bench;

import aperta.core.render.Workers;
import aperta.media.plates.Plates;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Path;

/** {@code ./aperta bench}: all measurements in one run, as a table of Markdown. */
public final class Bench {
    private Bench() {}

    public static void main(String[] args) throws IOException, InterruptedException {
        PrintStream out = System.out;
        Path plates = Path.of(System.getProperty("aperta.plates", "target/plates"));
        try (Workers workers = Workers.everyCore()) {
            Path rain = Plates.file("rain-on-window", plates, System.err::println);
            Path platform = Plates.file("platform", plates, System.err::println);
            out.println("Cores: " + Runtime.getRuntime().availableProcessors() + ", Java "
                    + System.getProperty("java.version"));
            new LettersBench(rain, platform, workers).run(out);
            new FrameBench(plates, workers).run(out);
            new EffectsBench(platform, workers).run(out);
            new MaskBench(workers).run(out);
            new LinesBench(workers).run(out);
            new ProofBench(workers).run(out);
            new FollowBench().run(out, plates);
        }
    }
}

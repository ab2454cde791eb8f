package aperta.media.cli;

import aperta.core.effect.CubeTable;
import aperta.core.picture.Bands;
import aperta.core.picture.Bytes;
import aperta.core.proof.Finding;
import aperta.core.proof.Proof;
import aperta.core.render.Cache;
import aperta.core.render.Planner;
import aperta.core.render.PreparedFrame;
import aperta.core.render.RenderException;
import aperta.core.render.Renderer;
import aperta.core.render.Workers;
import aperta.core.shot.Shot;
import aperta.media.ffmpeg.Png;
import aperta.media.file.Unfinished;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import aperta.media.output.Output;
import aperta.media.output.Outputs;
import aperta.media.plates.Plate;
import aperta.media.plates.Plates;
import aperta.media.project.ShotFile;
import aperta.media.project.UnpackedProject;
import aperta.media.render.Film;
import aperta.media.sound.Loose;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * {@code render FILE -o OUT}, {@code frame FILE --at N [--scale S] -o OUT.png} and {@code proof FILE}, which
 * ends with exit code 1 where something is found; {@code plates -o FOLDER} paints the demo's plates; FILE is a shot's JSON or an {@code .aperta} file. Errors are one plain sentence on standard error, with exit code 2.
 */
public final class CommandLine {
    private static final String USAGE =
            "Use: render FILE.json|FILE.aperta -o OUT.mp4|.zip|.mov|.webm|.mkv   or   frame FILE --at N [--scale S] -o OUT.png"
                    + "   or   proof FILE";

    private final PrintStream words;
    private final Path plates;
    private boolean found;

    /** @param plates the folder in which made plates are kept */
    public CommandLine(PrintStream words, Path plates) {
        this.words = words;
        this.plates = plates;
    }

    public static void main(String[] args) {
        String folder = System.getProperty("aperta.plates", System.getProperty("java.io.tmpdir") + "/aperta-plates");
        System.exit(new CommandLine(System.err, Path.of(folder)).run(List.of(args)));
    }

    /** @return the exit code */
    public int run(List<String> args) {
        try {
            Map<String, String> options = new HashMap<>();
            List<String> rest = new ArrayList<>();
            for (int i = 0; i < args.size(); i++) {
                if (args.get(i).startsWith("-")) {
                    if (i + 1 == args.size()) {
                        throw new IllegalArgumentException(args.get(i) + " needs a value. " + USAGE);
                    }
                    options.put(args.get(i), args.get(++i));
                } else {
                    rest.add(args.get(i));
                }
            }
            boolean written = rest.size() == 2 && !rest.get(0).equals("proof");
            if (rest.size() == 1 && rest.get(0).equals("plates") && options.containsKey("-o")) {
                paintPlates(path(options.get("-o")));
                return 0;
            }
            if (rest.size() != 2 || written != options.containsKey("-o")) {
                throw new IllegalArgumentException(USAGE);
            }
            Path file = path(rest.get(1));
            if (!Files.isRegularFile(file)) {
                throw new IllegalArgumentException("There is no file " + file + ".");
            }
            if (options.containsKey("-o")) {
                demandFolder(path(options.get("-o")));
            }
            if (file.toString().endsWith(".aperta")) {
                try (UnpackedProject project = new UnpackedProject(file)) {
                    carryOut(rest.get(0), project.shotFile(), options);
                }
            } else {
                carryOut(rest.get(0), ShotFile.read(file), options);
            }
            return found ? 1 : 0;
        } catch (IllegalArgumentException | RenderException e) {
            words.println(e.getMessage());
        } catch (IOException e) {
            words.println("The file couldn't be written: " + Unfinished.why(e) + ".");
        } catch (StackOverflowError e) {
            words.println("The file is nested too deeply to be read.");
        } catch (IllegalStateException e) {
            words.println("Something went wrong in Aperta while this was done; nothing was written.");
        } catch (OutOfMemoryError e) {
            words.println("There is too little memory for this.");
        }
        return 2;
    }

    private static Path path(String text) {
        try {
            return Path.of(text);
        } catch (InvalidPathException e) {
            throw new IllegalArgumentException("'" + text.replace('\0', ' ') + "' can't be the name of a file.", e);
        }
    }

    private static void demandFolder(Path out) {
        Path folder = out.toAbsolutePath().getParent();
        if (folder == null || !Files.isDirectory(folder)) {
            throw new IllegalArgumentException("There is no folder " + folder + " to write to.");
        }
        if (Files.isDirectory(out)) {
            throw new IllegalArgumentException(out + " is a folder; -o needs the name of a file.");
        }
    }

    private void carryOut(String command, ShotFile file, Map<String, String> options) throws IOException {
        try (Workers workers = Workers.everyCore()) {
            Map<String, Clip> clips = file.clips(plates, words::println);
            FontShelf fonts = new FontShelf(
                    id -> Optional.ofNullable(file.fonts().get(id)).map(CommandLine::bytes));
            Map<String, CubeTable> tables = file.tables();
            try (ClipSources sources = new ClipSources(
                    id -> Optional.ofNullable(clips.get(id)), id -> Optional.ofNullable(tables.get(id)))) {
                Planner planner = new Planner(sources, fonts);
                switch (command) {
                    case "render" -> render(file, planner, workers, options);
                    case "frame" -> frame(file, planner, workers, options);
                    case "proof" -> proof(file.shot(), planner);
                    default -> throw new IllegalArgumentException(USAGE);
                }
            }
        }
    }

    /** In turn: files are read fastest from their first frame to their last. */
    private void proof(Shot shot, Planner planner) {
        List<Finding> findings =
                Proof.of(shot, planner, Bands.IN_TURN, () -> true).orElseThrow().findings();
        for (Finding f : findings) {
            String names = f.layers().stream()
                    .flatMap(id -> shot.layer(id).stream())
                    .map(l -> "'" + l.name() + "'")
                    .collect(Collectors.joining(", "));
            String who = names.isEmpty() ? "" : names + ": ";
            words.println("frames " + f.from() + " to " + f.to() + ": " + who + f.says());
        }
        found = !findings.isEmpty();
        words.println(found ? findings.size() + " findings" : "Nothing was found.");
    }

    private static byte[] bytes(Path path) {
        try {
            return Files.readAllBytes(path);
        } catch (IOException e) {
            throw new IllegalArgumentException("The font " + path.getFileName() + " can't be read.", e);
        }
    }

    private void render(ShotFile file, Planner planner, Workers workers, Map<String, String> options)
            throws IOException {
        Path out = path(options.get("-o"));
        Output output = Outputs.bySuffix(out);
        long length = file.shot().length();
        try (Loose sounds = new Loose(file.sounds(plates, words::println))) {
            new Film(planner, sounds.recordings(), workers)
                    .render(
                            file.shot(),
                            output,
                            out.toAbsolutePath(),
                            n -> {
                                if (n % 24 == 0 || n == length) {
                                    words.println(n + " of " + length + " frames");
                                }
                            },
                            () -> false);
        }
    }

    private static void frame(ShotFile file, Planner planner, Workers workers, Map<String, String> options)
            throws IOException {
        long at = number(options.getOrDefault("--at", "0"), "--at").longValue();
        double scale = number(options.getOrDefault("--scale", "1"), "--scale").doubleValue();
        if (at < 0 || at >= file.shot().length()) {
            throw new IllegalArgumentException(
                    "The shot has the frames 0 to " + (file.shot().length() - 1) + ".");
        }
        if (scale < 0.01 || scale > 4) {
            throw new IllegalArgumentException("--scale lies between 0.01 and 4.");
        }
        PreparedFrame shown =
                new Renderer(Cache.NONE, workers).show(planner.plan(planner.moment(file.shot(), at), scale), at);
        try (Unfinished png = new Unfinished(path(options.get("-o")).toAbsolutePath())) {
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(png.part()))) {
                Png.write(shown, Bytes.See.PICTURE, out);
            }
            png.finish();
        }
    }

    /** Paints the demo's plates anew, as they ship. */
    private void paintPlates(Path folder) throws IOException {
        demandFolder(folder.resolve("x"));
        try (Workers workers = Workers.everyCore()) {
            for (Plate plate : Plates.all()) {
                try (Unfinished film = new Unfinished(folder.resolve(plate.id() + ".mp4"))) {
                    Plates.paint(plate, film.part(), workers, n -> {
                        if (n % 24 == 0 || n == plate.frames()) {
                            words.println("'" + plate.name() + "': " + n + " of " + plate.frames() + " frames");
                        }
                    });
                    film.finish();
                }
            }
        }
    }

    private static Double number(String text, String option) {
        try {
            return Double.valueOf(text);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(option + " needs a number, not '" + text + "'.", e);
        }
    }
}

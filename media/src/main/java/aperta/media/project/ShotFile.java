package aperta.media.project;

import aperta.core.effect.CubeTable;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Nesting;
import aperta.core.shot.Shot;
import aperta.media.ffmpeg.Probe;
import aperta.media.footage.Clip;
import aperta.media.json.BadDocument;
import aperta.media.json.ShotJson;
import aperta.media.plates.Plates;
import jakarta.json.JsonNumber;
import jakarta.json.JsonObject;
import jakarta.json.JsonString;
import jakarta.json.JsonValue;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * A shot with the places of its media: {@code {"aperta": 3, "media": {"rain": {"plate": "rain-on-window"}, "clip":
 * {"file": "clip.mp4"}}, "fonts": {"mine": "mine.ttf"}, "shot": {…}, "shots": {"id": {…}}}}; {@code shots} are those that
 * the shot shows. Files lie beside it or in folders below it.
 */
public record ShotFile(Shot shot, Map<String, Source> media, Map<String, Path> fonts) {
    private static final int VERSION = 3;

    /** Where a medium comes from: exactly one of the two. */
    public record Source(Optional<Path> file, Optional<String> plate) {}

    /**
     * Reads a shot's file.
     *
     * @throws BadDocument with a plain sentence where it can't be used
     */
    public static ShotFile read(Path path) {
        JsonObject all;
        try {
            all = parsed(Files.readString(path));
        } catch (IOException e) {
            throw new BadDocument("", "The file " + path + " can't be read: it isn't text, or may not be read.");
        }
        return read(all, path.toAbsolutePath().getParent());
    }

    /** Reads the JSON of a shot's file, an older version's as today's. */
    public static JsonObject parsed(String json) {
        JsonObject all = ShotJson.parse(json);
        return all.get("aperta") instanceof JsonNumber version && version.intValue() == 1
                ? ShotJson.parse(fromFirst(json))
                : all;
    }

    /** Version 1 said "expand" for a mask's outset, and named otherwise what a key that gives up its time is called. */
    private static String fromFirst(String json) {
        return json.replaceAll("\"expand\"(\\s*:)", "\"outset\"$1")
                .replaceAll("\"rov" + "ing\"(\\s*:)", "\"loose\"$1")
                .replaceAll("\"(mask\\.[^\"]*)\\.expand\"", "\"$1.outset\"");
    }

    /** The same from its JSON; {@code folder} is where its files lie. */
    public static ShotFile read(JsonObject all, Path folder) {
        for (String name : all.keySet()) {
            if (!List.of("aperta", "media", "fonts", "shot", "shots").contains(name)) {
                throw new BadDocument("", "There is no field '" + name + "' in a shot's file.");
            }
        }
        int version = version(all);
        if (!(all.get("shot") instanceof JsonObject shot)) {
            throw new BadDocument("", "The field 'shot' is missing.");
        }
        Map<String, Source> media = new LinkedHashMap<>();
        part(all, "media").forEach((id, v) -> media.put(id, source(v, "media." + id, folder)));
        Map<String, Path> fonts = new LinkedHashMap<>();
        part(all, "fonts").forEach((id, v) -> fonts.put(id, beside(v, "fonts." + id, folder)));
        Shot read = shown(ShotJson.read(shot), part(all, "shots"), Set.of());
        ShotFile file = new ShotFile(version < 3 ? OwnPixels.of(read) : read, media, fonts);
        for (String used : mediaOf(file.shot)) {
            if (!media.containsKey(used)) {
                throw new BadDocument("shot", "The media '" + used + "' is used but not named under 'media'.");
            }
        }
        return file;
    }

    /** The names of all files that a shot's file needs, as they stand in it. */
    static List<String> filesOf(JsonObject all) {
        return Stream.concat(
                        part(all, "media").values().stream()
                                .filter(JsonObject.class::isInstance)
                                .map(v -> v.asJsonObject().get("file")),
                        part(all, "fonts").values().stream())
                .filter(JsonString.class::isInstance)
                .map(v -> ((JsonString) v).getString())
                .distinct()
                .toList();
    }

    /** With the shots that it shows, out of those by their ids; none shows itself. */
    private static Shot shown(Shot shot, Map<String, JsonValue> shots, Set<String> around) {
        return Nesting.filled(shot, id -> {
            if (around.contains(id)) {
                throw new BadDocument("shots." + id, "the shot would lie in itself.");
            }
            if (!(shots.get(id) instanceof JsonObject json)) {
                throw new BadDocument("shots", "the shot '" + id + "' is shown but not named under 'shots'.");
            }
            Set<String> line = new HashSet<>(around);
            line.add(id);
            return Optional.of(shown(ShotJson.read(json), shots, line));
        });
    }

    private static int version(JsonObject all) {
        int version = all.getInt("aperta", 0);
        if (version < 1) {
            throw new BadDocument("", "This is not a shot's file: the field 'aperta' with the version is missing.");
        }
        if (version > VERSION) {
            throw new BadDocument("", "The file was written by a newer Aperta (version " + version + ").");
        }
        return version;
    }

    private static JsonObject part(JsonObject all, String name) {
        JsonValue v = all.getOrDefault(name, JsonValue.EMPTY_JSON_OBJECT);
        if (v instanceof JsonObject o) {
            return o;
        }
        throw new BadDocument(name, "expected an object.");
    }

    private static Source source(JsonValue v, String where, Path folder) {
        if (v instanceof JsonObject o && o.size() == 1 && o.get("plate") instanceof JsonString plate) {
            try {
                return new Source(Optional.empty(), Optional.of(Plates.known(plate.getString())));
            } catch (IllegalArgumentException e) {
                throw new BadDocument(where, e.getMessage());
            }
        }
        if (v instanceof JsonObject o && o.size() == 1 && o.containsKey("file")) {
            return new Source(Optional.of(beside(o.get("file"), where, folder)), Optional.empty());
        }
        throw new BadDocument(where, "expected {\"file\": …} or {\"plate\": …}.");
    }

    private static Path beside(JsonValue v, String where, Path folder) {
        if (!(v instanceof JsonString name)) {
            throw new BadDocument(where, "expected the name of a file.");
        }
        Path path = folder.resolve(name.getString()).normalize();
        if (!path.startsWith(folder.normalize())) {
            throw new BadDocument(
                    where, "files lie beside the shot's file or below it, not at '" + name.getString() + "'.");
        }
        if (!Files.isRegularFile(path)) {
            throw new BadDocument(where, "there is no file '" + name.getString() + "' here.");
        }
        return path;
    }

    /** The ids of all media that a shot shows, lets hear, or takes colours from. */
    public static List<String> mediaOf(Shot shot) {
        return Stream.of(picturesOf(shot), soundsOf(shot), tablesOf(shot))
                .flatMap(List::stream)
                .distinct()
                .toList();
    }

    /** The ids of the colour tables of a shot, and of the shots that it shows. */
    public static List<String> tablesOf(Shot shot) {
        return everyLayer(shot)
                .flatMap(l -> l.effects().stream())
                .flatMap(e -> e.recipe().rest().files().stream())
                .distinct()
                .toList();
    }

    private static Stream<Layer> everyLayer(Shot shot) {
        return shot.everyLayer().stream()
                .flatMap(l -> l.content() instanceof Content.Nested n
                                && n.found().isPresent()
                        ? Stream.concat(Stream.of(l), everyLayer(n.found().get()))
                        : Stream.of(l));
    }

    /** The colour tables of the shot, by the ids that it uses. */
    public Map<String, CubeTable> tables() {
        Map<String, CubeTable> all = new LinkedHashMap<>();
        for (String id : tablesOf(shot)) {
            Path file = media.get(id)
                    .file()
                    .orElseThrow(() -> new BadDocument("media." + id, "a colour table is a file, not a plate."));
            try {
                all.put(id, CubeTable.parse(Files.readString(file)));
            } catch (IOException e) {
                throw new BadDocument("media." + id, "the colour table can't be read.");
            } catch (IllegalArgumentException e) {
                throw new BadDocument("media." + id, e.getMessage());
            }
        }
        return all;
    }

    /** The ids of the clips and stills of a shot. */
    public static List<String> picturesOf(Shot shot) {
        return files(shot, Content::isSeen);
    }

    /** The ids of the sounds of a shot. */
    public static List<String> soundsOf(Shot shot) {
        return files(shot, c -> !c.isSeen());
    }

    private static List<String> files(Shot shot, Predicate<Content> which) {
        return everyContent(shot)
                .filter(which)
                .flatMap(c -> c.files().stream())
                .distinct()
                .toList();
    }

    /** That of the shots that it shows, too. */
    private static Stream<Content> everyContent(Shot shot) {
        return shot.everyLayer().stream()
                .map(Layer::content)
                .flatMap(c -> c instanceof Content.Nested n && n.found().isPresent()
                        ? everyContent(n.found().get())
                        : Stream.of(c));
    }

    /** The same shot with other ids for its media and its fonts. */
    public static Shot renamed(Shot shot, UnaryOperator<String> name) {
        Shot next = shot;
        for (Layer layer : shot.everyLayer()) {
            Content content = layer.content();
            Content now = content instanceof Content.Text text ? text.withFonts(name) : content.withFiles(name);
            if (!now.equals(content)) {
                next = next.changing(layer.id(), l -> l.withContent(now));
            }
            if (layer.ink().isPresent()) {
                next = next.changing(layer.id(), l -> l.withInk(l.ink().map(i -> i.withFont(name))));
            }
            if (layer.effects().stream()
                    .anyMatch(e -> !e.recipe().rest().files().isEmpty())) {
                next = next.changing(
                        layer.id(),
                        l -> l.withEffects(l.effects().stream()
                                .map(e -> e.withRecipe(e.recipe().withFiles(name)))
                                .toList()));
            }
        }
        return next;
    }

    /** Finds, and where needed makes, every clip of the shot. */
    public Map<String, Clip> clips(Path plates, Consumer<String> progress) {
        Map<String, Clip> all = new LinkedHashMap<>();
        for (String id : picturesOf(shot)) {
            Path file = file(id, plates, progress);
            all.put(id, new Clip(hash(file), file, Probe.of(file), Optional.empty()));
        }
        return all;
    }

    /** Finds, and where needed makes, every sound of the shot. */
    public Map<String, Path> sounds(Path plates, Consumer<String> progress) {
        Map<String, Path> all = new LinkedHashMap<>();
        soundsOf(shot).forEach(id -> all.put(id, file(id, plates, progress)));
        return all;
    }

    private Path file(String id, Path plates, Consumer<String> progress) {
        Source s = media.get(id);
        return s.file().orElseGet(() -> Plates.file(s.plate().orElseThrow(), plates, progress));
    }

    /** The SHA-256 of bytes, in hexadecimal. */
    public static String hash(byte[] bytes) {
        return HexFormat.of().formatHex(sha256().digest(bytes));
    }

    /** The SHA-256 of a file, in hexadecimal. */
    public static String hash(Path file) {
        try (var in = Files.newInputStream(file)) {
            MessageDigest digest = sha256();
            byte[] part = new byte[1 << 16];
            for (int n = in.read(part); n >= 0; n = in.read(part)) {
                digest.update(part, 0, n);
            }
            return HexFormat.of().formatHex(digest.digest());
        } catch (IOException e) {
            throw new BadDocument("", "The file " + file.getFileName() + " can't be read.");
        }
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java platform has SHA-256.", e);
        }
    }
}

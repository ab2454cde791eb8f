package aperta.server.media;

import aperta.core.effect.CubeTable;
import aperta.core.render.Planner;
import aperta.core.shot.Content;
import aperta.core.shot.Layer;
import aperta.core.shot.Shot;
import aperta.core.sound.Mixdown;
import aperta.core.sound.Samples;
import aperta.core.type.Typeface;
import aperta.media.ffmpeg.MediaException;
import aperta.media.ffmpeg.Probe;
import aperta.media.ffmpeg.SoundFile;
import aperta.media.fonts.FontShelf;
import aperta.media.footage.Clip;
import aperta.media.footage.ClipSources;
import aperta.media.project.ShotFile;
import aperta.media.sound.Recordings;
import aperta.server.Ids;
import aperta.server.Storage;
import aperta.server.http.Conflict;
import aperta.server.http.NotFound;
import aperta.server.job.JobService;
import aperta.server.project.Projects;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Media of projects: brought in, looked into, and handed to renderers. */
@Service
public class MediaService {
    public enum Kind {
        VIDEO,
        STILL,
        SOUND,
        FONT,
        TABLE
    }

    public enum State {
        IMPORTING,
        READY,
        FAILED
    }

    /** A medium as it stands. */
    public record Item(
            UUID id,
            UUID project,
            String name,
            Kind kind,
            State state,
            String message,
            String hash,
            int width,
            int height,
            String rate,
            long frames,
            boolean alpha,
            boolean used) {}

    private static final long MOST_TABLE_BYTES = 96L << 20;

    private final MediaRows media;
    private final Projects projects;
    private final JobService jobs;
    private final Storage storage;
    private final ObjectProvider<MediaUse> uses;
    private final TransactionTemplate transaction;
    private final FontShelf fonts = new FontShelf(this::fontFile);
    private final Map<UUID, Clip> clips = new ConcurrentHashMap<>();
    private final Map<UUID, CubeTable> tables = new ConcurrentHashMap<>();
    private final ClipSources sources = sources();
    private final Planner planner = new Planner(sources, fonts);

    MediaService(
            MediaRows media,
            Projects projects,
            JobService jobs,
            Storage storage,
            ObjectProvider<MediaUse> uses,
            PlatformTransactionManager transactions) {
        this.media = media;
        this.projects = projects;
        this.jobs = jobs;
        this.storage = storage;
        this.uses = uses;
        this.transaction = new TransactionTemplate(transactions);
    }

    @PreDestroy
    void close() {
        sources.close();
    }

    /** The planner of the desk; its readers follow what the desk looks at. */
    public Planner planner() {
        return planner;
    }

    public FontShelf fonts() {
        return fonts;
    }

    /** Readers of one's own, for a job that runs from the first frame to the last. */
    public ClipSources sources() {
        return new ClipSources(this::clip, this::table);
    }

    /** The sounds of all projects, by the ids of their media. */
    public Samples samples() {
        return new Recordings(id -> Ids.of(id)
                .flatMap(media::findById)
                .filter(m -> m.kind == Kind.SOUND && m.state == State.READY)
                .map(m -> storage.samples(m.hash))
                .orElseThrow(() -> new IllegalArgumentException("The sound '" + id + "' isn't there.")));
    }

    public List<Item> of(UUID project) {
        return media.findByProjectIdOrderByCreatedAt(project).stream()
                .map(this::item)
                .filter(m -> m.used || row(m.id).removedAt == null)
                .toList();
    }

    private Item item(MediaRow r) {
        return new Item(
                r.id,
                r.projectId,
                r.name,
                r.kind,
                r.state,
                r.message,
                r.hash,
                r.width,
                r.height,
                r.rate,
                r.frames,
                r.alpha,
                !uses.getObject().shotsWith(r.id).isEmpty());
    }

    /**
     * Takes a medium out of its project. Its files stay for a while, and as long as undo leads to a shot that shows it.
     *
     * @throws Conflict where a shot shows it
     */
    public void remove(UUID id) {
        MediaRow r = row(id);
        List<String> shots = uses.getObject().shotsWith(id);
        if (!shots.isEmpty()) {
            throw new Conflict("'" + r.name + "' is used in '" + String.join("', '", shots) + "'.");
        }
        r.removedAt = Instant.now();
        media.save(r);
    }

    /** Forgets media that were removed before a time and that no state of any shot has used. */
    void forget(Instant before) {
        for (MediaRow r : media.findByRemovedAtBefore(before)) {
            if (!uses.getObject().wasEverUsed(r.id)) {
                clips.remove(r.id);
                media.delete(r);
            }
        }
    }

    Set<String> hashes() {
        return media.hashes();
    }

    public Item get(UUID id) {
        return item(row(id));
    }

    private MediaRow row(UUID id) {
        return media.findById(id).orElseThrow(() -> new NotFound("There is no such media."));
    }

    /** A medium that is ready for use. */
    public Item ready(UUID id) {
        MediaRow r = row(id);
        if (r.state != State.READY || r.kind == Kind.FONT || r.kind == Kind.SOUND || r.kind == Kind.TABLE) {
            throw new Conflict("'" + r.name + "' isn't a picture that is ready.");
        }
        return item(r);
    }

    /**
     * Checks that everything a shot shows is there.
     *
     * @throws IllegalArgumentException with a sentence that names the layer
     */
    public void demand(UUID project, Shot shot) {
        for (Layer layer : shot.everyLayer()) {
            if (layer.content() instanceof Content.Text text) {
                try {
                    text.looks().forEach(l -> fonts.face(l.font().orElseThrow()));
                } catch (IllegalArgumentException e) {
                    throw new IllegalArgumentException("'" + layer.name() + "': " + e.getMessage(), e);
                }
            }
        }
        for (String id : ShotFile.picturesOf(shot)) {
            demand(project, id, k -> k == Kind.VIDEO || k == Kind.STILL);
        }
        for (String id : ShotFile.soundsOf(shot)) {
            demand(project, id, k -> k == Kind.SOUND);
        }
        for (String id : ShotFile.tablesOf(shot)) {
            demand(project, id, k -> k == Kind.TABLE);
        }
    }

    private void demand(UUID project, String id, Predicate<Kind> kind) {
        boolean there = Ids.of(id)
                .flatMap(media::findById)
                .filter(m -> m.projectId.equals(project) && m.state == State.READY && kind.test(m.kind))
                .isPresent();
        if (!there) {
            throw new IllegalArgumentException("The media '" + id + "' isn't in this project, or isn't ready.");
        }
    }

    /**
     * The same medium in another project: the one that is there already, or a new one of the same file.
     *
     * @param id of a medium of any project; a font that ships with Aperta stays
     * @throws IllegalArgumentException where it isn't there, or isn't ready
     */
    public String inProject(UUID project, String id) {
        Optional<MediaRow> found = Ids.of(id).flatMap(media::findById);
        if (found.isEmpty()) {
            return id;
        }
        MediaRow row = found.get();
        if (row.projectId.equals(project)) {
            return id;
        }
        if (row.state != State.READY) {
            throw new IllegalArgumentException("'" + row.name + "' isn't ready yet.");
        }
        return media.findByProjectIdOrderByCreatedAt(project).stream()
                .filter(m -> m.hash.equals(row.hash) && m.kind == row.kind && m.state == State.READY)
                .findFirst()
                .map(m -> {
                    m.removedAt = null;
                    return media.save(m);
                })
                .orElseGet(() -> media.save(row.in(project)))
                .id
                .toString();
    }

    private Optional<Clip> clip(String id) {
        return Ids.of(id).flatMap(u -> {
            Clip known = clips.get(u);
            if (known != null) {
                return Optional.of(known);
            }
            Optional<MediaRow> row = media.findById(u)
                    .filter(m -> m.state == State.READY && (m.kind == Kind.VIDEO || m.kind == Kind.STILL));
            // Whoever asks meanwhile waits for the first, rather than to look into the file, too.
            return row.map(m -> clips.computeIfAbsent(u, n -> open(m)));
        });
    }

    private Optional<CubeTable> table(String id) {
        return Ids.of(id).flatMap(u -> {
            CubeTable known = tables.get(u);
            if (known != null) {
                return Optional.of(known);
            }
            Optional<MediaRow> row = media.findById(u).filter(m -> m.state == State.READY && m.kind == Kind.TABLE);
            row.ifPresent(m -> tables.put(u, parsed(file(m))));
            return Optional.ofNullable(tables.get(u));
        });
    }

    private static CubeTable parsed(Path file) {
        try {
            if (Files.size(file) > MOST_TABLE_BYTES) {
                throw new MediaException(
                        "A colour table of more than " + (MOST_TABLE_BYTES >> 20) + " MB is not read.");
            }
            return CubeTable.parse(new String(Files.readAllBytes(file), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new MediaException("The colour table can't be read.", e);
        } catch (IllegalArgumentException e) {
            throw new MediaException(e.getMessage(), e);
        }
    }

    private Optional<Path> proxy(MediaRow row) {
        return Optional.of(storage.proxy(row.hash)).filter(Files::exists);
    }

    private Clip open(MediaRow row) {
        Path file = file(row);
        return new Clip(row.hash, file, Probe.of(file).withFrames(row.frames), proxy(row));
    }

    private Optional<byte[]> fontFile(String id) {
        return Ids.of(id)
                .flatMap(media::findById)
                .filter(m -> m.kind == Kind.FONT && m.state == State.READY)
                .map(m -> {
                    try {
                        return Files.readAllBytes(file(m));
                    } catch (IOException e) {
                        throw new MediaException("The font '" + m.name + "' can't be read.", e);
                    }
                });
    }

    /**
     * Takes a file in. Fonts are ready at once; pictures are looked into and then read through by a job.
     *
     * @throws MediaException with a plain sentence where the file is of no use; nothing is kept then
     */
    public Item bring(UUID project, String name, InputStream content) {
        projects.get(project);
        Path incoming = null;
        try {
            incoming = Files.createTempFile(storage.incoming(), "file", ".part");
            Files.copy(content, incoming, StandardCopyOption.REPLACE_EXISTING);
            return take(project, name, incoming);
        } catch (IOException e) {
            throw new MediaException("'" + name + "' couldn't be kept: the disk may be full.", e);
        } catch (MediaException e) {
            throw new MediaException("'" + name + "': " + e.getMessage(), e);
        } finally {
            if (incoming != null) {
                incoming.toFile().delete();
            }
        }
    }

    /** The same for a file that is there already; it is moved away. */
    public Item take(UUID project, String name, Path file) throws IOException {
        if (Files.size(file) == 0) {
            throw new MediaException("The file is empty.");
        }
        String ending = ending(name);
        if (ending.equals(".ttf") || ending.equals(".otf") || ending.equals(".ttc")) {
            Typeface face = Typeface.of(Files.readAllBytes(file));
            MediaRow row = new MediaRow(project, face.family(), Kind.FONT, ShotFile.hash(file), ending);
            keep(file, row);
            row.state = State.READY;
            return item(media.save(row));
        }
        if (ending.equals(".cube")) {
            parsed(file);
            MediaRow row = new MediaRow(project, name, Kind.TABLE, ShotFile.hash(file), ending);
            keep(file, row);
            row.state = State.READY;
            return item(media.save(row));
        }
        if (SoundFile.isOne(file)) {
            return takeSound(project, name, file, ending);
        }
        Probe probe = Probe.of(file);
        Kind kind = probe.still() ? Kind.STILL : Kind.VIDEO;
        MediaRow row = new MediaRow(project, name, kind, ShotFile.hash(file), ending);
        keep(file, row);
        row.width = probe.width();
        row.height = probe.height();
        row.rate = probe.rate().toString();
        row.frames = probe.frames();
        row.alpha = probe.alpha();
        row.message = note(probe);
        transaction.executeWithoutResult(status -> {
            media.save(row);
            jobs.startImport(project, row.id, "Import " + name, probe.frames());
        });
        return item(row);
    }

    /**
     * Takes in a clip that was made here, which needs no looking into; the file is moved away.
     *
     * @param name with its ending
     */
    public Item takeMade(UUID project, String name, Path file) throws IOException {
        Probe probe = Probe.of(file);
        MediaRow row = new MediaRow(project, name, Kind.VIDEO, ShotFile.hash(file), ending(name));
        keep(file, row);
        row.width = probe.width();
        row.height = probe.height();
        row.rate = probe.rate().toString();
        row.frames = probe.frames();
        row.state = State.READY;
        return item(media.save(row));
    }

    /** What people should know of a clip that is of use nevertheless. */
    private static String note(Probe probe) {
        List<String> notes = new ArrayList<>();
        if (probe.interlaced()) {
            notes.add("Interlaced: each frame is put together from its two fields.");
        }
        if (!probe.square()) {
            notes.add("Its pixels aren't square: it is shown " + probe.width() + " pixels wide.");
        }
        if (probe.times().filter(t -> !t.isEven()).isPresent()) {
            notes.add("Its frames don't come evenly: where one is missing, the one before it stays.");
        }
        return String.join(" ", notes);
    }

    /** A sound's rate is that of its samples, its frames are samples. */
    private Item takeSound(UUID project, String name, Path file, String ending) throws IOException {
        MediaRow row = new MediaRow(project, name, Kind.SOUND, ShotFile.hash(file), ending);
        keep(file, row);
        row.rate = Integer.toString(Mixdown.RATE);
        transaction.executeWithoutResult(status -> {
            media.save(row);
            jobs.startImport(project, row.id, "Import " + name, 1);
        });
        return item(row);
    }

    private void keep(Path file, MediaRow row) throws IOException {
        Files.move(file, file(row), StandardCopyOption.REPLACE_EXISTING);
    }

    private Path file(MediaRow row) {
        return storage.original(row.hash + row.ending);
    }

    private static String ending(String name) {
        int dot = name.lastIndexOf('.');
        String ending = dot < 0 ? "" : name.substring(dot).toLowerCase(Locale.ROOT);
        return ending.matches("\\.[a-z0-9]{1,8}") ? ending : "";
    }

    /** Marks a medium as read through. */
    public void imported(UUID id, long frames) {
        media.findById(id).ifPresent(r -> {
            r.state = State.READY;
            r.frames = frames;
            media.save(r);
            clips.computeIfPresent(id, (u, clip) -> clip.imported(frames, proxy(r)));
        });
    }

    /** Marks a medium as of no use. */
    public void refused(UUID id, String why) {
        media.findById(id).ifPresent(r -> {
            r.state = State.FAILED;
            r.message = why;
            media.save(r);
            if (!media.existsByHashAndIdNot(r.hash, r.id)) {
                file(r).toFile().delete();
            }
        });
    }

    Path file(UUID id) {
        return file(row(id));
    }
}

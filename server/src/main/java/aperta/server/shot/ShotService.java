package aperta.server.shot;

import static aperta.media.json.Provider.JSON;

import aperta.core.edit.ChangedValue;
import aperta.core.edit.LayerEdits;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Nesting;
import aperta.core.shot.Property;
import aperta.core.shot.Shot;
import aperta.core.time.Rate;
import aperta.media.json.AnimationJson;
import aperta.media.json.Characters;
import aperta.media.json.ShotJson;
import aperta.media.project.ShotFile;
import aperta.server.Ids;
import aperta.server.http.Conflict;
import aperta.server.http.NotFound;
import aperta.server.media.MediaService;
import aperta.server.project.Projects;
import com.fasterxml.jackson.annotation.JsonRawValue;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;

/** Shots, their revisions, undo and redo. */
@Service
public class ShotService {
    private static final int LONGEST_LABEL = 200;
    private static final int MOST_KEPT = 64;
    private static final int MOST_LAYERS = 2000;

    private final ShotRows shots;
    private final EditRows edits;
    private final Projects projects;
    private final MediaService media;
    private final ApplicationEventPublisher events;
    private final Map<UUID, Read> read = new ConcurrentHashMap<>();
    private final Map<UUID, Long> revisions = new ConcurrentHashMap<>();

    /**
     * A shot that has been read from its document.
     *
     * @param shot with the shots that it shows
     * @param within the ids of these, and of those that they show
     */
    public record Read(UUID project, long revision, Shot shot, Set<UUID> within) {}

    public record ShotSummary(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID id,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String name,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            int width,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            int height,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String rate,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long length,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long revision,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            Instant changedAt) {}

    /**
     * A shot at its newest revision, with what undo and redo would do.
     *
     * @param animation what moves in it ({@link AnimationJson})
     */
    public record ShotView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID id,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID projectId,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String projectName,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long revision,

            String undo,
            String redo,

            @JsonRawValue @Schema(type = "object", requiredMode = Schema.RequiredMode.REQUIRED)
            String shot,

            @JsonRawValue @Schema(type = "object", requiredMode = Schema.RequiredMode.REQUIRED)
            String animation) {}

    /** A property of a layer, as others can follow it. */
    public record PropertyView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String name,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String label) {}

    /**
     * A state that the shot has been in.
     *
     * @param edit the change that led to it; nothing for the beginning
     * @param done false where it has been undone and redo would come to it
     */
    public record State(
            Long edit,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String label,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            Instant at,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            boolean done) {}

    ShotService(
            ShotRows shots, EditRows edits, Projects projects, MediaService media, ApplicationEventPublisher events) {
        this.shots = shots;
        this.edits = edits;
        this.projects = projects;
        this.media = media;
        this.events = events;
    }

    public List<ShotSummary> of(UUID project) {
        return shots.findByProjectIdAndRemovedAtIsNullOrderByCreatedAt(project).stream()
                .map(this::summary)
                .toList();
    }

    private ShotSummary summary(ShotRow row) {
        Shot s = read(row).shot();
        return new ShotSummary(
                row.id,
                row.name,
                s.format().width(),
                s.format().height(),
                s.format().rate().toString(),
                s.length(),
                row.revision,
                row.changedAt);
    }

    private Read read(ShotRow row) {
        Read known = read.get(row.id);
        if (known != null && known.revision == row.revision) {
            return known;
        }
        return fresh(row, Set.of());
    }

    /** @param around the shots that are being read, in which it lies; none of them is shown in it */
    private Read fresh(ShotRow row, Set<UUID> around) {
        Set<UUID> line = new HashSet<>(around);
        line.add(row.id);
        Set<UUID> within = new HashSet<>();
        Shot shot = Nesting.filled(ShotJson.read(row.document), id -> {
            Optional<ShotRow> inner = shownIn(row, id).filter(r -> !line.contains(r.id));
            inner.ifPresent(r -> within.add(r.id));
            return inner.map(r -> {
                Read known = read.get(r.id);
                Read now = known != null && known.revision == r.revision ? known : fresh(r, line);
                within.addAll(now.within);
                return now.shot;
            });
        });
        Read fresh = new Read(row.projectId, row.revision, shot, Set.copyOf(within));
        if (around.isEmpty()) {
            if (read.size() > MOST_KEPT) {
                read.clear();
            }
            read.put(row.id, fresh);
        }
        return fresh;
    }

    /** The shot that another one shows by that id: one of the same project that is there. */
    private Optional<ShotRow> shownIn(ShotRow row, String id) {
        return Ids.of(id)
                .flatMap(shots::findById)
                .filter(r -> r.projectId.equals(row.projectId) && r.removedAt == null);
    }

    /** Refuses a shot that shows what isn't there, or itself, at whatever depth. */
    private void demandNested(ShotRow row, Shot shot) {
        for (String id : Nesting.of(shot)) {
            ShotRow inner = shownIn(row, id)
                    .orElseThrow(() -> new IllegalArgumentException("There is no shot '" + id + "' in this project."));
            demandNotWithin(row, inner);
        }
        Shot filled = Nesting.filled(shot, id -> shownIn(row, id).map(r -> read(r).shot));
        if (Nesting.layers(filled) > MOST_LAYERS) {
            throw new IllegalArgumentException(
                    "With the shots that it shows, a shot has at most " + MOST_LAYERS + " layers.");
        }
    }

    private void demandNotWithin(ShotRow row, ShotRow inner) {
        if (inner.id.equals(row.id) || read(inner).within.contains(row.id)) {
            throw new IllegalArgumentException(
                    "'" + inner.name + "' shows '" + row.name + "', or is it; a shot can't lie in itself.");
        }
    }

    /** The newest revision. */
    @Transactional(readOnly = true)
    public Read newest(UUID id) {
        Read found = read(get(id));
        revisions.merge(id, found.revision, Math::max);
        return found;
    }

    /**
     * The newest revision, for who asks with every picture: the database is asked only where a revision has been committed
     * since, since nobody but this server writes to it. A shot that is deleted meanwhile is still seen.
     */
    public Read current(UUID id) {
        Read known = read.get(id);
        boolean newest = known != null && revisions.getOrDefault(id, -1L) == known.revision;
        return newest ? known : newest(id);
    }

    /** Before windows are told, who then ask for it. */
    @Order(Ordered.HIGHEST_PRECEDENCE)
    @TransactionalEventListener
    public void committed(ShotChanged event) {
        revisions.merge(event.shot(), event.revision(), Math::max);
        read.values().removeIf(r -> r.within.contains(event.shot()));
    }

    private ShotRow get(UUID id) {
        return shots.findById(id)
                .filter(r -> r.removedAt == null)
                .orElseThrow(() -> new NotFound("There is no such shot."));
    }

    @Transactional(readOnly = true)
    public ShotView view(UUID id) {
        return view(get(id));
    }

    private ShotView view(ShotRow row) {
        Shot shot = committed(row);
        return new ShotView(
                row.id,
                row.projectId,
                projects.get(row.projectId).name(),
                row.revision,
                label(row.undoEdit),
                label(row.redoEdit),
                ShotJson.write(shot).toString(),
                AnimationJson.of(shot).toString());
    }

    /**
     * The document in its one usual form: what an older version stored has all the fields that there are today. Read here
     * without being kept, since a change that isn't committed yet may still fail.
     */
    private Shot committed(ShotRow row) {
        Read known = read.get(row.id);
        boolean same = known != null && known.revision == row.revision;
        return same ? known.shot : ShotJson.read(row.document);
    }

    /** The properties of a layer that are made of numbers. */
    @Transactional(readOnly = true)
    public List<PropertyView> numbers(UUID id, String layer) {
        Layer found = newest(id)
                .shot()
                .layer(layer)
                .orElseThrow(() -> new NotFound("There is no layer '" + layer + "' in this shot."));
        Stream<PropertyView> marks = found.content() instanceof Content.Footage clip
                ? clip.tracks().stream()
                        .flatMap(t -> t.followables().stream())
                        .map(f -> new PropertyView(f.name(), f.label()))
                : Stream.empty();
        Stream<PropertyView> numbers = Property.of(found).stream()
                .filter(p -> p.kind().isNumeric())
                .map(p -> new PropertyView(p.name(), p.title()));
        return Stream.concat(marks, numbers).toList();
    }

    private String label(Long edit) {
        return edit == null ? null : edits.findById(edit).orElseThrow().label;
    }

    /** A new, empty shot. */
    @Transactional
    public ShotView create(UUID project, String name, Format format, long length) {
        return save(project, new Shot(named(name), format, length, List.of()));
    }

    /** A new, empty shot exactly as a clip. */
    @Transactional
    public ShotView createLike(UUID project, String name, UUID clip) {
        var m = media.ready(clip);
        return create(project, name, new Format(m.width(), m.height(), Rate.parse(m.rate())), Math.max(1, m.frames()));
    }

    private static String named(String name) {
        if (name == null || name.isBlank() || name.length() > LONGEST_LABEL || !Characters.canBeKept(name)) {
            throw new IllegalArgumentException(
                    "A shot, and a change of it, needs a name of 1 to " + LONGEST_LABEL + " letters.");
        }
        return name.strip();
    }

    /** Keeps a shot that was made elsewhere. */
    @Transactional
    public ShotView save(UUID project, Shot shot) {
        projects.get(project).touch();
        ShotRow row = new ShotRow(project, shot.name(), ShotJson.write(shot).toString());
        return view(shots.save(row));
    }

    /** A shot like another, beside it, with no steps to undo. */
    @Transactional
    public ShotView copy(UUID id) {
        ShotRow row = get(id);
        Shot shot = read(row).shot;
        String name = row.name + " copy";
        return save(row.projectId, shot.withName(name.length() > LONGEST_LABEL ? row.name : name));
    }

    /**
     * Takes a shot out of its project; {@link #restore} brings it back for a while.
     *
     * @throws Conflict where another shot shows it
     */
    @Transactional
    public void delete(UUID id) {
        ShotRow row = get(id);
        demandNotShown(row, "deleted");
        row.removedAt = Instant.now();
        projects.get(row.projectId).touch();
        read.remove(id);
    }

    /** Brings a shot back that was deleted. */
    @Transactional
    public ShotView restore(UUID id) {
        ShotRow row = shots.findById(id).orElseThrow(() -> new NotFound("That shot has been gone for too long."));
        row.removedAt = null;
        projects.get(row.projectId).touch();
        return view(row);
    }

    private void demandNotShown(ShotRow row, String why) {
        List<String> others = shots.namesOfThoseWith(row.id.toString());
        if (!others.isEmpty()) {
            throw new Conflict(
                    "'" + row.name + "' is shown in '" + String.join("', '", others) + "', and can't be " + why + ".");
        }
    }

    /** Forgets shots that were deleted before a time. */
    @Transactional
    public void forget(Instant before) {
        shots.deleteByRemovedAtBefore(before);
    }

    /**
     * Moves a shot to another project, with copies of the media and of the shots that it shows; its undo list comes along.
     *
     * @throws Conflict where another shot shows it
     */
    @Transactional
    public ShotView move(UUID id, UUID project) {
        ShotRow row = get(id);
        if (row.projectId.equals(project)) {
            return view(row);
        }
        demandNotShown(row, "moved");
        Shot shot = taken(read(row).shot, project, new HashMap<>());
        projects.get(row.projectId).touch();
        projects.get(project).touch();
        row.projectId = project;
        row.document = ShotJson.write(shot).toString();
        row.revision++;
        row.changedAt = Instant.now();
        events.publishEvent(new ShotChanged(row.id, row.revision));
        return view(row);
    }

    /** Layers as {@link #paste} takes them: the chosen ones, and those that they name. */
    @Transactional(readOnly = true)
    public JsonArray copied(UUID id, List<String> layers) {
        return ShotJson.write(LayerEdits.withNamed(read(get(id)).shot, layers));
    }

    /** Puts copied layers of any shot into this one, with the media and shots that they show. */
    @Transactional
    public ShotView paste(UUID id, long revision, String label, JsonObject paste) {
        ShotRow row = get(id);
        Shot shot = read(row).shot;
        List<Layer> layers = ShotJson.readLayers(paste.get("layers"));
        List<Layer> here =
                taken(shot.withLayers(layers), row.projectId, new HashMap<>()).layers();
        JsonObject edit = JSON.createObjectBuilder(paste)
                .add("kind", "paste-layers")
                .add("layers", ShotJson.write(here))
                .build();
        return change(
                id,
                revision,
                label,
                JSON.createObjectBuilder().add("edit", edit).build());
    }

    /** A shot as it is in another project: its media, fonts and shots are those of that project. */
    private Shot taken(Shot shot, UUID project, Map<UUID, UUID> made) {
        Shot there = ShotFile.renamed(shot, m -> media.inProject(project, m));
        return Nesting.renamed(
                there,
                id -> Ids.of(id)
                        .flatMap(shots::findById)
                        .map(r -> takenShot(r, project, made).toString())
                        .orElse(id));
    }

    private UUID takenShot(ShotRow row, UUID project, Map<UUID, UUID> made) {
        if (row.projectId.equals(project)) {
            return row.id;
        }
        UUID known = made.get(row.id);
        if (known == null) {
            known = save(project, taken(read(row).shot, project, made)).id();
            made.put(row.id, known);
        }
        return known;
    }

    /**
     * Carries out a change of the newest revision.
     *
     * @throws Conflict where the revision isn't the newest
     * @throws IllegalArgumentException where the change isn't possible; nothing is changed
     */
    @Transactional
    public ShotView change(UUID id, long revision, String label, JsonObject request) {
        String called = named(label);
        ShotRow row = hold(id, revision);
        Shot before = read(row).shot();
        Shot after = new Change(request).apply(before, media.planner());
        media.demand(row.projectId, after);
        demandNested(row, after);
        JsonObject from = ShotJson.write(before);
        JsonObject to = ShotJson.write(after);
        if (from.equals(to)) {
            return view(row);
        }
        String said = ChangedValue.of(before, after)
                .filter(v -> called.length() + v.length() + 2 <= LONGEST_LABEL)
                .map(v -> called + ": " + v)
                .orElse(called);
        EditRow edit = keep(row, EditRow.Kind.EDIT, said, to, Steps.diff(from, to), Steps.diff(to, from));
        edit.below = row.undoEdit;
        row.undoEdit = edits.save(edit).id;
        row.redoEdit = null;
        return view(row);
    }

    /** What was undone may lead to a shot that shows this one by now. */
    private JsonObject demandNoCircle(ShotRow row, JsonObject document) {
        for (String id : Nesting.of(ShotJson.read(document))) {
            shownIn(row, id).ifPresent(inner -> demandNotWithin(row, inner));
        }
        return document;
    }

    private ShotRow hold(UUID id, long revision) {
        ShotRow row = shots.hold(id).orElseThrow(() -> new NotFound("There is no such shot."));
        if (row.revision != revision) {
            throw new Conflict("The shot has gone on to revision " + row.revision
                    + " while this change was made to revision " + revision + "; load it again.");
        }
        return row;
    }

    private EditRow keep(
            ShotRow row, EditRow.Kind kind, String label, JsonObject document, String patch, String inverse) {
        row.document = document.toString();
        row.name = document.getString("name");
        row.revision++;
        row.changedAt = Instant.now();
        projects.get(row.projectId).touch();
        events.publishEvent(new ShotChanged(row.id, row.revision));
        return new EditRow(row, kind, label, patch, inverse);
    }

    @Transactional
    public ShotView undo(UUID id, long revision) {
        ShotRow row = hold(id, revision);
        EditRow undone = step(row.undoEdit, "There is nothing to undo.");
        JsonObject document = demandNoCircle(row, Steps.applied(row.document, undone.inverse));
        edits.save(keep(row, EditRow.Kind.UNDO, undone.label, document, undone.inverse, undone.patch));
        row.undoEdit = undone.below;
        undone.above = row.redoEdit;
        row.redoEdit = undone.id;
        return view(row);
    }

    @Transactional
    public ShotView redo(UUID id, long revision) {
        ShotRow row = hold(id, revision);
        EditRow redone = step(row.redoEdit, "There is nothing to redo.");
        JsonObject document = demandNoCircle(row, Steps.applied(row.document, redone.patch));
        edits.save(keep(row, EditRow.Kind.REDO, redone.label, document, redone.patch, redone.inverse));
        row.redoEdit = redone.above;
        redone.below = row.undoEdit;
        row.undoEdit = redone.id;
        return view(row);
    }

    /** The states that undo and redo lead through, the newest first; the last of those that are done is the present one. */
    @Transactional(readOnly = true)
    public List<State> states(UUID id) {
        ShotRow row = get(id);
        Map<Long, EditRow> all = new HashMap<>();
        edits.findByShotIdAndKind(id, EditRow.Kind.EDIT).forEach(e -> all.put(e.id, e));
        List<State> states = new ArrayList<>();
        for (EditRow e = all.get(row.redoEdit); e != null; e = all.get(e.above)) {
            states.add(0, new State(e.id, e.label, e.madeAt, false));
        }
        for (EditRow e = all.get(row.undoEdit); e != null; e = all.get(e.below)) {
            states.add(new State(e.id, e.label, e.madeAt, true));
        }
        states.add(new State(null, "Beginning", row.createdAt, true));
        return states;
    }

    /**
     * Undoes or redoes until the shot is in a state.
     *
     * @param edit the change that led to it; nothing for the beginning
     */
    @Transactional
    public ShotView jump(UUID id, long revision, Long edit) {
        List<State> states = states(id);
        State wanted = states.stream()
                .filter(s -> Objects.equals(s.edit, edit))
                .findFirst()
                .orElseThrow(() -> new Conflict("That state isn't among those that undo and redo lead to any more."));
        ShotView now = view(hold(id, revision));
        while (!Objects.equals(shots.findById(id).orElseThrow().undoEdit, edit)) {
            now = wanted.done ? undo(id, now.revision) : redo(id, now.revision);
        }
        return now;
    }

    private EditRow step(Long edit, String none) {
        return Optional.ofNullable(edit).flatMap(edits::findById).orElseThrow(() -> new Conflict(none));
    }
}

package aperta.server.shot;

import aperta.core.effect.Effect;
import aperta.core.effect.Effects;
import aperta.core.opening.Opening;
import aperta.core.opening.Openings;
import aperta.core.opening.Window;
import aperta.core.opening.Windows;
import aperta.core.recipe.Descriptor;
import aperta.core.shot.Format;
import aperta.core.shot.Pose;
import aperta.core.texture.Texture;
import aperta.core.texture.Textures;
import aperta.core.time.Rate;
import aperta.core.time.Signal;
import aperta.media.json.AnimationJson;
import aperta.media.json.ShotJson;
import aperta.server.shot.ShotService.ShotView;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.json.JsonNumber;
import jakarta.json.JsonObject;
import jakarta.json.JsonString;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Shots over HTTP. */
@RestController
@RequestMapping("/api")
class ShotController {
    private final ShotService shots;

    ShotController(ShotService shots) {
        this.shots = shots;
    }

    /** Either the numbers of the format, or a clip that gives them. */
    record NewShot(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String name,

            Integer width,
            Integer height,
            String rate,
            Long length,
            UUID likeMedia) {}

    record Revision(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long revision) {}

    @PostMapping("/projects/{project}/shots")
    @ResponseStatus(HttpStatus.CREATED)
    ShotView create(@PathVariable UUID project, @RequestBody NewShot body) {
        if (body.likeMedia != null) {
            return shots.createLike(project, body.name, body.likeMedia);
        }
        if (body.width == null || body.height == null || body.rate == null || body.length == null) {
            throw new IllegalArgumentException(
                    "A shot needs a width, a height, a rate and a length, or a clip to be like.");
        }
        return shots.create(
                project, body.name, new Format(body.width, body.height, Rate.parse(body.rate)), body.length);
    }

    @GetMapping("/shots/{id}")
    ShotView one(@PathVariable UUID id) {
        return shots.view(id);
    }

    @DeleteMapping("/shots/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(@PathVariable UUID id) {
        shots.delete(id);
    }

    /** Takes a deletion back. */
    @PostMapping("/shots/{id}/restore")
    ShotView restore(@PathVariable UUID id) {
        return shots.restore(id);
    }

    @PostMapping("/shots/{id}/copy")
    @ResponseStatus(HttpStatus.CREATED)
    ShotView copy(@PathVariable UUID id) {
        return shots.copy(id);
    }

    record Move(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID project) {}

    @PostMapping("/shots/{id}/move")
    ShotView move(@PathVariable UUID id, @RequestBody Move body) {
        return shots.move(id, body.project);
    }

    record Chosen(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            List<String> layers) {}

    /** Layers with those that they name, as pasting takes them. */
    @PostMapping(path = "/shots/{id}/copied-layers", produces = "application/json")
    String copiedLayers(@PathVariable UUID id, @RequestBody Chosen body) {
        return shots.copied(id, body.layers).toString();
    }

    /** {@code {"revision": 7, "label": "Paste", "paste": {"layers": […], "chosen": […], "newId": …, "above": …}}}. */
    @PostMapping(path = "/shots/{id}/paste", consumes = "application/json")
    ShotView paste(@PathVariable UUID id, @RequestBody String body) {
        JsonObject request = ShotJson.parse(body);
        if (request.get("revision") instanceof JsonNumber revision
                && revision.isIntegral()
                && request.get("label") instanceof JsonString label
                && request.get("paste") instanceof JsonObject paste) {
            return shots.paste(id, revision.longValue(), label.getString(), paste);
        }
        throw new IllegalArgumentException(
                "Pasting needs 'revision', a whole number, 'label', a text, and 'paste', an object.");
    }

    /** {@code {"revision": 7, "label": "Move", "patch": […]}} or with {@code "edit": {"kind": …}} instead. */
    @PostMapping(path = "/shots/{id}/edits", consumes = "application/json")
    ShotView change(@PathVariable UUID id, @RequestBody String body) {
        JsonObject request = ShotJson.parse(body);
        if (request.get("revision") instanceof JsonNumber revision
                && revision.isIntegral()
                && request.get("label") instanceof JsonString label) {
            return shots.change(id, revision.longValue(), label.getString(), request);
        }
        throw new IllegalArgumentException(
                "A change needs 'revision', the whole number that it was made to, and 'label', a text.");
    }

    @PostMapping("/shots/{id}/undo")
    ShotView undo(@PathVariable UUID id, @RequestBody Revision body) {
        return shots.undo(id, body.revision);
    }

    @PostMapping("/shots/{id}/redo")
    ShotView redo(@PathVariable UUID id, @RequestBody Revision body) {
        return shots.redo(id, body.revision);
    }

    /** @param edit the change that led to the state; nothing for the beginning */
    record Jump(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long revision,

            Long edit) {}

    @GetMapping("/shots/{id}/states")
    List<ShotService.State> states(@PathVariable UUID id) {
        return shots.states(id);
    }

    @PostMapping("/shots/{id}/jump")
    ShotView jump(@PathVariable UUID id, @RequestBody Jump body) {
        return shots.jump(id, body.revision, body.edit);
    }

    /** The properties of a layer that are made of numbers, so that others can follow them. */
    @GetMapping("/shots/{id}/layers/{layer}/numbers")
    List<ShotService.PropertyView> numbers(@PathVariable UUID id, @PathVariable String layer) {
        return shots.numbers(id, layer);
    }

    record Copied(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            List<AnimationJson.KeyOf> keys) {}

    /** Keys with their values, as the edit {@code paste-keys} takes them. */
    @PostMapping(path = "/shots/{id}/copied-keys", produces = "application/json")
    String copiedKeys(@PathVariable UUID id, @RequestBody Copied body) {
        return AnimationJson.copied(shots.newest(id).shot(), body.keys).toString();
    }

    /** What openings, signals and windows there are, and what a pose is made of, with their parameters. */
    record Recipes(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            List<Descriptor> openings,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            List<Descriptor> signals,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            List<Descriptor> windows,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            List<EffectView> effects,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            List<Descriptor> textures,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            Descriptor pose) {}

    /**
     * An effect as the desk offers it.
     *
     * @param purpose what it is used for
     * @param station where in the chain it goes when it is added, as documents say it
     * @param readsBeyond whether it matters to it what lies beyond the picture's border
     */
    record EffectView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            Descriptor descriptor,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            Effect.Purpose purpose,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String station,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            boolean readsBeyond) {
        static EffectView of(Effect effect) {
            String station = effect.station().name().toLowerCase(Locale.ROOT).replace('_', '-');
            return new EffectView(effect.descriptor(), effect.purpose(), station, effect.readsBeyond());
        }
    }

    @GetMapping("/recipes")
    Recipes recipes() {
        return new Recipes(
                Openings.all().stream().map(Opening::descriptor).toList(),
                Signal.all().stream().map(Signal::descriptor).toList(),
                Windows.all().stream().map(Window::descriptor).toList(),
                Effects.all().stream().map(EffectView::of).toList(),
                Textures.all().stream().map(Texture::descriptor).toList(),
                Pose.DESCRIPTOR);
    }
}

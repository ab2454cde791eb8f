package aperta.server.kept;

import aperta.core.shot.LayerEffect;
import aperta.core.shot.Passage;
import aperta.media.json.ShotJson;
import com.fasterxml.jackson.annotation.JsonRawValue;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.json.JsonObject;
import jakarta.json.JsonString;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is kept by name in a project, over HTTP: openings, and chains of effects. */
@RestController
@RequestMapping("/api")
class KeptController {
    private final KeptPassages passages;
    private final KeptChains chains;

    KeptController(KeptPassages passages, KeptChains chains) {
        this.passages = passages;
        this.chains = chains;
    }

    record KeptView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID id,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String name,

            @JsonRawValue @Schema(type = "object", requiredMode = Schema.RequiredMode.REQUIRED)
            String passage) {
        static KeptView of(Kept<Passage> k) {
            return new KeptView(k.id(), k.name(), ShotJson.write(k.what()).toString());
        }
    }

    record ChainView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID id,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String name,

            @JsonRawValue @Schema(type = "array", requiredMode = Schema.RequiredMode.REQUIRED)
            String effects,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            boolean shipped) {
        static ChainView of(Kept<List<LayerEffect>> k, boolean shipped) {
            return new ChainView(
                    k.id(), k.name(), ShotJson.writeEffects(k.what()).toString(), shipped);
        }
    }

    record KeptName(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String name) {}

    @GetMapping("/projects/{project}/openings")
    List<KeptView> all(@PathVariable UUID project) {
        return passages.of(project).stream().map(KeptView::of).toList();
    }

    /** {@code {"name": "Card from the left", "passage": {…}}}, the passage as a layer's {@code arrive} or {@code leave}. */
    @PostMapping(path = "/projects/{project}/openings", consumes = "application/json")
    @ResponseStatus(HttpStatus.CREATED)
    KeptView keep(@PathVariable UUID project, @RequestBody String body) {
        JsonObject request = ShotJson.parse(body);
        if (request.get("name") instanceof JsonString name && request.get("passage") instanceof JsonObject passage) {
            return KeptView.of(passages.keep(project, name.getString(), passage));
        }
        throw new IllegalArgumentException("A kept opening needs a 'name', a text, and a 'passage', an object.");
    }

    @PutMapping("/openings/{id}")
    KeptView rename(@PathVariable UUID id, @RequestBody KeptName body) {
        return KeptView.of(passages.rename(id, body.name));
    }

    @DeleteMapping("/openings/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        passages.remove(id);
    }

    /** Those that ship with the application come first; they can't be renamed or removed. */
    @GetMapping("/projects/{project}/chains")
    List<ChainView> chains(@PathVariable UUID project) {
        return Stream.concat(
                        ShippedChains.all().stream().map(k -> ChainView.of(k, true)),
                        chains.of(project).stream().map(k -> ChainView.of(k, false)))
                .toList();
    }

    /** {@code {"name": "Finish", "effects": […]}}, the effects as a layer has them. */
    @PostMapping(path = "/projects/{project}/chains", consumes = "application/json")
    @ResponseStatus(HttpStatus.CREATED)
    ChainView keepChain(@PathVariable UUID project, @RequestBody String body) {
        JsonObject request = ShotJson.parse(body);
        if (request.get("name") instanceof JsonString name) {
            return ChainView.of(chains.keep(project, name.getString(), request), false);
        }
        throw new IllegalArgumentException("A kept chain needs a 'name', a text, and 'effects', a list.");
    }

    @PutMapping("/chains/{id}")
    ChainView renameChain(@PathVariable UUID id, @RequestBody KeptName body) {
        return ChainView.of(chains.rename(id, body.name), false);
    }

    @DeleteMapping("/chains/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removeChain(@PathVariable UUID id) {
        chains.remove(id);
    }
}

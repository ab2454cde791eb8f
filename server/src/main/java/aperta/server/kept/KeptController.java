package aperta.server.kept;

import aperta.media.json.ShotJson;
import com.fasterxml.jackson.annotation.JsonRawValue;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.json.JsonObject;
import jakarta.json.JsonString;
import java.util.List;
import java.util.UUID;
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

/** Kept openings over HTTP. */
@RestController
@RequestMapping("/api")
class KeptController {
    private final KeptPassages passages;

    KeptController(KeptPassages passages) {
        this.passages = passages;
    }

    record KeptView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID id,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String name,

            @JsonRawValue @Schema(type = "object", requiredMode = Schema.RequiredMode.REQUIRED)
            String passage) {
        static KeptView of(KeptPassages.Kept k) {
            return new KeptView(k.id(), k.name(), ShotJson.write(k.passage()).toString());
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
}

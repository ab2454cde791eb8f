package aperta.server.frame;

import aperta.core.render.Planner;
import aperta.core.shot.Shot;
import aperta.media.json.ShotJson;
import aperta.media.svg.SvgReader;
import aperta.media.svg.SvgWriter;
import aperta.server.media.MediaService;
import aperta.server.shot.ShotService;
import jakarta.json.Json;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** SVG files in and out of a shot. */
@RestController
@RequestMapping("/api/shots/{id}")
class SvgController {
    private final ShotService shots;
    private final Planner planner;

    SvgController(ShotService shots, MediaService media) {
        this.shots = shots;
        this.planner = media.planner();
    }

    /**
     * Reads an SVG file as a group of shapes that lies in the middle of the frame: {@code {"layers": [the group], "left": [a
     * sentence for each kind of thing that wasn't taken over]}}. The shot isn't changed by it.
     *
     * @param layer the id of the group that is made
     */
    @PostMapping(path = "/read-svg", consumes = MediaType.MULTIPART_FORM_DATA_VALUE, produces = "application/json")
    String read(
            @PathVariable UUID id,
            @RequestParam("name") String name,
            @RequestParam("layer") String layer,
            @RequestParam("file") MultipartFile file)
            throws IOException {
        Shot shot = shots.newest(id).shot();
        SvgReader.Read read = SvgReader.read(file.getBytes(), layer, name, shot.format(), shot.length());
        return Json.createObjectBuilder()
                .add("layers", ShotJson.write(List.of(read.layer())))
                .add("left", Json.createArrayBuilder(read.left()))
                .build()
                .toString();
    }

    /** A shape, a trace or a text on a frame as an SVG file. */
    @GetMapping(path = "/layers/{layer}/shape.svg", produces = "image/svg+xml")
    String written(@PathVariable UUID id, @PathVariable String layer, @RequestParam("frame") long frame) {
        return SvgWriter.write(planner, shots.newest(id).shot(), frame, layer);
    }
}

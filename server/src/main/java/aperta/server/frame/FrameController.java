package aperta.server.frame;

import aperta.core.picture.Bytes;
import aperta.core.picture.Picture;
import aperta.core.render.Planner;
import aperta.core.render.Workers;
import aperta.core.shot.Shot;
import aperta.media.ffmpeg.Png;
import aperta.server.shot.ShotService;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Single frames as files. */
@RestController
@RequestMapping("/api/shots/{id}")
class FrameController {
    private static final int POSTER_WIDTH = 480;

    private final ShotService shots;
    private final FrameService frames;
    private final Workers workers;

    FrameController(ShotService shots, FrameService frames, Workers workers) {
        this.shots = shots;
        this.frames = frames;
        this.workers = workers;
    }

    /** A frame with alpha, as the command line writes it. */
    @GetMapping(path = "/frames/{number}.png", produces = MediaType.IMAGE_PNG_VALUE)
    byte[] frame(
            @PathVariable UUID id,
            @PathVariable long number,
            @RequestParam(name = "scale", defaultValue = "1") double scale)
            throws IOException {
        Shot shot = shots.newest(id).shot();
        if (number < 0 || number >= shot.length() || !(scale >= 0.01 && scale <= 1)) {
            throw new IllegalArgumentException(
                    "The shot has the frames 0 to " + (shot.length() - 1) + ", at a scale of 0.01 to 1.");
        }
        return png(shot, number, scale, Bytes.See.PICTURE);
    }

    /** What the shot looks like at two thirds of its length, small. */
    @GetMapping(path = "/poster.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> poster(@PathVariable UUID id) throws IOException {
        ShotService.Read read = shots.newest(id);
        double scale = Math.min(1, (double) POSTER_WIDTH / read.shot().format().width());
        return ResponseEntity.ok()
                .eTag("\"" + id + "-" + read.revision() + "\"")
                .body(png(read.shot(), read.shot().length() * 2 / 3, scale, Bytes.See.ON_BLACK));
    }

    private byte[] png(Shot shot, long number, double scale, Bytes.See see) throws IOException {
        Picture picture = frames.picture(shot, number, scale);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Png.write(picture, Planner.frame(shot.format(), scale), number, see, workers, out);
        return out.toByteArray();
    }
}

package aperta.server.frame;

import aperta.core.picture.Bytes;
import aperta.core.render.PreparedFrame;
import aperta.core.render.Workers;
import aperta.core.shot.Passage;
import aperta.core.shot.Shot;
import aperta.core.sound.Mixdown;
import aperta.media.ffmpeg.Png;
import aperta.media.sound.Wave;
import aperta.server.kept.KeptPassages;
import aperta.server.media.MediaService;
import aperta.server.shot.ShotService;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Single frames as files. */
@RestController
@RequestMapping("/api/shots/{id}")
class FrameController {
    private static final int POSTER_WIDTH = 480;

    private final ShotService shots;
    private final FrameService frames;
    private final MediaService media;
    private final KeptPassages kept;
    private final Previews previews;
    private final Costs costs;
    private final Object poster = new Object();

    FrameController(ShotService shots, FrameService frames, MediaService media, KeptPassages kept, Workers workers) {
        this.media = media;
        this.kept = kept;
        this.previews = new Previews(media.planner(), frames);
        this.costs = new Costs(media.planner(), workers);
        this.shots = shots;
        this.frames = frames;
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
        // One at a time: a page of cards must not hold up the desk.
        synchronized (poster) {
            return poster(id, read);
        }
    }

    private ResponseEntity<byte[]> poster(UUID id, ShotService.Read read) throws IOException {
        double scale = Math.min(1, (double) POSTER_WIDTH / read.shot().format().width());
        return ResponseEntity.ok()
                .eTag("\"" + id + "-" + read.revision() + "\"")
                .body(png(read.shot(), read.shot().length() * 2 / 3, scale, Bytes.See.ON_BLACK));
    }

    /** What the shot sounds like, as a WAV file that is mixed as it is read; nothing where it is silent. */
    @GetMapping(path = "/sound.wav", produces = "audio/wav")
    ResponseEntity<StreamingResponseBody> sound(@PathVariable UUID id) {
        Mixdown mixdown = new Mixdown(shots.newest(id).shot(), media.samples());
        return mixdown.isSilent()
                ? ResponseEntity.noContent().build()
                : ResponseEntity.ok().contentLength(Wave.size(mixdown)).body(out -> Wave.write(mixdown, out, 1 << 16));
    }

    /** How an opening would bring a layer in or take it away: pictures under one another. */
    @GetMapping(path = "/previews/{kind}.png", produces = MediaType.IMAGE_PNG_VALUE)
    byte[] preview(
            @PathVariable UUID id,
            @PathVariable String kind,
            @RequestParam("layer") String layer,
            @RequestParam(name = "arriving", defaultValue = "true") boolean arriving)
            throws IOException {
        return strip(previews.strip(shots.newest(id).shot(), layer, kind, arriving));
    }

    /** The same for one that was kept. */
    @GetMapping(path = "/kept-previews/{opening}.png", produces = MediaType.IMAGE_PNG_VALUE)
    byte[] keptPreview(
            @PathVariable UUID id,
            @PathVariable UUID opening,
            @RequestParam("layer") String layer,
            @RequestParam(name = "arriving", defaultValue = "true") boolean arriving)
            throws IOException {
        Passage passage = kept.get(opening).what();
        return strip(previews.strip(shots.newest(id).shot(), layer, passage, arriving));
    }

    /** What an effect makes of a layer: pictures under one another. */
    @GetMapping(path = "/effect-previews/{kind}.png", produces = MediaType.IMAGE_PNG_VALUE)
    byte[] effectPreview(@PathVariable UUID id, @PathVariable String kind, @RequestParam("layer") String layer)
            throws IOException {
        return strip(previews.effect(shots.newest(id).shot(), layer, kind));
    }

    /** What each pen stroke of a layer owns, each in a colour of its own, as large as the frame times a scale. */
    @GetMapping(path = "/layers/{layer}/owners.png", produces = MediaType.IMAGE_PNG_VALUE)
    byte[] owners(
            @PathVariable UUID id,
            @PathVariable String layer,
            @RequestParam("frame") long frame,
            @RequestParam(name = "scale", defaultValue = "0.5") double scale)
            throws IOException {
        Shot shot = shots.newest(id).shot();
        if (!(scale >= 0.01 && scale <= 1)) {
            throw new IllegalArgumentException("A scale is between 0.01 and 1.");
        }
        Owners owners = new Owners(media.planner(), shot, frame, layer, scale);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Png.write(owners.width(), owners.height(), owners.rgba(), out);
        return out.toByteArray();
    }

    /**
     * What was found of a figure on a frame of the shot, small.
     *
     * @param of what else the picture depends on: whoever asks with another asks for another picture
     */
    @GetMapping(path = "/layers/{layer}/figure.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> figure(
            @PathVariable UUID id,
            @PathVariable String layer,
            @RequestParam("frame") long frame,
            @RequestParam("of") String of)
            throws IOException {
        FigureCell cell = FigureCell.of(media.planner(), shots.newest(id).shot(), layer, frame);
        PreparedFrame shown = frames.shown(cell.shot(), cell.frame(), cell.scale());
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Png.write(shown, FigureCell.seeOn(shown.rgba(Bytes.See.PICTURE)), out);
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePrivate())
                .body(out.toByteArray());
    }

    /** What each effect of a layer costs on a frame. */
    @GetMapping("/costs")
    List<Costs.Cost> costs(
            @PathVariable UUID id,
            @RequestParam("layer") String layer,
            @RequestParam("frame") long frame,
            @RequestParam(name = "scale", defaultValue = "0.5") double scale) {
        Shot shot = shots.newest(id).shot();
        if (frame < 0 || frame >= shot.length() || !(scale >= 0.01 && scale <= 1)) {
            throw new IllegalArgumentException(
                    "The shot has the frames 0 to " + (shot.length() - 1) + ", at a scale of 0.01 to 1.");
        }
        return costs.of(shot, layer, frame, scale);
    }

    private static byte[] strip(byte[] strip) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Png.write(Previews.WIDTH, Previews.HEIGHT * Previews.PICTURES, strip, out);
        return out.toByteArray();
    }

    private byte[] png(Shot shot, long number, double scale, Bytes.See see) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Png.write(frames.shown(shot, number, scale), see, out);
        return out.toByteArray();
    }
}

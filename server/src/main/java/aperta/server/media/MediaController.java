package aperta.server.media;

import aperta.core.geometry.Point;
import aperta.core.picture.Bytes;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Layer;
import aperta.core.shot.Place;
import aperta.core.shot.Shot;
import aperta.core.shot.Span;
import aperta.core.sound.Mixdown;
import aperta.core.time.Animated;
import aperta.core.time.Rate;
import aperta.media.ffmpeg.Png;
import aperta.media.fonts.FontShelf;
import aperta.server.Storage;
import aperta.server.finding.FootageFindings;
import aperta.server.frame.FrameService;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Media and fonts over HTTP. */
@RestController
@RequestMapping("/api")
class MediaController {
    private static final int THUMB = 240;

    private final MediaService media;
    private final SequenceService sequences;
    private final FrameService frames;
    private final FootageFindings findings;
    private final Storage storage;

    MediaController(
            MediaService media,
            SequenceService sequences,
            FrameService frames,
            FootageFindings findings,
            Storage storage) {
        this.media = media;
        this.findings = findings;
        this.sequences = sequences;
        this.frames = frames;
        this.storage = storage;
    }

    record MediaView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            UUID id,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String name,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            MediaService.Kind kind,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            MediaService.State state,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String message,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            int width,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            int height,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String rate,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long frames,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            boolean alpha,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            boolean used) {
        static MediaView of(MediaService.Item m) {
            return new MediaView(
                    m.id(),
                    m.name(),
                    m.kind(),
                    m.state(),
                    m.message(),
                    m.width(),
                    m.height(),
                    m.rate(),
                    m.frames(),
                    m.alpha(),
                    m.used());
        }
    }

    record FontView(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String id,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String name,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String manner) {}

    @GetMapping("/projects/{project}/media")
    List<MediaView> all(@PathVariable UUID project) {
        return media.of(project).stream().map(MediaView::of).toList();
    }

    /** One file, or the numbered pictures of a sequence, which become one clip at the given rate. */
    @PostMapping(path = "/projects/{project}/media", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    MediaView bring(
            @PathVariable UUID project,
            @RequestParam("file") List<MultipartFile> files,
            @RequestParam(name = "rate", defaultValue = "24") String rate)
            throws IOException {
        if (files.size() > 1) {
            return MediaView.of(sequences.bring(project, files, Rate.parse(rate)));
        }
        MultipartFile file = files.get(0);
        String name = file.getOriginalFilename() == null ? "file" : file.getOriginalFilename();
        return MediaView.of(media.bring(project, name, file.getInputStream()));
    }

    @DeleteMapping("/media/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable UUID id) {
        media.remove(id);
    }

    /** How many bytes files take: what was brought, what was made of it for speed, and renders. */
    record Room(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long media,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long copies,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            long renders) {}

    @GetMapping("/room")
    Room room() {
        return new Room(
                storage.bytes("media", "plates"),
                storage.bytes("proxies", "sounds", "findings"),
                storage.bytes("renders"));
    }

    @GetMapping(path = "/media/{id}/thumbnail.png", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> thumbnail(@PathVariable UUID id) {
        MediaService.Item m = media.ready(id);
        byte[] png = findings.answer(
                new FootageFindings.Question("thumbnail", "1 " + THUMB, m.hash(), m.frames() / 2, m.frames() / 2),
                () -> thumbnail(m));
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)))
                .body(png);
    }

    private byte[] thumbnail(MediaService.Item m) {
        UUID id = m.id();
        // A still may be larger than any shot.
        double fit = Math.min(1, (double) Format.LARGEST / Math.max(m.width(), m.height()));
        Format format = new Format(side(m.width() * fit), side(m.height() * fit), Rate.parse(m.rate()));
        Content content = m.kind() == MediaService.Kind.STILL
                ? new Content.Still(id.toString())
                : new Content.Footage(id.toString());
        Layer layer = Layer.of(
                "m",
                m.name(),
                content,
                Span.of(0, m.frames()),
                Place.at(format.centre()).withScale(Animated.of(new Point(fit, fit))));
        double scale = Math.min(1, (double) THUMB / format.width());
        Shot alone = new Shot(m.name(), format, m.frames(), List.of(layer));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            Png.write(frames.shown(alone, m.frames() / 2, scale), Bytes.See.ON_CHECKER, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static int side(double pixels) {
        return Math.max(Format.SMALLEST, (int) Math.round(pixels));
    }

    /** How loud a sound is over its length: the largest amplitude of each of {@code count} even stretches. */
    @GetMapping("/media/{id}/peaks")
    ResponseEntity<float[]> peaks(
            @PathVariable UUID id, @RequestParam(name = "count", defaultValue = "1000") int count) {
        if (count < 1 || count > 20_000) {
            throw new IllegalArgumentException("1 to 20000 peaks can be asked for.");
        }
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)))
                .body(Mixdown.peaks(media.samples(), id.toString(), count));
    }

    @GetMapping("/projects/{project}/fonts")
    List<FontView> fonts(@PathVariable UUID project) {
        List<FontView> all = new ArrayList<>();
        media.of(project).stream()
                .filter(m -> m.kind() == MediaService.Kind.FONT)
                .forEach(m -> all.add(new FontView(m.id().toString(), m.name(), "yours")));
        FontShelf.SHIPPED.forEach(f -> all.add(new FontView(f.id(), f.name(), f.manner())));
        return all;
    }

    @GetMapping(path = "/fonts/{id}", produces = "font/ttf")
    ResponseEntity<byte[]> font(@PathVariable String id) {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(Duration.ofDays(30)))
                .body(media.fonts().file(id));
    }
}

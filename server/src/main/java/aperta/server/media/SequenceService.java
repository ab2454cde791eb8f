package aperta.server.media;

import aperta.core.time.Rate;
import aperta.media.ffmpeg.MediaException;
import aperta.media.ffmpeg.Sequence;
import aperta.server.Storage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.web.multipart.MultipartFile;

/** Numbered pictures that come together become one clip, without losing anything. */
@Service
class SequenceService {
    private final MediaService media;
    private final Storage storage;

    SequenceService(MediaService media, Storage storage) {
        this.media = media;
        this.storage = storage;
    }

    MediaService.Item bring(UUID project, List<MultipartFile> files, Rate rate) {
        List<Path> kept = new ArrayList<>();
        try {
            Path folder = Files.createTempDirectory(storage.incoming(), "sequence");
            kept.add(folder);
            List<Sequence.Picture> pictures = new ArrayList<>();
            for (MultipartFile file : files) {
                Path path = Files.createTempFile(folder, "picture", "");
                kept.add(path);
                file.transferTo(path);
                pictures.add(new Sequence.Picture(String.valueOf(file.getOriginalFilename()), path));
            }
            Path clip = folder.resolve("sequence.mkv");
            kept.add(clip);
            String name = Sequence.join(pictures, rate, clip);
            return media.take(project, name + ".mkv", clip);
        } catch (IOException e) {
            throw new MediaException("The sequence couldn't be kept: the disk may be full.", e);
        } finally {
            for (int i = kept.size() - 1; i >= 0; i--) {
                kept.get(i).toFile().delete();
            }
        }
    }
}

package aperta.server.finding;

import aperta.media.ffmpeg.MediaException;
import aperta.media.file.Unfinished;
import aperta.media.project.ShotFile;
import aperta.server.Storage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;

/** What was found out about clips, found out once for all who ask. It is kept by the clip's content, whatever its name. */
@Service
public class FootageFindings {
    private final FootageFindingRows rows;
    private final Storage storage;

    FootageFindings(FootageFindingRows rows, Storage storage) {
        this.rows = rows;
        this.storage = storage;
    }

    /**
     * What is asked about a clip.
     *
     * @param kind of question, such as {@code thumbnail}
     * @param key the settings by which it is answered, and the version of what answers it
     * @param clip the hash of its bytes
     * @param first frame that the answer tells about, and {@code last}
     */
    public record Question(String kind, String key, String clip, long first, long last) {}

    /** The answer that is kept, or else a new one. */
    public byte[] answer(Question question, Supplier<byte[]> make) {
        Optional<byte[]> kept = kept(question);
        if (kept.isPresent()) {
            return kept.get();
        }
        byte[] made = make.get();
        keep(question, made);
        return made;
    }

    /** The answer that is kept. */
    public Optional<byte[]> kept(Question q) {
        return row(q).flatMap(r -> {
            Path file = storage.finding(r.hash);
            try {
                return Files.exists(file) ? Optional.of(Files.readAllBytes(file)) : Optional.empty();
            } catch (IOException e) {
                throw new MediaException("What was found out about a clip can't be read.", e);
            }
        });
    }

    private Optional<FootageFindingRow> row(Question q) {
        return rows.findByClipAndKindAndKeyAndFirstFrameAndLastFrame(q.clip, q.kind, q.key, q.first, q.last);
    }

    /** Keeps an answer in place of the one that was kept. */
    public void keep(Question question, byte[] answer) {
        String hash = ShotFile.hash(answer);
        Path file = storage.finding(hash);
        try (Unfinished making = Unfinished.ofMany(file)) {
            Files.write(making.part(), answer);
            making.finish();
        } catch (IOException e) {
            throw new MediaException("What was found out about a clip couldn't be kept: the disk may be full.", e);
        }
        FootageFindingRow next = new FootageFindingRow(question, hash, answer.length);
        row(question).ifPresent(old -> next.id = old.id);
        try {
            rows.save(next);
        } catch (DataIntegrityViolationException e) {
            // Somebody else asked the same at the same time, and was answered first.
            row(question).orElseThrow(() -> e);
        }
    }

    /** Forgets what was found out about clips that nobody has any more. */
    public void forgetAllBut(Set<String> clips) {
        if (clips.isEmpty()) {
            rows.deleteAllInBatch();
        } else {
            rows.deleteOfOthers(clips);
        }
    }

    /** Of all answers. */
    public Set<String> hashes() {
        return rows.hashes();
    }
}

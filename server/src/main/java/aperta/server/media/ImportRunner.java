package aperta.server.media;

import aperta.media.ffmpeg.Probe;
import aperta.media.ffmpeg.SoundFile;
import aperta.media.footage.Proxy;
import aperta.server.Storage;
import aperta.server.job.Job;
import aperta.server.job.JobRunner;
import java.nio.file.Path;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import org.springframework.stereotype.Component;

/** Reads a clip through once, counts its frames and makes its proxy. */
@Component
class ImportRunner implements JobRunner {
    private final MediaService media;
    private final Storage storage;

    ImportRunner(MediaService media, Storage storage) {
        this.media = media;
        this.storage = storage;
    }

    @Override
    public Job.Kind kind() {
        return Job.Kind.IMPORT;
    }

    @Override
    public String run(Job job, LongConsumer progress, BooleanSupplier cancelled) {
        MediaService.Item item = media.get(job.mediaId());
        Path file = media.file(job.mediaId());
        if (item.kind() == MediaService.Kind.SOUND) {
            media.imported(job.mediaId(), SoundFile.make(file, storage.samples(item.hash())));
            return null;
        }
        long frames = Proxy.make(file, Probe.of(file), storage.proxy(item.hash()), progress, cancelled);
        media.imported(job.mediaId(), frames);
        return null;
    }

    @Override
    public void failed(Job job, String why) {
        media.refused(job.mediaId(), why);
    }
}

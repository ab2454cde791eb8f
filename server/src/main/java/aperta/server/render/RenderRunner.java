package aperta.server.render;

import aperta.core.render.Planner;
import aperta.core.render.Workers;
import aperta.media.footage.ClipSources;
import aperta.media.render.Film;
import aperta.server.Storage;
import aperta.server.frame.FrameDesk;
import aperta.server.job.Job;
import aperta.server.job.JobRunner;
import aperta.server.media.MediaService;
import java.nio.file.Path;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import org.springframework.stereotype.Component;

/** Renders a shot, as it was when the render was asked for, to a file. */
@Component
class RenderRunner implements JobRunner {
    private final MediaService media;
    private final Storage storage;
    private final FrameDesk desk;

    RenderRunner(MediaService media, Storage storage, FrameDesk desk) {
        this.desk = desk;
        this.media = media;
        this.storage = storage;
    }

    @Override
    public Job.Kind kind() {
        return Job.Kind.RENDER;
    }

    @Override
    public String run(Job job, LongConsumer progress, BooleanSupplier cancelled) {
        RenderSettings settings = RenderSettings.read(job.settings());
        Path file = storage.render(job.id(), settings.output().suffix());
        // Threads of its own: in the desk's pool, pictures for people would stand in line behind it.
        try (ClipSources sources = media.sources();
                Workers workers = Workers.everyCore()) {
            BooleanSupplier stop = () -> {
                desk.giveWay();
                return cancelled.getAsBoolean();
            };
            new Film(new Planner(sources, media.fonts()), media.samples(), workers)
                    .render(settings.shot(), settings.output(), file, progress, stop);
        }
        return storage.name(file);
    }
}

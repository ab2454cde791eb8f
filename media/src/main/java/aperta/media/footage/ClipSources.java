package aperta.media.footage;

import aperta.core.effect.CubeTable;
import aperta.core.effect.Tables;
import aperta.core.picture.Pixels;
import aperta.core.render.RenderException;
import aperta.core.render.Sources;
import aperta.media.ffmpeg.FrameReader;
import aperta.media.ffmpeg.MediaException;
import java.io.IOException;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * The frames of clips, read forwards as long as that is quicker than starting anew. Each user has its own, so that two
 * don't pull one reader to and fro.
 */
public final class ClipSources implements Sources, AutoCloseable {
    private static final int MOST_READERS = 6;
    /** Reading on is quicker than starting anew for about a second of film. */
    private static final int NEAR = 30;

    private record Name(String media, int level) {}

    private final Function<String, Optional<Clip>> clips;
    private final Tables tables;
    /** How many frames before the next one are kept: who makes two frames at once may ask for the later one first. */
    private static final int RECENT = 4;

    /** A reader, and the frames that it gave last, by number. */
    private record Source(FrameReader reader, Map<Long, byte[]> recent) {}

    private final Map<Name, Source> readers = new LinkedHashMap<>(8, 0.75f, true);

    /** @param clips finds a clip by the id that a shot uses */
    public ClipSources(Function<String, Optional<Clip>> clips) {
        this(clips, Tables.NONE);
    }

    /** The same with colour tables. */
    public ClipSources(Function<String, Optional<Clip>> clips, Tables tables) {
        this.clips = clips;
        this.tables = tables;
    }

    @Override
    public Optional<CubeTable> table(String id) {
        return tables.table(id);
    }

    @Override
    public Info info(String media) {
        Clip c = clip(media);
        return new Info(
                c.content(),
                c.probe().width(),
                c.probe().height(),
                c.probe().rate(),
                c.probe().frames(),
                c.probe().alpha());
    }

    private Clip clip(String media) {
        return clips.apply(media)
                .orElseThrow(() -> new IllegalArgumentException("The media '" + media + "' isn't there."));
    }

    @Override
    public synchronized Pixels frame(String media, long frame, int level) {
        Clip clip = clip(media);
        try {
            if (level == 2 && clip.proxy().isPresent()) {
                return FrameReader.pixels(
                        clip.probe(), 2, Proxy.frame(clip.proxy().get(), clip.probe(), frame));
            }
            return FrameReader.pixels(clip.probe(), level, read(new Name(media, level), clip, frame));
        } catch (IOException | MediaException e) {
            throw new RenderException(
                    "Frame " + frame + " of " + clip.file().getFileName() + " couldn't be read: " + e.getMessage(), e);
        }
    }

    private byte[] read(Name name, Clip clip, long frame) {
        Source source = readers.get(name);
        if (source != null && source.recent.containsKey(frame)) {
            return source.recent.get(frame);
        }
        if (source == null || frame < source.reader.position() || frame > source.reader.position() + NEAR) {
            if (source != null) {
                source.reader.close();
            }
            source = new Source(new FrameReader(clip.file(), clip.probe(), name.level, frame), new LinkedHashMap<>());
            readers.put(name, source);
            closeOldest();
        }
        while (true) {
            long number = source.reader.position();
            Optional<byte[]> next = source.reader.next();
            if (next.isEmpty()) {
                readers.remove(name).reader.close();
                throw new MediaException("the clip ends before it.");
            }
            source.recent.put(number, next.get());
            source.recent.remove(number - RECENT);
            if (number == frame) {
                return next.get();
            }
        }
    }

    private void closeOldest() {
        Iterator<Source> oldest = readers.values().iterator();
        while (readers.size() > MOST_READERS) {
            oldest.next().reader.close();
            oldest.remove();
        }
    }

    @Override
    public synchronized void close() {
        readers.values().forEach(s -> s.reader.close());
        readers.clear();
    }
}

package aperta.core.render;

import aperta.core.picture.Pixels;
import aperta.core.picture.Region;

/** One frame of a clip as it comes from its file. */
final class Decoded implements Step.Made<Pixels> {
    private final Sources sources;
    private final String media;
    private final long frame;
    private final int level;
    private final Region domain;
    private final ContentKey key;

    Decoded(Sources sources, String media, long frame, int level) {
        this.sources = sources;
        this.media = media;
        this.frame = frame;
        this.level = level;
        Sources.Info info = sources.info(media);
        this.domain = new Region(0, 0, side(info.width()), side(info.height()));
        this.key = ContentKey.of("decoded")
                .text(info.content())
                .number(frame)
                .number((long) level)
                .key();
    }

    /** Whether sides of a frame, in the decoded frame's pixels, are those of all its pixels. */
    boolean isWhole(double width, double height) {
        return width == domain.width() && height == domain.height();
    }

    /** A side of the frame at its level, in pixels. */
    private int side(int full) {
        return (full + level - 1) / level;
    }

    @Override
    public ContentKey key() {
        return key;
    }

    @Override
    public Region domain() {
        return domain;
    }

    @Override
    public Pixels make(Region needed, Making making) {
        return sources.frame(media, frame, level);
    }

    @Override
    public long bytes(Pixels result) {
        return result.bytes();
    }
}

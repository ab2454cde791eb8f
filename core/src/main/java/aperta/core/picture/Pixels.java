package aperta.core.picture;

/** A decoded frame as it comes from a file, turned into premultiplied display-encoded values row by row. */
public sealed interface Pixels permits Packed, Planar {
    int width();

    int height();

    boolean hasAlpha();

    /** The size of the samples in memory. */
    long bytes();

    /** The same picture with sides {@code by} times as short, rounded up, each sample the mean of those it stands for. */
    Pixels reduced(int by);

    /** Writes {@code count} pixels of row {@code y}, from column {@code x}, to {@code into} from index {@code at}. */
    void row(int y, int x, int count, Picture into, int at);
}

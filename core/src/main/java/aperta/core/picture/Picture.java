package aperta.core.picture;

import java.util.concurrent.atomic.AtomicBoolean;

/**
 * Premultiplied red, green, blue and alpha on a domain, a plane of 32-bit floats each; outside the domain there is
 * nothing. Values are in the light of the shot ({@link aperta.core.shot.Light}); colour may exceed alpha and 1.
 *
 * <p>The pixel (x, y) lies at {@link #index}; a view shares the planes of a larger picture.
 */
public final class Picture {
    private final Region domain;
    private final int base;
    private final int stride;
    final float[] red;
    final float[] green;
    final float[] blue;
    final float[] alpha;

    private Picture(Region domain, int base, int stride, float[] red, float[] green, float[] blue, float[] alpha) {
        this.domain = domain;
        this.base = base;
        this.stride = stride;
        this.red = red;
        this.green = green;
        this.blue = blue;
        this.alpha = alpha;
    }

    /** An empty (transparent) picture. */
    public Picture(Region domain) {
        this(
                domain,
                0,
                domain.width(),
                new float[size(domain)],
                new float[size(domain)],
                new float[size(domain)],
                new float[size(domain)]);
    }

    /** On planes that may hold anything and are at least as large as the domain. */
    static Picture on(Region domain, float[][] planes) {
        return new Picture(domain, 0, domain.width(), planes[0], planes[1], planes[2], planes[3]);
    }

    /** Red, green and blue without alpha, each as large as the domain. */
    public static Picture of(Region domain, float[][] colours) {
        return new Picture(domain, 0, domain.width(), colours[0], colours[1], colours[2], new float[size(domain)]);
    }

    static int size(Region domain) {
        return Math.toIntExact(domain.area());
    }

    public Region domain() {
        return domain;
    }

    /** The part inside {@code part}, sharing this picture's planes. */
    public Picture view(Region part) {
        Region inside = domain.intersect(part);
        int start = inside.isEmpty() ? 0 : index(inside.x(), inside.y());
        return new Picture(inside, start, stride, red, green, blue, alpha);
    }

    /** The index of a pixel of the domain in the planes. */
    public int index(int x, int y) {
        return base + (y - domain.y()) * stride + (x - domain.x());
    }

    /** Red, green, blue, alpha, premultiplied; all 0 outside the domain. */
    public float[] at(int x, int y) {
        if (!domain.contains(new Region(x, y, 1, 1))) {
            return new float[4];
        }
        int i = index(x, y);
        return new float[] {red[i], green[i], blue[i], alpha[i]};
    }

    public void set(int x, int y, float r, float g, float b, float a) {
        int i = index(x, y);
        red[i] = r;
        green[i] = g;
        blue[i] = b;
        alpha[i] = a;
    }

    public void clear() {
        fill(0, 0, 0, 0);
    }

    /** Sets every pixel to one premultiplied value. */
    public void fill(float r, float g, float b, float a) {
        for (int y = domain.y(); y < domain.bottom(); y++) {
            int from = index(domain.x(), y);
            int to = from + domain.width();
            java.util.Arrays.fill(red, from, to, r);
            java.util.Arrays.fill(green, from, to, g);
            java.util.Arrays.fill(blue, from, to, b);
            java.util.Arrays.fill(alpha, from, to, a);
        }
    }

    /** Whether every pixel has an alpha of 1. */
    public boolean isOpaque(Bands bands) {
        AtomicBoolean opaque = new AtomicBoolean(!domain.isEmpty());
        bands.run(domain.height(), 64, (from, to) -> {
            for (int y = domain.y() + from; y < domain.y() + to && opaque.get(); y++) {
                int at = index(domain.x(), y);
                for (int i = at; i < at + domain.width(); i++) {
                    if (alpha[i] != 1) {
                        opaque.set(false);
                        return;
                    }
                }
            }
        });
        return opaque.get();
    }

    public long bytes() {
        return 16L * red.length;
    }

    /** One of its planes as a matte that shares its values: red, green, blue, alpha. */
    public Matte plane(int channel) {
        return new Matte(domain, base, stride, planes()[channel]);
    }

    /** Its planes of red, green, blue and alpha themselves, read and written at {@link #index}. */
    public float[][] planes() {
        return new float[][] {red, green, blue, alpha};
    }
}

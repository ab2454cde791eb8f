package aperta.media.plates;

import aperta.core.picture.Bands;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.media.output.H264;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A tram window at night: street lamps out of focus slide by behind it, small drops sit on the glass, and a few heavy
 * ones run down and wipe a clear line through the mist. Every drop is a lens that shows the street upside down.
 */
public final class RainOnWindow implements Plate {
    private static final int W = 1920;
    private static final int H = 1080;
    private static final int REDUCED = 4;
    private static final int BW = W / REDUCED;
    private static final int BH = H / REDUCED;
    private static final int LAMPS = 46;
    private static final int STILL_DROPS = 1700;
    private static final int RUNNERS = 17;

    private static final float[][] GLOWS = {
        {1.00f, 0.50f, 0.12f},
        {1.00f, 0.66f, 0.26f},
        {0.95f, 0.17f, 0.08f},
        {0.16f, 0.70f, 0.72f},
        {1.00f, 0.80f, 0.48f},
        {1.00f, 0.40f, 0.07f},
        {0.12f, 0.42f, 0.66f}
    };

    private record Drop(float x, float y, float r, float stretch) {}

    @Override
    public String id() {
        return "rain-on-window";
    }

    @Override
    public String name() {
        return "rain on window";
    }

    @Override
    public H264.Quality quality() {
        return new H264.Quality("slow", 18, Optional.of("grain"));
    }

    @Override
    public int frames() {
        return 132;
    }

    @Override
    public Picture frame(int number, Bands bands) {
        float t = number / 24f;
        float[][] street = street(t, bands);
        float[] clear = new float[BW * BH];
        List<Drop> drops = drops(t, clear);
        float[][] out = new float[3][W * H];
        bands.run(H, 16, (from, to) -> {
            for (int y = from; y < to; y++) {
                glass(y, t, street, clear, out);
            }
        });
        // Bands of drops, not of rows: each band takes the drops' pixels in its own rows.
        bands.run(H, 60, (from, to) -> drops.forEach(d -> drop(d, from, to, street, out)));
        Picture p = new Picture(new Region(0, 0, W, H));
        bands.run(H, 16, (from, to) -> {
            for (int y = from; y < to; y++) {
                for (int x = 0; x < W; x++) {
                    finish(p, x, y, number, out);
                }
            }
        });
        return p;
    }

    /** The street, far out of focus, at a quarter of the size. */
    private static float[][] street(float t, Bands bands) {
        float[][] s = new float[3][BW * BH];
        float[] lx = new float[LAMPS];
        float[] ly = new float[LAMPS];
        float[] lr = new float[LAMPS];
        float[] light = new float[LAMPS];
        for (int i = 0; i < LAMPS; i++) {
            float near = PlateNoise.between(0.25f, 1, 11, i);
            float span = BW + 120;
            float x = PlateNoise.between(0, span, 12, i) - t * near * 15;
            lx[i] = x - span * (float) Math.floor(x / span) - 60;
            ly[i] = BH * (0.16f + 0.62f * PlateNoise.of(13, i, 0)) + PlateNoise.drift(14 + i, t * 0.8f) * 1.2f;
            lr[i] = (9 + 21 * near) * PlateNoise.between(0.7f, 1.25f, 15, i);
            float q = PlateNoise.of(16, i, 0);
            light[i] = (0.07f + 0.75f * q * q) * (1 + 0.06f * PlateNoise.drift(40 + i, t * 5));
        }
        bands.run(BH, 8, (from, to) -> {
            for (int y = from; y < to; y++) {
                for (int x = 0; x < BW; x++) {
                    int at = y * BW + x;
                    float v = y / (float) BH;
                    float base = 0.55f + 0.45f * (float) StrictMath.exp(-(v - 0.45) * (v - 0.45) * 10);
                    s[0][at] = 0.009f * base + 0.004f * v;
                    s[1][at] = 0.021f * base + 0.002f;
                    s[2][at] = 0.036f * base + 0.004f;
                    for (int i = 0; i < LAMPS; i++) {
                        float dx = x - lx[i];
                        float dy = y - ly[i];
                        float d2 = dx * dx + dy * dy;
                        float r = lr[i];
                        if (d2 > r * r * 9) {
                            continue;
                        }
                        float d = (float) Math.sqrt(d2) / r;
                        float disc = smooth(1.07f, 0.93f, d) * (0.78f + 0.34f * d * d * d);
                        float halo = 0.10f / (1 + 6 * d * d);
                        float[] c = GLOWS[i % GLOWS.length];
                        float k = light[i] * (disc + halo);
                        s[0][at] += c[0] * k;
                        s[1][at] += c[1] * k;
                        s[2][at] += c[2] * k;
                    }
                }
            }
        });
        return s;
    }

    private static float smooth(float from, float to, float v) {
        float t = Math.min(1, Math.max(0, (v - from) / (to - from)));
        return t * t * (3 - 2 * t);
    }

    private static List<Drop> drops(float t, float[] clear) {
        List<Drop> drops = new ArrayList<>();
        for (int i = 0; i < STILL_DROPS; i++) {
            float q = PlateNoise.of(21, i, 0);
            float r = 1.1f + 12f * q * q * q * q * q + 1.5f * PlateNoise.of(22, i, 0);
            drops.add(new Drop(PlateNoise.between(0, W, 23, i), PlateNoise.between(0, H, 24, i), r, 1.08f));
        }
        for (int i = 0; i < RUNNERS; i++) {
            float r = PlateNoise.between(8, 17, 31, i);
            float speed = PlateNoise.between(60, 210, 32, i);
            float start = PlateNoise.between(-500, H, 33, i);
            // It sticks and slips: the way is a steady fall bent by slow noise.
            float way = t * speed + 46 * PlateNoise.drift(34 + i, t * 1.7f);
            float y = start + way;
            float span = H + 620;
            y -= span * (float) Math.floor((y + 120) / span);
            float x = PlateNoise.between(40, W - 40, 35, i) + 13 * wobble(i, y);
            drops.add(new Drop(x, y, r, 1.38f));
            trail(i, x, y, r, drops, clear);
        }
        return drops;
    }

    private static float wobble(int i, float y) {
        return PlateNoise.drift(60 + i, y / 130) + 0.35f * PlateNoise.drift(90 + i, y / 37);
    }

    /** Behind a running drop the mist is gone for a while, and small beads stay. */
    private static void trail(int i, float x, float y, float r, List<Drop> drops, float[] clear) {
        float base = x - 13 * wobble(i, y);
        for (float up = 0; up < 560; up += 3) {
            float ty = y - up;
            float tx = base + 13 * wobble(i, ty);
            float strength = 1 - up / 560;
            wipe(clear, tx, ty, r * 0.85f, strength);
            int bead = (int) Math.floor(ty / 21);
            if (PlateNoise.of(71 + i, bead, 0) < 0.55f && Math.abs(ty - bead * 21 - 10) < 1.5f && up > r * 2) {
                float br = r * (0.12f + 0.3f * PlateNoise.of(72 + i, bead, 0)) * (0.5f + 0.5f * strength);
                drops.add(new Drop(tx + 3 * (PlateNoise.of(73 + i, bead, 0) - 0.5f), bead * 21 + 10, br, 1.15f));
            }
        }
    }

    private static void wipe(float[] clear, float x, float y, float r, float strength) {
        int cy = Math.round(y / REDUCED);
        float cx = x / REDUCED;
        int reach = Math.round(r / REDUCED) + 2;
        if (cy < 0 || cy >= BH) {
            return;
        }
        for (int px = Math.max(0, Math.round(cx) - reach); px <= Math.min(BW - 1, Math.round(cx) + reach); px++) {
            float d = Math.abs(px - cx) * REDUCED / r;
            float k = strength * smooth(1.25f, 0.7f, d);
            int at = cy * BW + px;
            clear[at] = Math.max(clear[at], k);
        }
    }

    /** The street through the misted pane. */
    private static void glass(int y, float t, float[][] street, float[] clear, float[][] out) {
        for (int x = 0; x < W; x++) {
            float u = (x + 0.5f) / REDUCED - 0.5f;
            float v = (y + 0.5f) / REDUCED - 0.5f;
            float wiped = sample(clear, u, v);
            float mist = (1 - wiped) * (0.011f + 0.006f * PlateNoise.drift(5, x / 210f + y / 530f + t * 0.05f));
            float dim = 0.80f + 0.2f * wiped;
            int at = y * W + x;
            out[0][at] = sample(street[0], u, v) * dim + mist * 0.85f;
            out[1][at] = sample(street[1], u, v) * dim + mist * 1.0f;
            out[2][at] = sample(street[2], u, v) * dim + mist * 1.12f;
        }
    }

    private static float sample(float[] plane, float u, float v) {
        float cu = Math.min(BW - 1.001f, Math.max(0, u));
        float cv = Math.min(BH - 1.001f, Math.max(0, v));
        int x = (int) cu;
        int y = (int) cv;
        float fx = cu - x;
        float fy = cv - y;
        int i = y * BW + x;
        float top = plane[i] + (plane[i + 1] - plane[i]) * fx;
        float bottom = plane[i + BW] + (plane[i + BW + 1] - plane[i + BW]) * fx;
        return top + (bottom - top) * fy;
    }

    private static void drop(Drop d, int top, int bottom, float[][] street, float[][] out) {
        float ry = d.r * d.stretch;
        int y0 = (int) Math.max(top, Math.floor(d.y - ry - 1));
        int y1 = (int) Math.min(bottom, Math.ceil(d.y + ry + 1));
        int x0 = (int) Math.max(0, Math.floor(d.x - d.r - 1));
        int x1 = (int) Math.min(W, Math.ceil(d.x + d.r + 1));
        for (int y = y0; y < y1; y++) {
            for (int x = x0; x < x1; x++) {
                float dx = (x + 0.5f - d.x) / d.r;
                float dy = (y + 0.5f - d.y) / ry;
                // Heavier below than above.
                dx *= 1 + 0.28f * Math.max(0, -dy);
                float q = dx * dx + dy * dy;
                float edge = smooth(1, 1 - Math.min(0.9f, 2.2f / d.r), q);
                if (edge > 0) {
                    lens(d, dx, dy, Math.min(1, q), edge, y * W + x, street, out);
                }
            }
        }
    }

    /** The street seen upside down and wide through a drop, darker towards its rim, with a glint. */
    private static void lens(Drop d, float dx, float dy, float q, float edge, int at, float[][] street, float[][] out) {
        float nz = (float) Math.sqrt(1 - q * 0.98f);
        float bend = 26 + 6 * d.r;
        float u = (d.x - dx * bend * (1.3f - 0.6f * nz)) / REDUCED;
        float v = (d.y - dy * bend * (1.3f - 0.6f * nz) * 0.8f) / REDUCED;
        float shade = 0.26f + 0.95f * nz * nz;
        float gx = dx + 0.34f;
        float gy = dy + 0.44f;
        float glint = d.r > 3 ? 0.5f * (float) StrictMath.exp(-(gx * gx + gy * gy) * 26) : 0;
        float below = 0.10f * smooth(0.25f, 0.95f, dy) * nz;
        for (int c = 0; c < 3; c++) {
            float light = sample(street[c], u, v) * shade * 1.35f + glint * 0.42f + below * (0.5f + 0.2f * c);
            out[c][at] += (light - out[c][at]) * edge;
        }
    }

    /** Vignette, grain, and a soft shoulder instead of clipping. */
    private static void finish(Picture p, int x, int y, int frame, float[][] out) {
        float vx = (x - W / 2f) / (W / 2f);
        float vy = (y - H / 2f) / (H / 2f);
        float vignette = 1 - 0.30f * (vx * vx * 0.8f + vy * vy * 0.5f);
        float grain = 0.016f * PlateNoise.grain(frame, x, y);
        int at = y * W + x;
        p.set(
                x,
                y,
                FilmCurve.tone(out[0][at] * vignette, grain),
                FilmCurve.tone(out[1][at] * vignette, grain),
                FilmCurve.tone(out[2][at] * vignette, grain),
                1);
    }
}

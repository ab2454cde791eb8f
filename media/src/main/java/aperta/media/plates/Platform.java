package aperta.media.plates;

import aperta.core.picture.Bands;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.media.output.H264;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.util.Arrays;
import java.util.Optional;

/**
 * A platform at night in rain: lamps in a row, wet ground that mirrors them, the lights of the hill beyond the tracks,
 * and a figure in a long coat that walks across from left to right. The camera stands still or drifts slowly.
 */
public final class Platform implements Plate {
    private static final int W = 1920;
    private static final int H = 1080;
    private static final float HORIZON = 556;
    private static final float VANISH = 1330;
    /** Where the feet of the walking figure touch the ground. */
    private static final float GROUND = 905;

    private static final int LAMPS = 7;
    private static final int STREAKS = 620;

    private final float[][] lamps = new float[LAMPS][];
    /** Over how many moments of a frame the figure is blurred, and for which part of it the shutter is open. */
    private static final int MOMENTS = 8;

    private static final double OPEN = 0.5;
    /** How far beyond the frame the scene goes on, for a camera that drifts. */
    private static final int BEYOND = 80;

    private final boolean drifts;
    private final int beyond;
    private final int wide;
    private final int high;
    private final float[][] set;
    private final float[] lampLight;
    private boolean built;

    /** Seen by a camera that stands still. */
    public Platform() {
        this(false);
    }

    private Platform(boolean drifts) {
        this.drifts = drifts;
        this.beyond = drifts ? BEYOND : 0;
        this.wide = W + 2 * beyond;
        this.high = H + 2 * beyond;
        this.set = new float[3][wide * high];
        this.lampLight = new float[wide * high];
        for (int i = 0; i < LAMPS; i++) {
            float z = 1.05f + i * 0.95f;
            lamps[i] = new float[] {VANISH - 1180 / z, HORIZON - 430 / z, z};
        }
    }

    /** Seen by a camera that drifts. */
    public static Platform drifting() {
        return new Platform(true);
    }

    /** How far the drifting camera has moved across since it pointed where the still one points, in pixels. */
    public static double driftX(double frame) {
        return 30 * (1 - StrictMath.cos(Math.PI * frame / 131)) + 2.2 * StrictMath.sin(frame / 13);
    }

    /** The same down. */
    public static double driftY(double frame) {
        return 9 * StrictMath.sin(Math.PI * frame / 131) + 1.1 * StrictMath.sin(frame / 9 + 1);
    }

    @Override
    public String id() {
        return drifts ? "platform-drift" : "platform";
    }

    @Override
    public String name() {
        return drifts ? "platform, drifting" : "platform at night";
    }

    @Override
    public H264.Quality quality() {
        return new H264.Quality("slow", 20, Optional.of("grain"));
    }

    @Override
    public int frames() {
        return 132;
    }

    /** The middle of the walking figure across the frame, in pixels. */
    public static double walkerX(double frame) {
        return -120 + frame * 16.2;
    }

    /** How far the head of the figure is above where it is at its highest: it bobs with each step. */
    public static double walkerBob(double frame) {
        return 5 * Math.abs(StrictMath.sin(phase(frame)));
    }

    /** A step each half second. */
    private static double phase(double frame) {
        return frame / 24 * 2 * Math.PI / 1.06;
    }

    /** How much of each pixel of a frame the figure covers, from 0 to 1, row by row. */
    public float[] figureAlpha(int frame) {
        int[] figure = figure(frame);
        float[] all = new float[figure.length];
        for (int i = 0; i < all.length; i++) {
            all[i] = (figure[i] >>> 24) / 255f;
        }
        return all;
    }

    @Override
    public Picture frame(int number, Bands bands) {
        build(bands);
        float t = number / 24f;
        int[] figure = figure(number);
        int[] rain = rain(number);
        float flicker = 1 + 0.025f * PlateNoise.drift(3, t * 9) + (PlateNoise.of(4, number, 0) < 0.03f ? -0.10f : 0);
        Picture p = new Picture(new Region(0, 0, W, H));
        bands.run(H, 16, (from, to) -> {
            for (int y = from; y < to; y++) {
                for (int x = 0; x < W; x++) {
                    pixel(p, x, y, number, t, flicker, figure, rain);
                }
            }
        });
        return p;
    }

    private void pixel(Picture p, int x, int y, int number, float t, float flicker, int[] figure, int[] rain) {
        int at = y * W + x;
        float sceneX = x;
        float sceneY = y;
        float glow;
        float r;
        float g;
        float b;
        if (drifts) {
            sceneX += (float) driftX(number);
            sceneY += (float) driftY(number);
            glow = between(lampLight, sceneX, sceneY) * flicker;
            r = between(set[0], sceneX, sceneY);
            g = between(set[1], sceneX, sceneY);
            b = between(set[2], sceneX, sceneY);
        } else {
            glow = lampLight[at] * flicker;
            r = set[0][at];
            g = set[1][at];
            b = set[2][at];
        }
        r += glow * 1.00f;
        g += glow * 0.70f;
        b += glow * 0.36f;
        if (sceneY > HORIZON) {
            // Wet ground: ripples shift the mirror image a little.
            float ripple = PlateNoise.drift(8, sceneX / 31f + t * 2.2f) * PlateNoise.drift(9, sceneY / 7f - t * 3.1f);
            float k = 1 + 0.22f * ripple;
            r *= k;
            g *= k;
            b *= k;
            float shade = mirrored(figure, x, y, ground(number), ripple) * 0.72f;
            r *= 1 - shade;
            g *= 1 - shade;
            b *= 1 - shade;
        }
        int f = figure[at];
        float cover = (f >>> 24) / 255f;
        r = r * (1 - cover) + ((f >> 16) & 0xff) / 255f * cover * 0.5f;
        g = g * (1 - cover) + ((f >> 8) & 0xff) / 255f * cover * 0.5f;
        b = b * (1 - cover) + (f & 0xff) / 255f * cover * 0.5f;
        float wet = (rain[at] & 0xff) / 255f * (0.035f + 0.55f * Math.min(0.6f, glow));
        float vx = (x - W / 2f) / (W / 2f);
        float vy = (y - H / 2f) / (H / 2f);
        float vignette = 1 - 0.34f * (vx * vx * 0.8f + vy * vy * 0.45f);
        float grain = 0.015f * PlateNoise.grain(number, x, y);
        p.set(
                x,
                y,
                FilmCurve.tone((r + wet) * vignette, grain),
                FilmCurve.tone((g + wet * 0.92f) * vignette, grain),
                FilmCurve.tone((b + wet * 0.85f) * vignette, grain),
                1);
    }

    /** How much of the figure's mirror image, which runs down from its feet, covers a pixel. */
    private static float mirrored(int[] figure, int x, int y, float ground, float ripple) {
        float up = ground - (y - ground) * 1.0f;
        if (y < ground - 6 || up < 1) {
            return 0;
        }
        float sum = 0;
        float spread = 1 + (y - ground) * 0.05f;
        for (int k = -2; k <= 2; k++) {
            int sx = Math.round(x + ripple * 5 + k * spread);
            int sy = Math.round(up + k * spread);
            if (sx >= 0 && sx < W && sy >= 0 && sy < H) {
                sum += (figure[sy * W + sx] >>> 24) / 255f;
            }
        }
        return sum / 5 * Math.max(0, 1 - (y - ground) / 190f);
    }

    /** Where the figure's feet touch the ground in a frame. */
    private float ground(double frame) {
        return drifts ? (float) (GROUND - driftY(frame)) : GROUND;
    }

    /** What lies between four pixels of the scene. */
    private float between(float[] plane, float x, float y) {
        float px = x + beyond;
        float py = y + beyond;
        int ix = (int) px;
        int iy = (int) py;
        float sx = px - ix;
        float sy = py - iy;
        int at = iy * wide + ix;
        float top = plane[at] + (plane[at + 1] - plane[at]) * sx;
        float below = plane[at + wide] + (plane[at + wide + 1] - plane[at + wide]) * sx;
        return top + (below - top) * sy;
    }

    private synchronized void build(Bands bands) {
        if (built) {
            return;
        }
        int[] scenery = scenery();
        bands.run(high, 16, (from, to) -> {
            for (int y = from; y < to; y++) {
                for (int x = 0; x < wide; x++) {
                    int at = y * wide + x;
                    base(x - beyond, y - beyond, at, scenery);
                    lampLight[at] = light(x - beyond, y - beyond, 1 - (scenery[at] >>> 24) / 255f);
                }
            }
        });
        built = true;
    }

    /** Sky, hill and ground as light, without the lamps. */
    private void base(int x, int y, int at, int[] scenery) {
        int s = scenery[at];
        float cover = (s >>> 24) / 255f;
        float up = Math.max(0, (HORIZON - y) / HORIZON);
        float haze = (float) StrictMath.exp(-up * 3.4f);
        float r = 0.004f + 0.016f * haze;
        float g = 0.008f + 0.024f * haze;
        float b = 0.018f + 0.036f * haze;
        if (y > HORIZON) {
            float depth = 300 / (y - HORIZON + 18);
            float wx = (x - VANISH) * depth / 300;
            float slab = Math.abs(wx * 1.9f - (float) Math.floor(wx * 1.9f) - 0.5f) > 0.47f ? 0.7f : 1;
            float cross = Math.abs(depth * 1.3f - (float) Math.floor(depth * 1.3f) - 0.5f) > 0.46f ? 0.78f : 1;
            float near = Math.min(1, (y - HORIZON) / 420);
            float ground =
                    (0.016f + 0.012f * near) * slab * cross * (0.9f + 0.2f * PlateNoise.drift(2, wx * 6 + depth * 3));
            r = ground * 0.9f;
            g = ground;
            b = ground * 1.16f;
        }
        set[0][at] = r * (1 - cover) + ((s >> 16) & 0xff) / 255f * cover * 0.62f;
        set[1][at] = g * (1 - cover) + ((s >> 8) & 0xff) / 255f * cover * 0.62f;
        set[2][at] = b * (1 - cover) + (s & 0xff) / 255f * cover * 0.62f;
    }

    /** The lamps' own light, their halo in the rain, and their long mirror images on the wet ground. */
    private float light(int x, int y, float open) {
        float sum = 0;
        for (float[] lamp : lamps) {
            float z = lamp[2];
            float dx = (x - lamp[0]) * z;
            float dy = (y - lamp[1]) * z;
            float d2 = dx * dx + dy * dy;
            sum += (4.2f / (1 + d2 / 70) + 0.17f / (1 + d2 / 4200) + 0.034f / (1 + d2 / 50000)) / (0.8f + 0.2f * z);
            float below = dy / 430;
            if (below > 0 && below < 1.6f) {
                float half = 24 + 200 * below;
                sum += 0.035f * Math.max(0, 1 - Math.abs(dx) / half) * (1 - below / 1.6f);
            }
            if (y > HORIZON) {
                float pool = (y - (HORIZON + 330 / z)) * z / 150;
                float wide = dx / 420;
                sum += open * 0.095f * (float) StrictMath.exp(-(pool * pool + wide * wide) * 1.6f);
                float smear = dx / (20 + 0.10f * (y - HORIZON) * z);
                float length = (y - HORIZON) * z / 760;
                sum += open
                        * 0.42f
                        * (float) StrictMath.exp(-smear * smear)
                        * (float) StrictMath.exp(-length * 1.7f)
                        / (0.6f + 0.4f * z)
                        * (0.72f + 0.28f * PlateNoise.drift(17, y / 5f));
            }
        }
        return sum;
    }

    /** What has an outline: the hill with its windows, posts, the shelter, the edge of the platform, the rails. */
    private int[] scenery() {
        BufferedImage image = new BufferedImage(wide, high, BufferedImage.TYPE_INT_ARGB);
        Graphics2D g = smoothGraphics(image);
        g.translate(beyond, beyond);
        hill(g);
        shelter(g);
        tracks(g);
        for (int i = LAMPS - 1; i >= 0; i--) {
            post(g, lamps[i]);
        }
        g.dispose();
        return ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
    }

    private static Graphics2D smoothGraphics(BufferedImage image) {
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        return g;
    }

    private static void hill(Graphics2D g) {
        Path2D.Float hill = new Path2D.Float();
        hill.moveTo(0, HORIZON);
        for (int x = 0; x <= W; x += 6) {
            hill.lineTo(x, crest(x));
        }
        hill.lineTo(W, HORIZON);
        hill.closePath();
        g.setColor(new Color(5, 8, 14));
        g.fill(hill);
        for (int i = 0; i < 210; i++) {
            float x = PlateNoise.between(60, W - 20, 81, i);
            float top = crest(x);
            float y = top + 6 + (HORIZON - 12 - top) * PlateNoise.of(82, i, 0);
            float warm = PlateNoise.of(83, i, 0);
            int a = (int) (60 + 170 * PlateNoise.of(84, i, 0));
            g.setColor(warm < 0.75f ? new Color(255, 190, 110, a) : new Color(160, 200, 215, a));
            float s = 1.2f + 1.7f * PlateNoise.of(85, i, 0);
            g.fill(new Ellipse2D.Float(x, y, s * 1.1f, s * 1.4f));
        }
    }

    /** The hill's line against the sky, in pixels of the plate. */
    public static float crest(float x) {
        float rise = 190 * (float) StrictMath.exp(-(x - 1560) * (x - 1560) / 129600.0);
        return HORIZON - 34 - rise - 9 * PlateNoise.drift(6, x / 90) - 22 * PlateNoise.drift(7, x / 330);
    }

    private static void shelter(Graphics2D g) {
        Path2D.Float roof = new Path2D.Float();
        roof.moveTo(0, 250);
        roof.lineTo(560, 428);
        roof.lineTo(560, 444);
        roof.lineTo(0, 286);
        roof.closePath();
        g.setColor(new Color(12, 15, 19));
        g.fill(roof);
        Path2D.Float wall = new Path2D.Float();
        wall.moveTo(0, 286);
        wall.lineTo(500, 428);
        wall.lineTo(500, 640);
        wall.lineTo(0, 800);
        wall.closePath();
        g.setColor(new Color(9, 11, 14));
        g.fill(wall);
        for (int i = 0; i < 4; i++) {
            float a = i * 118 + 26;
            float b = a + 84;
            Path2D.Float pane = new Path2D.Float();
            pane.moveTo(a, 330 + a * 0.27);
            pane.lineTo(b, 330 + b * 0.27);
            pane.lineTo(b, 655 - b * 0.22);
            pane.lineTo(a, 655 - a * 0.22);
            pane.closePath();
            g.setColor(i == 2 ? new Color(120, 84, 42) : new Color(17, 21, 26));
            g.fill(pane);
        }
    }

    private static void tracks(Graphics2D g) {
        Path2D.Float bed = new Path2D.Float();
        bed.moveTo(VANISH, HORIZON);
        bed.lineTo(W, 705);
        bed.lineTo(W, HORIZON);
        bed.closePath();
        g.setColor(new Color(6, 8, 11));
        g.fill(bed);
        line(g, VANISH, HORIZON, W, 664, 3.2f, new Color(70, 78, 88));
        line(g, VANISH, HORIZON, W, 618, 2.2f, new Color(58, 66, 76));
        Path2D.Float edge = new Path2D.Float();
        edge.moveTo(VANISH, HORIZON);
        edge.lineTo(W, 716);
        edge.lineTo(W, 742);
        edge.closePath();
        g.setColor(new Color(118, 110, 84));
        g.fill(edge);
        line(g, 640, 108, W, 236, 1.6f, new Color(20, 24, 30));
        line(g, 640, 168, W, 276, 1.2f, new Color(20, 24, 30));
    }

    private static void line(Graphics2D g, float x0, float y0, float x1, float y1, float width, Color c) {
        g.setColor(c);
        g.setStroke(new BasicStroke(width));
        g.draw(new Line2D.Float(x0, y0, x1, y1));
    }

    private static void post(Graphics2D g, float[] lamp) {
        float z = lamp[2];
        float base = HORIZON + 330 / z;
        float x = lamp[0] + 34 / z;
        g.setColor(new Color(11, 13, 16));
        g.fill(new Rectangle2D.Float(x, lamp[1] - 10 / z, 9 / z, base - lamp[1]));
        line(g, x + 4 / z, lamp[1] - 8 / z, lamp[0] - 6 / z, lamp[1] - 10 / z, 7 / z, new Color(11, 13, 16));
        g.fill(new Ellipse2D.Float(x - 9 / z, base - 18 / z, 27 / z, 10 / z));
    }

    /** The walking figure, dark with a rim of lamp light, blurred as it moves while the shutter is open. */
    private int[] figure(int number) {
        int[] sums = new int[4 * W * H];
        BufferedImage image = new BufferedImage(W, H, BufferedImage.TYPE_INT_ARGB);
        int[] pixels = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
        for (int m = 0; m < MOMENTS; m++) {
            Arrays.fill(pixels, 0);
            draw(image, number + OPEN * ((m + 0.5) / MOMENTS - 0.5));
            for (int i = 0; i < pixels.length; i++) {
                int alpha = pixels[i] >>> 24;
                if (alpha > 0) {
                    sums[4 * i] += alpha;
                    sums[4 * i + 1] += alpha * ((pixels[i] >> 16) & 0xff);
                    sums[4 * i + 2] += alpha * ((pixels[i] >> 8) & 0xff);
                    sums[4 * i + 3] += alpha * (pixels[i] & 0xff);
                }
            }
        }
        int[] mean = new int[W * H];
        for (int i = 0; i < mean.length; i++) {
            int alpha = sums[4 * i];
            if (alpha > 0) {
                mean[i] = (alpha + MOMENTS / 2) / MOMENTS << 24
                        | sums[4 * i + 1] / alpha << 16
                        | sums[4 * i + 2] / alpha << 8
                        | sums[4 * i + 3] / alpha;
            }
        }
        return mean;
    }

    private void draw(BufferedImage image, double frame) {
        Graphics2D g = smoothGraphics(image);
        double phase = phase(frame);
        // The body is lowest when both feet are on the ground.
        float bob = (float) walkerBob(frame);
        g.translate(walkerX(frame) - (drifts ? driftX(frame) : 0), ground(frame) - bob);
        Area body = body(phase, bob);
        g.setColor(new Color(168, 118, 64));
        g.translate(-3.2, -1.2);
        g.fill(body);
        g.translate(3.2, 1.2);
        g.setColor(new Color(9, 10, 13));
        g.fill(body);
        g.dispose();
    }

    private static Area body(double phase, float bob) {
        Area all = new Area();
        all.add(leg(StrictMath.sin(phase), bob));
        all.add(leg(-StrictMath.sin(phase), bob));
        float sway = (float) (10 * StrictMath.sin(phase));
        Path2D.Float coat = new Path2D.Float();
        coat.moveTo(-34, -300);
        coat.curveTo(-46, -220, -54, -160, -62 - sway * 0.5, -92);
        coat.curveTo(-20, -84, 24, -84, 58 - sway, -96);
        coat.curveTo(52, -170, 44, -230, 32, -300);
        coat.curveTo(20, -318, -22, -318, -34, -300);
        all.add(new Area(coat));
        all.add(arm(StrictMath.sin(phase)));
        all.add(new Area(new Ellipse2D.Float(-16, -352, 35, 44)));
        Path2D.Float collar = new Path2D.Float();
        collar.moveTo(-22, -312);
        collar.lineTo(24, -312);
        collar.lineTo(17, -330);
        collar.lineTo(-15, -328);
        collar.closePath();
        all.add(new Area(collar));
        all.add(new Area(new Ellipse2D.Float(-33, -346, 74, 13)));
        Path2D.Float crown = new Path2D.Float();
        crown.moveTo(-20, -340);
        crown.curveTo(-20, -372, -4, -378, 4, -370);
        crown.curveTo(12, -378, 26, -368, 25, -340);
        crown.closePath();
        all.add(new Area(crown));
        return all;
    }

    private static Area leg(double swing, float bob) {
        float kneeX = (float) (26 * swing + 8 * Math.max(0, swing));
        float footX = (float) (52 * swing);
        float lift = (float) (16 * Math.max(0, -swing) * Math.max(0, -swing));
        Path2D.Float leg = new Path2D.Float();
        leg.moveTo(-12, -110);
        leg.lineTo(18, -110);
        leg.lineTo(kneeX + 14, -58);
        leg.lineTo(footX + 12, -10 + bob - lift);
        leg.lineTo(footX + 32, -4 + bob - lift);
        leg.lineTo(footX + 32, bob - lift);
        leg.lineTo(footX - 10, bob - lift);
        leg.lineTo(footX - 9, -14 + bob - lift);
        leg.lineTo(kneeX - 12, -58);
        leg.closePath();
        return new Area(leg);
    }

    private static Area arm(double swing) {
        float hand = (float) (-34 * swing);
        Path2D.Float arm = new Path2D.Float();
        arm.moveTo(-16, -292);
        arm.lineTo(14, -292);
        arm.curveTo(20, -240, hand + 22, -200, hand + 17, -152);
        arm.lineTo(hand - 6, -152);
        arm.curveTo(hand - 14, -200, -20, -240, -16, -292);
        arm.closePath();
        return new Area(arm);
    }

    /** Falling streaks, as brightness in the blue channel; near ones are longer and quicker. */
    private static int[] rain(int number) {
        BufferedImage image = new BufferedImage(W, H, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = smoothGraphics(image);
        for (int i = 0; i < STREAKS; i++) {
            float near = 0.25f + 0.75f * PlateNoise.of(91, i, 0) * PlateNoise.of(92, i, 0);
            float speed = 60 + 130 * near;
            float way = PlateNoise.between(0, 3000, 93, i) + number * speed;
            int turn = (int) (way / (H + 200));
            float y = way - turn * (H + 200) - 100;
            float x = PlateNoise.of(94, i, turn) * (W + 300) - 150 + y * 0.10f;
            float length = 22 + 95 * near;
            g.setColor(new Color(0, 0, (int) (70 + 170 * near)));
            g.setStroke(new BasicStroke(0.8f + 1.1f * near));
            g.draw(new Line2D.Float(x, y, x + length * 0.10f, y + length));
        }
        g.dispose();
        return ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
    }
}

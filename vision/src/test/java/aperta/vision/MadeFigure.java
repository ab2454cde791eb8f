package aperta.vision;

import aperta.core.picture.Matte;
import aperta.core.picture.Packed;
import aperta.core.picture.Pixels;
import aperta.core.picture.Region;
import aperta.core.render.Sources;
import aperta.core.time.Rate;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Paint;
import java.awt.RenderingHints;
import java.awt.TexturePaint;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.util.Arrays;
import java.util.Random;

/**
 * A clip of somebody in front of an uneven wall, drawn as outlines, so that the coverage of each pixel is known; with blur by
 * motion (the shutter is open for half of a frame) and grain. He walks by, his arms and legs swinging, or stands where he is,
 * seen from the waist up, sways, and talks with his hands.
 */
final class MadeFigure implements Sources {
    static final int W = 1280;
    static final int H = 720;
    static final int FRAMES = 28;
    private static final int TIMES = 8;
    private static final double SHUTTER = 0.5;
    /** From its darkest to its brightest. */
    private static final double GRAIN = 10;

    private final boolean stays;
    private final boolean flickers;
    /** Another stretch of it for each frame. */
    private final double[] grain =
            new Random(7).doubles(W * H).map(u -> GRAIN * (u - 0.5)).toArray();

    private final float[][] wall = new float[3][W * H];
    private final Paint coat = new TexturePaint(cloth(5, 110, 78, 60, 25), new Rectangle2D.Double(0, 0, 128, 128));
    private final Paint trousers =
            new TexturePaint(cloth(9, 155, 155, 142, 12), new Rectangle2D.Double(0, 0, 128, 128));
    private final Color skin = new Color(196, 150, 122);
    private final Color hair = new Color(52, 38, 30);

    MadeFigure(boolean stays) {
        this(stays, false);
    }

    /**
     * @param stays or walks by
     * @param flickers the light, by a factor for each frame
     */
    MadeFigure(boolean stays, boolean flickers) {
        this.stays = stays;
        this.flickers = flickers;
        double[][] rough = {noise(W, H, 110, 1), noise(W, H, 28, 2), noise(W, H, 6, 3)};
        for (int i = 0; i < W * H; i++) {
            double v = 105 + 22 * rough[0][i] + 18 * rough[1][i] + 14 * rough[2][i];
            boolean floor = i / W > 560;
            boolean post = !floor && i % W % 220 < 18;
            wall[0][i] = (float) (v * (post ? 0.5 : floor ? 0.9 : 0.95));
            wall[1][i] = (float) (v * (post ? 0.5 : floor ? 0.88 : 1.05));
            wall[2][i] = (float) (v * (post ? 0.55 : floor ? 0.86 : 0.92));
        }
    }

    /** Values from -1 to 1 on a lattice, and smoothly between. */
    private static double[] noise(int w, int h, int cell, long seed) {
        Random random = new Random(seed);
        int across = w / cell + 2;
        double[] lattice = random.doubles((long) across * (h / cell + 2), -1, 1).toArray();
        double[] to = new double[w * h];
        for (int i = 0; i < w * h; i++) {
            double u = i % w % cell / (double) cell;
            double v = i / w % cell / (double) cell;
            u = u * u * (3 - 2 * u);
            v = v * v * (3 - 2 * v);
            int at = i / w / cell * across + i % w / cell;
            to[i] = (lattice[at] * (1 - u) + lattice[at + 1] * u) * (1 - v)
                    + (lattice[at + across] * (1 - u) + lattice[at + across + 1] * u) * v;
        }
        return to;
    }

    private static BufferedImage cloth(long seed, int red, int green, int blue, double uneven) {
        double[] rough = noise(128, 128, 12, seed);
        BufferedImage to = new BufferedImage(128, 128, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < rough.length; i++) {
            int by = (int) (uneven * rough[i]);
            to.setRGB(i % 128, i / 128, new Color(red + by, green + by, blue + by).getRGB());
        }
        return to;
    }

    /** Where his feet, or his middle, are. */
    double x(double frame) {
        return stays ? 640 + 26 * Math.sin(frame * 0.16) : 460 + 12 * frame;
    }

    double ground() {
        return stays ? 1000 : 620;
    }

    /** A limb from one place to another, thinner towards its end. */
    private static Area limb(double x0, double y0, double x1, double y1, double r0, double r1) {
        double l = Math.hypot(x1 - x0, y1 - y0);
        double ux = (x1 - x0) / l;
        double uy = (y1 - y0) / l;
        Path2D side = new Path2D.Double();
        side.moveTo(x0 - uy * r0, y0 + ux * r0);
        side.lineTo(x1 - uy * r1, y1 + ux * r1);
        side.lineTo(x1 + uy * r1, y1 - ux * r1);
        side.lineTo(x0 + uy * r0, y0 - ux * r0);
        side.closePath();
        Area all = new Area(side);
        all.add(new Area(new Ellipse2D.Double(x0 - r0, y0 - r0, 2 * r0, 2 * r0)));
        all.add(new Area(new Ellipse2D.Double(x1 - r1, y1 - r1, 2 * r1, 2 * r1)));
        return all;
    }

    private void draw(Graphics2D g, double frame) {
        double size = stays ? 1.55 : 0.78;
        double step = 0.28 * frame;
        g.translate(x(frame), ground());
        g.scale(size, size);
        for (int side = -1; side <= 1 && !stays; side += 2) {
            double thigh = 0.5 * side * Math.sin(step);
            double shin = thigh - 0.45 * Math.max(0, side * Math.cos(step));
            double kneeX = 95 * Math.sin(thigh);
            double kneeY = 95 * Math.cos(thigh) - 190;
            double footX = kneeX + 92 * Math.sin(shin);
            double footY = kneeY + 92 * Math.cos(shin);
            g.setPaint(trousers);
            g.fill(limb(0, -190, kneeX, kneeY, 24, 18));
            g.fill(limb(kneeX, kneeY, footX, footY, 18, 12));
            g.setPaint(hair);
            g.fill(limb(footX, footY, footX + 22, footY + 4, 11, 8));
        }
        arm(g, stays ? -0.5 + 0.2 * Math.sin(0.4 * frame) : 0.45 * Math.sin(step), -20);
        g.setPaint(coat);
        g.fill(limb(0, -310, 0, stays ? 0 : -185, 44, 42));
        g.setPaint(skin);
        g.fill(limb(2, -330, 4, -370, 13, 13));
        g.fill(new Ellipse2D.Double(-20, -422, 46, 60));
        g.setPaint(hair);
        g.fill(new Ellipse2D.Double(-26, -428, 50, 34));
        arm(g, stays ? 0.7 + 0.45 * Math.sin(0.5 * frame) : -0.45 * Math.sin(step), 14);
    }

    private void arm(Graphics2D g, double turned, double shoulder) {
        double x = shoulder + 72 * Math.sin(turned);
        double y = 72 * Math.cos(turned) - 318;
        double bent = turned + (stays ? 1.2 : 0.35);
        double handX = x + 66 * Math.sin(bent);
        double handY = y + 66 * Math.cos(bent);
        g.setPaint(coat);
        g.fill(limb(shoulder, -318, x, y, 17, 13));
        g.fill(limb(x, y, handX, handY, 13, 10));
        g.setPaint(skin);
        g.fill(new Ellipse2D.Double(handX - 12, handY - 10, 24, 22));
    }

    /** The factor by which a frame is brighter than the wall is made. */
    double light(long frame) {
        return flickers ? 0.92 + 0.13 * Math.sin(0.9 * frame) + 0.05 * Math.sin(2.3 * frame) : 1;
    }

    /** The part of a frame in which he is. */
    private Region part(long frame) {
        int side = stays ? 280 : 150;
        int top = stays ? 300 : 240;
        return new Region((int) x(frame) - side, top, 2 * side, H - top).intersect(new Region(0, 0, W, H));
    }

    /** Red, green, blue, premultiplied, and coverage of that part, from 0 to 255: the mean of the shutter's time. */
    private double[][] figure(long frame, Region part) {
        double[][] to = new double[4][part.width() * part.height()];
        BufferedImage picture = new BufferedImage(part.width(), part.height(), BufferedImage.TYPE_INT_ARGB_PRE);
        int[] pixels = ((DataBufferInt) picture.getRaster().getDataBuffer()).getData();
        for (int k = 0; k < TIMES; k++) {
            Arrays.fill(pixels, 0);
            Graphics2D g = picture.createGraphics();
            g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
            g.translate(-part.x(), -part.y());
            draw(g, frame + ((k + 0.5) / TIMES - 0.5) * SHUTTER);
            g.dispose();
            for (int i = 0; i < pixels.length; i++) {
                for (int c = 0; c < 4 && pixels[i] != 0; c++) {
                    to[c][i] += (pixels[i] >>> (c == 3 ? 24 : 16 - 8 * c) & 255) / (double) TIMES;
                }
            }
        }
        return to;
    }

    /** What is behind him, red, green and blue. */
    Colours wall() {
        return new Colours(W, H, wall);
    }

    /** The coverage that is true. */
    Matte coverage(long frame) {
        Matte to = new Matte(new Region(0, 0, W, H));
        Region part = part(frame);
        double[] alpha = figure(frame, part)[3];
        for (int i = 0; i < alpha.length; i++) {
            to.set(part.x() + i % part.width(), part.y() + i / part.width(), (float) (alpha[i] / 255));
        }
        return to;
    }

    @Override
    public Info info(String media) {
        return new Info(media, W, H, new Rate(25, 1), FRAMES, false);
    }

    @Override
    public Pixels frame(String media, long frame, int level) {
        Region part = part(frame);
        double[][] figure = figure(frame, part);
        byte[] data = new byte[3 * W * H];
        int shifted = (int) (frame * 7919);
        for (int i = 0; i < W * H; i++) {
            boolean there = part.contains(i % W, i / W);
            int at = (i / W - part.y()) * part.width() + i % W - part.x();
            for (int c = 0; c < 3; c++) {
                double v = there ? figure[c][at] + wall[c][i] * (1 - figure[3][at] / 255) : wall[c][i];
                v = Math.rint(light(frame) * v + grain[(i + shifted) % grain.length]);
                data[3 * i + c] = (byte) (int) Math.max(0, Math.min(255, v));
            }
        }
        return new Packed(W, H, 3, 8, data);
    }
}

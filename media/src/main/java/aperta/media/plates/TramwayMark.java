package aperta.media.plates;

import aperta.media.ffmpeg.MediaException;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;

/** The mark of the tramway to Orrin Hill, as a picture with alpha: a bell within a wheel's rim, over the line of the hill. */
final class TramwayMark implements MadeFile {
    private static final int SIZE = 760;

    @Override
    public String id() {
        return "tramway-mark";
    }

    @Override
    public String name() {
        return "Tramway mark";
    }

    @Override
    public String ending() {
        return ".png";
    }

    @Override
    public byte[] file() {
        BufferedImage image = new BufferedImage(SIZE, SIZE, BufferedImage.TYPE_INT_ARGB);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.translate(SIZE / 2.0, SIZE / 2.0);
        g.setColor(new Color(0xf2, 0xc1, 0x6b));
        g.fill(rim());
        g.setColor(new Color(0xf6, 0xe7, 0xc8));
        g.fill(bell());
        g.fill(clapper());
        g.dispose();
        try (ByteArrayOutputStream bytes = new ByteArrayOutputStream()) {
            ImageIO.write(image, "png", bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new MediaException("The tramway's mark couldn't be written.", e);
        }
    }

    /** A rim with gaps, and the hill across its lower part. */
    private static Area rim() {
        Area rim = new Area(disc(350));
        rim.subtract(new Area(disc(302)));
        for (int i = 0; i < 8; i++) {
            Rectangle2D gap = new Rectangle2D.Double(-9, -360, 18, 80);
            rim.subtract(new Area(
                    AffineTransform.getRotateInstance(Math.PI * (2 * i + 1) / 8).createTransformedShape(gap)));
        }
        Path2D.Double hill = new Path2D.Double();
        hill.moveTo(-320, 196);
        hill.curveTo(-180, 196, -120, 150, 0, 150);
        hill.curveTo(120, 150, 180, 196, 320, 196);
        Area line =
                new Area(new BasicStroke(26, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND).createStrokedShape(hill));
        line.intersect(new Area(disc(284)));
        rim.add(line);
        return rim;
    }

    private static Area bell() {
        Path2D.Double p = new Path2D.Double();
        p.moveTo(0, -238);
        p.curveTo(92, -238, 112, -160, 122, -80);
        p.curveTo(130, -6, 148, 40, 196, 78);
        p.lineTo(-196, 78);
        p.curveTo(-148, 40, -130, -6, -122, -80);
        p.curveTo(-112, -160, -92, -238, 0, -238);
        p.closePath();
        Area bell = new Area(p);
        // A light that stands on its shoulder.
        Path2D.Double light = new Path2D.Double();
        light.moveTo(-74, 28);
        light.curveTo(-64, -40, -66, -128, -34, -178);
        light.curveTo(-42, -120, -38, -40, -40, 28);
        light.closePath();
        bell.subtract(new Area(light));
        return bell;
    }

    private static Area clapper() {
        Area clapper = new Area(new Ellipse2D.Double(-40, 70, 80, 60));
        clapper.subtract(new Area(new Rectangle2D.Double(-60, 60, 120, 34)));
        Area loop = new Area(new Ellipse2D.Double(-34, -286, 68, 68));
        loop.subtract(new Area(new Ellipse2D.Double(-15, -267, 30, 30)));
        loop.subtract(new Area(new Rectangle2D.Double(-40, -236, 80, 20)));
        clapper.add(loop);
        return clapper;
    }

    private static Ellipse2D disc(double radius) {
        return new Ellipse2D.Double(-radius, -radius, 2 * radius, 2 * radius);
    }
}

package aperta.core.picture;

import java.awt.image.BufferedImage;
import java.io.StringReader;
import org.apache.batik.transcoder.TranscoderException;
import org.apache.batik.transcoder.TranscoderInput;
import org.apache.batik.transcoder.TranscoderOutput;
import org.apache.batik.transcoder.image.ImageTranscoder;

/** SVG as Apache Batik paints it. */
public final class Svg {
    private Svg() {}

    public static BufferedImage paint(String svg) {
        BufferedImage[] painted = new BufferedImage[1];
        ImageTranscoder transcoder = new ImageTranscoder() {
            @Override
            public BufferedImage createImage(int w, int h) {
                painted[0] = new BufferedImage(w, h, BufferedImage.TYPE_INT_ARGB);
                return painted[0];
            }

            @Override
            public void writeImage(BufferedImage image, TranscoderOutput output) {
                painted[0] = image;
            }
        };
        try {
            transcoder.transcode(new TranscoderInput(new StringReader(svg)), null);
        } catch (TranscoderException e) {
            throw new IllegalStateException(e);
        }
        return painted[0];
    }
}

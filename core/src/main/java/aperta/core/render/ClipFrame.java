package aperta.core.render;

import aperta.core.colour.Colour;
import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.outline.Outline;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.Light;
import aperta.core.time.Mix;

/** One frame of a file of pictures, laid on the raster. */
final class ClipFrame {
    private ClipFrame() {}

    /** The box of a file's pictures, about their middle. */
    static Box box(Sources.Info info) {
        return Box.centred(info.width(), info.height());
    }

    /** @param frame one that the file has */
    static Step.Paints of(Content.Pictured content, long frame, Affine toRaster, Drawing.Canvas canvas) {
        double exposure = content.exposure().at(0, Mix.NUMBER);
        double saturation = content.saturation().at(0, Mix.NUMBER);
        Step.Paints picture = placed(content.media(), frame, toRaster, canvas);
        return exposure == 0 && saturation == 1 ? picture : new Tamed(picture, exposure, saturation, canvas.light());
    }

    private static Step.Paints placed(String media, long frame, Affine toRaster, Drawing.Canvas canvas) {
        Sources sources = canvas.sources();
        Sources.Info info = sources.info(media);
        if (canvas.coverageOnly() && !info.alpha()) {
            return Filled.of(Outline.of(box(info)).transformed(toRaster), Colour.BLACK, 1, canvas.light());
        }
        // Smaller frames are means of display-encoded samples, which are not those of amounts of light.
        int level = canvas.light() == Light.DISPLAY ? sources.level(toRaster.meanScale()) : 1;
        return placed(media, frame, level, canvas.light(), toRaster, sources);
    }

    /** The brightness of a frame, as it is in the file, as a matte. */
    static Step.Shades coverage(String media, long frame, Affine toRaster, Drawing.Canvas canvas) {
        int level = canvas.sources().level(toRaster.meanScale());
        Step.Paints picture = placed(media, frame, level, Light.DISPLAY, toRaster, canvas.sources());
        return new PictureMatte(picture, Cut.With.BRIGHTNESS, Light.DISPLAY);
    }

    private static Step.Paints placed(
            String media, long frame, int level, Light light, Affine toRaster, Sources sources) {
        Sources.Info info = sources.info(media);
        Affine fromPixels =
                Affine.scale(level, level).then(Affine.translation(-info.width() / 2.0, -info.height() / 2.0));
        return new PlacedClip(
                new Decoded(sources, media, frame, level),
                (double) info.width() / level,
                (double) info.height() / level,
                info.alpha(),
                light,
                fromPixels.then(toRaster));
    }
}

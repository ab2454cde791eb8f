package aperta.core.render;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.outline.Outline;
import aperta.core.shot.Content;
import aperta.core.shot.Moment;
import aperta.core.texture.Pattern;
import aperta.core.texture.Texture;
import aperta.core.texture.Textures;
import aperta.core.time.Animated;
import aperta.core.time.Mix;
import java.util.Optional;

/** A rectangle of a texture. */
final class TextureDrawing implements Drawing<Content.Texture> {
    @Override
    public Optional<Step.Paints> picture(Content.Texture content, Subject subject, Canvas canvas) {
        Box box = extent(content);
        if (box.isEmpty()) {
            return Optional.empty();
        }
        Moment.Seen seen = subject.seen();
        Texture.Setting setting = new Texture.Setting(
                subject.toRaster(),
                box,
                canvas.light(),
                seen.frame(),
                seen.format().rate(),
                (parameter, frame) -> number((Content.Texture) seen.layer().content(), parameter, frame));
        String kind = content.recipe().kind();
        Pattern pattern = Textures.of(kind).on(content.recipe().rest(), setting);
        return Optional.of(new Textured(new Covered(Outline.of(box).transformed(subject.toRaster())), kind, pattern));
    }

    /** By its keys; what signals add is only known of the moment that is shown. */
    private static double number(Content.Texture content, String parameter, double frame) {
        // What lies under the name of a number is one.
        @SuppressWarnings("unchecked")
        Animated<Double> value = (Animated<Double>) content.recipe().value(parameter);
        return value.at(frame, Mix.NUMBER);
    }

    private static Box extent(Content.Texture content) {
        Point size = content.size().at(0, Mix.POINT);
        return Box.centred(size.x(), size.y());
    }

    @Override
    public Box extent(Content.Texture content, Measures measures) {
        return extent(content);
    }
}

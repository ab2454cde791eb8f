package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.Content;
import aperta.core.shot.Cut;
import aperta.core.shot.CutOut;
import aperta.core.shot.Layer;
import aperta.core.shot.Shot;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.BiConsumer;

/** The figures that are cut out of clips, where they are seen or hide something that is. */
final class SeenFigures {
    private SeenFigures() {}

    /** Tells of each figure of a frame that matters there, by its layer, and of what is known of it. */
    static void seen(Look look, BiConsumer<Layer, CutOut.Carried> told) {
        Map<String, Layer> all = new LinkedHashMap<>();
        Shot shot = look.moment().shot();
        for (Share s : look.layers()) {
            if (s.shows()) {
                s.seen().layer().cut().map(Cut::by).flatMap(shot::layer).ifPresent(l -> all.put(l.id(), l));
            }
        }
        // Where nothing is known of a figure it shows nothing, and has no share of the picture: that is what is to be
        // told.
        for (Layer layer : shot.everyLayer()) {
            boolean isFigure =
                    layer.content() instanceof Content.Footage f && f.cutOut().isPresent();
            if (isFigure
                    && shot.lineTo(layer.id()).stream().noneMatch(Layer::hidden)
                    && look.moment().of(layer.id()).exists()) {
                all.put(layer.id(), layer);
            }
        }
        all.values().forEach(l -> {
            if (l.content() instanceof Content.Footage clip) {
                clip.cutOut().flatMap(CutOut::carried).ifPresent(c -> told.accept(l, c));
            }
        });
    }

    /** The frame of its clip that a layer shows. */
    static long frame(Look look, Layer layer, CutOut.Carried carried) {
        return (long) Math.floor(look.moment().clipFrame(layer.id(), carried.clip()) + 1e-9);
    }

    /** Where the clip lies. */
    static Box place(Look look, Layer layer, CutOut.Carried carried) {
        double w = carried.clip().width();
        double h = carried.clip().height();
        return Box.around(Box.centred(w, h).corners().stream()
                .map((Point p) -> look.moment().of(layer.id()).toShot().apply(p))
                .toList());
    }
}

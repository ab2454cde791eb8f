package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.geometry.Box;
import aperta.core.picture.Region;
import aperta.core.shot.BlendMode;
import aperta.core.shot.Content;
import aperta.core.shot.Format;
import aperta.core.shot.Join;
import aperta.core.shot.Layer;
import aperta.core.shot.Moment;
import aperta.core.shot.Shutter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** One plan in the making: a moment, laid out at a scale. */
final class Layout {
    private final Planner planner;
    private final Moment moment;
    private final double scale;
    private final Affine shotToRaster;
    private final Optional<Layout> whole;
    private final boolean coverageOnly;
    private final LayerChain chain;
    private final Map<Double, Layout> samples = new HashMap<>();
    /** Other layouts of this moment or of earlier ones, by how many times as large they are and how long ago. */
    private final Map<List<Double>, Layout> others = new HashMap<>();

    /** @param scale raster pixels for a pixel of the shot, over 0 */
    Layout(Planner planner, Moment moment, double scale) {
        this(planner, moment, scale, Affine.scale(scale, scale), Optional.empty(), false);
    }

    /**
     * @param whole the layout of which this one is a sample, for motion blur
     * @param coverageOnly whether only what is covered matters: nothing is decoded that hasn't alpha, nothing is blurred
     *     by its motion
     */
    private Layout(
            Planner planner,
            Moment moment,
            double scale,
            Affine shotToRaster,
            Optional<Layout> whole,
            boolean coverageOnly) {
        if (!(scale > 0)) {
            throw new IllegalArgumentException("A scale is over 0.");
        }
        this.planner = planner;
        this.moment = moment;
        this.scale = scale;
        this.shotToRaster = shotToRaster;
        this.whole = whole;
        this.coverageOnly = coverageOnly;
        this.chain = new LayerChain(this);
    }

    /** The same moment for what only asks what is covered. */
    static Layout ofCoverage(Planner planner, Moment moment, double scale) {
        return new Layout(planner, moment, scale, Affine.scale(scale, scale), Optional.empty(), true);
    }

    /** The same moment with all that can be seen. */
    Layout complete() {
        return coverageOnly ? new Layout(planner, moment, scale) : this;
    }

    Planner planner() {
        return planner;
    }

    Moment moment() {
        return moment;
    }

    double scale() {
        return scale;
    }

    Affine shotToRaster() {
        return shotToRaster;
    }

    boolean coverageOnly() {
        return coverageOnly;
    }

    /** Whether this is one of the times that motion blur looks at. */
    boolean isSample() {
        return whole.isPresent();
    }

    LayerChain chain() {
        return chain;
    }

    /** The layer on the frame that is shown; what exists and which frames are due is the same for all its samples. */
    Moment.Seen onItsFrame(Layer layer) {
        return whole.map(w -> w.moment).orElse(moment).of(layer.id());
    }

    /** Layers as they are laid on one another. */
    Stack stack(List<Layer> layers) {
        List<Stack.Entry> entries = new ArrayList<>();
        for (int i = layers.size() - 1; i >= 0; i--) {
            Layer layer = layers.get(i);
            if (i > 0 && givesWay(layer, layers.get(i - 1))) {
                i--;
                chain.passed(layer, layers.get(i)).ifPresent(p -> entries.add(new Stack.Entry(p, BlendMode.NORMAL)));
            } else if (layer.content() instanceof Content.Adjustment && moment.shows(layer)) {
                Stack below = new Stack(entries);
                Step.Paints adjusted = chain.adjusted(layer, below);
                if (adjusted != below) {
                    entries.clear();
                    entries.add(new Stack.Entry(adjusted, BlendMode.NORMAL));
                }
            } else if (moment.shows(layer)) {
                chain.finished(layer).ifPresent(p -> entries.add(new Stack.Entry(p, layer.blend(), layer.join())));
            }
        }
        return new Stack(entries);
    }

    /** What lies below a layer in its group. */
    Step.Paints below(Layer layer) {
        List<Layer> together = together(layer);
        return stack(together.subList(together.indexOf(layer) + 1, together.size()));
    }

    private List<Layer> together(Layer layer) {
        List<Layer> line = moment.shot().lineTo(layer.id());
        return line.size() == 1
                ? moment.shot().layers()
                : line.get(line.size() - 2).content().inside();
    }

    /** The frame that a layer lies in: the shot's, or that of a shot that is shown in it. */
    Region frameOf(Layer layer) {
        List<Layer> line = moment.shot().lineTo(layer.id());
        for (int i = line.size() - 2; i >= 0; i--) {
            if (line.get(i).content() instanceof Content.Group group
                    && group.format().isPresent()) {
                Format f = group.format().get();
                Affine toRaster = moment.of(line.get(i).id()).toShot().then(shotToRaster);
                return Region.around(toRaster.apply(new Box(0, 0, f.width(), f.height())));
            }
        }
        return Planner.frame(moment.shot().format(), scale);
    }

    /** The same moment, so many times as large. */
    Layout finer(int times) {
        return others.computeIfAbsent(
                List.of((double) times, 0.0),
                k -> new Layout(
                        planner,
                        moment,
                        scale * times,
                        Affine.scale(scale * times, scale * times),
                        whole.map(w -> w.finer(times)),
                        coverageOnly));
    }

    /** The whole of what can be seen at a moment, on another raster. */
    Layout on(Moment other, Affine toRaster) {
        return new Layout(planner, other, toRaster.meanScale(), toRaster, Optional.empty(), false);
    }

    /** The same shot so many frames ago, at another scale. */
    Layout small(double frames, double other) {
        return others.computeIfAbsent(
                List.of(other / scale, frames),
                k -> new Layout(
                        planner,
                        planner.moment(moment.shot(), moment.frame() - frames),
                        other,
                        Affine.scale(other, other),
                        Optional.empty(),
                        coverageOnly));
    }

    /** The same shot so many frames ago. */
    Layout ago(double frames) {
        return small(frames, scale);
    }

    /** Whether a layer gives way to the one right above it at this moment, both laid plainly on what lies below. */
    private boolean givesWay(Layer layer, Layer above) {
        boolean passes = moment.of(above.id())
                .passing()
                .filter(p -> p.from().equals(layer.id()))
                .isPresent();
        return passes && moment.shows(layer) && moment.shows(above) && isPlain(layer) && isPlain(above);
    }

    private static boolean isPlain(Layer layer) {
        return layer.blend() == BlendMode.NORMAL && layer.join() == Join.OVER;
    }

    List<Area> areas(List<Layer> layers) {
        List<Area> all = new ArrayList<>();
        for (Layer layer : layers) {
            if (!layer.content().isSeen()) {
                continue;
            }
            boolean shows = moment.shows(layer);
            all.add(new Area(
                    moment.of(layer.id()),
                    shows,
                    chain.own(layer),
                    chain.uncut(layer),
                    shows ? chain.finished(layer) : Optional.empty(),
                    areas(layer.content().inside())));
        }
        return all;
    }

    /** @param share of the time that the shutter is open */
    Layout sample(double share) {
        return samples.computeIfAbsent(share, s -> {
            Shutter shutter = moment.shot().shutter();
            double frame = moment.frame() + shutter.opens() + s * shutter.length();
            return new Layout(
                    planner,
                    planner.moment(moment.shot(), frame),
                    scale,
                    shotToRaster,
                    Optional.of(this),
                    coverageOnly);
        });
    }
}

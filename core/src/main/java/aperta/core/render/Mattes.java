package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.outline.Contour;
import aperta.core.outline.Outline;
import aperta.core.picture.Falloff;
import aperta.core.shot.BezierPath;
import aperta.core.shot.Cut;
import aperta.core.shot.Front;
import aperta.core.shot.Light;
import aperta.core.shot.Mask;
import aperta.core.shot.Moment;
import aperta.core.shot.Writing;
import aperta.core.time.Mix;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;

/** The mattes of masks and of cuts. */
final class Mattes {
    /** A smaller move of an edge, in raster pixels, can't be seen. */
    private static final double LEAST_SPREAD = 0.01;

    private Mattes() {}

    /**
     * All masks of a layer together, its windows, and what its arrival and departure let be seen.
     *
     * @param toRaster from the layer's own space, or from the shot's for masks that stay in the frame
     * @param distances of the edge of its opening
     * @param ink what a pen writes of it, and how
     */
    static Step.Shades of(
            Moment.Seen seen, Affine toRaster, Affine shotToRaster, Distances distances, Supplier<Inks.Ink> ink) {
        List<Masks.Part> parts = parts(seen.still().masks(), toRaster, shotToRaster);
        List<List<Mask>> windows = new ArrayList<>(seen.own());
        windows.addAll(seen.windows());
        for (List<Mask> window : windows) {
            List<Masks.Part> united = parts(window, toRaster, shotToRaster);
            parts.add(
                    united.size() == 1
                            ? united.get(0).with(Mask.Mode.INTERSECT)
                            : new Masks.Part(new Masks(united), Mask.Mode.INTERSECT, false, 1));
        }
        seen.front()
                .filter(f -> f.shows().isPresent())
                .ifPresent(f -> parts.add(new Masks.Part(of(f, toRaster, distances), Mask.Mode.INTERSECT, false, 1)));
        for (Writing writing : seen.writings()) {
            InkPlaces places = new InkPlaces(ink.get(), cell(toRaster));
            parts.add(new Masks.Part(new InkMatte(places, writing, toRaster), Mask.Mode.INTERSECT, false, 1));
        }
        return new Masks(parts);
    }

    /** No more than a pixel of the raster, in the layer's; by powers of two, so that what moves closer needs others seldom. */
    private static double cell(Affine toRaster) {
        return Math.scalb(1.0, Math.getExponent(1 / toRaster.meanScale()));
    }

    /** Gives how far behind an edge each place lies, up to a reach in the layer's pixels. */
    interface Distances {
        FrontDistance of(Front front, double reach);
    }

    /** What the edge of an opening has uncovered; it falls off as masks do. */
    private static Step.Shades of(Front front, Affine toRaster, Distances distances) {
        double width = front.shows().orElseThrow();
        double scale = toRaster.meanScale();
        double sigma = width / 2 * scale;
        float variance = (float) (sigma * sigma + 1 / 12.0);
        double reach = Falloff.TAIL * Math.sqrt(variance) / scale + 1 / scale;
        return new FrontMatte(
                distances.of(front, reach), d -> Falloff.normal((float) (d * scale), variance), width, scale);
    }

    /** What the windows of an arrival leave of the layer that gives way to it. */
    static Step.Shades outside(Moment.Seen seen, Affine toRaster, Affine shotToRaster) {
        List<Masks.Part> parts = new ArrayList<>();
        for (List<Mask> window : seen.windows()) {
            parts.add(new Masks.Part(new Masks(parts(window, toRaster, shotToRaster)), Mask.Mode.INTERSECT, false, 1));
        }
        return new Masks(List.of(new Masks.Part(new Masks(parts), Mask.Mode.ADD, true, 1)));
    }

    private static List<Masks.Part> parts(List<Mask> masks, Affine toRaster, Affine shotToRaster) {
        List<Masks.Part> parts = new ArrayList<>();
        for (Mask mask : masks) {
            parts.add(new Masks.Part(
                    of(mask, mask.lock() == Mask.Lock.FRAME ? shotToRaster : toRaster),
                    mask.mode(),
                    mask.inverted(),
                    mask.opacity().at(0, Mix.NUMBER).floatValue()));
        }
        return parts;
    }

    private static Step.Shades of(Mask mask, Affine map) {
        BezierPath path = mask.path().at(0, BezierPath.MIX);
        double feather = mask.feather().at(0, Mix.NUMBER) * map.meanScale();
        double outset = mask.outset().at(0, Mix.NUMBER) * map.meanScale();
        if (path.hasFeather()) {
            return new Edged(Contour.of(path, map), outset, feather);
        }
        Step.Shades sharp = outset == 0
                ? new Covered(Outline.of(path).transformed(map))
                : new Edged(Contour.of(path, map), outset, 0);
        return Feathered.of(sharp, feather / 2);
    }

    /**
     * What a cut takes from the picture that it is by.
     *
     * @param cut with every value fixed
     * @param scale raster pixels for a pixel of the layer that is cut
     */
    static Step.Shades of(Cut cut, Step.Paints cutter, Light light, double scale) {
        return toned(new PictureMatte(cutter, cut.with(), light), cut.tone(), scale);
    }

    /**
     * A matte with another tone.
     *
     * @param tone with every value fixed
     * @param scale raster pixels for a pixel of the layer that it belongs to
     */
    static Step.Shades toned(Step.Shades plain, Cut.Tone tone, double scale) {
        Step.Shades matte = plain;
        if (!tone.leavesValues()) {
            matte = new Toned(matte, tone);
        }
        double spread = tone.spread().at(0, Mix.NUMBER) * scale;
        if (Math.abs(spread) >= LEAST_SPREAD) {
            matte = new Spread(matte, spread);
        }
        return Feathered.of(matte, tone.blur().at(0, Mix.NUMBER) * scale);
    }
}

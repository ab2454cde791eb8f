package aperta.media.svg;

import aperta.core.colour.Colour;
import aperta.core.shot.Paint;
import java.util.ArrayList;
import java.util.List;

/**
 * SVG mixes the colours and the opacities of a gradient's stops apart from one another; here they are mixed as light, colours
 * times opacities. Where both differ, more stops between make one of the other, to within a step of eight bits.
 */
final class Ramps {
    private static final int MOST_PIECES = 8;
    /** Of eight bits. */
    private static final double STEP = 1.0 / 255;

    private Ramps() {}

    private interface Mix {
        Colour of(Colour from, Colour to, double share);
    }

    /** The ramp that looks here as SVG's does from these stops. */
    static List<Paint.At> mixedApart(List<Paint.At> stops) {
        return split(
                stops,
                (a, b, t) -> new Colour(
                        a.red() + (b.red() - a.red()) * t,
                        a.green() + (b.green() - a.green()) * t,
                        a.blue() + (b.blue() - a.blue()) * t,
                        a.alpha() + (b.alpha() - a.alpha()) * t));
    }

    /** The ramp that looks in SVG as ours does from these stops. */
    static List<Paint.At> mixedTogether(List<Paint.At> stops) {
        return split(stops, (a, b, t) -> {
            double alpha = a.alpha() + (b.alpha() - a.alpha()) * t;
            return new Colour(
                    together(a.red(), a.alpha(), b.red(), b.alpha(), t, alpha),
                    together(a.green(), a.alpha(), b.green(), b.alpha(), t, alpha),
                    together(a.blue(), a.alpha(), b.blue(), b.alpha(), t, alpha),
                    alpha);
        });
    }

    private static double together(double a, double alphaA, double b, double alphaB, double t, double alpha) {
        return alpha <= 0 ? a : (a * alphaA * (1 - t) + b * alphaB * t) / alpha;
    }

    private static List<Paint.At> split(List<Paint.At> stops, Mix mix) {
        List<Paint.At> all = new ArrayList<>();
        for (Paint.At next : stops) {
            if (!all.isEmpty()) {
                Paint.At last = all.get(all.size() - 1);
                int pieces = pieces(last.colour(), next.colour());
                for (int i = 1; i < pieces; i++) {
                    double t = i / (double) pieces;
                    all.add(new Paint.At(
                            last.at() + (next.at() - last.at()) * t, mix.of(last.colour(), next.colour(), t)));
                }
            }
            all.add(next);
        }
        return all;
    }

    /** Half way between two stops both ways to mix lie apart by a quarter of the product of the differences. */
    private static int pieces(Colour a, Colour b) {
        double colour = Math.max(
                Math.abs(a.red() - b.red()), Math.max(Math.abs(a.green() - b.green()), Math.abs(a.blue() - b.blue())));
        double apart = colour * Math.abs(a.alpha() - b.alpha()) / 4;
        return (int) Math.min(MOST_PIECES, Math.ceil(Math.sqrt(apart / STEP)));
    }
}

package aperta.core.effect;

import aperta.core.geometry.Point;
import aperta.core.picture.Displacement;
import aperta.core.picture.Picture;
import aperta.core.picture.Region;
import aperta.core.picture.Transfer;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.LayerEffect.Station;
import java.util.List;

/**
 * Each pixel comes from a place beside it that another layer's colours say: {@code P′(x, y) = P(x + sₓ·α·(Cₓ − ½), y + s_y·α·(C_y − ½))},
 * with a channel and a strength for each direction, on values as the display is told them. Over an opaque layer that is {@code
 * feDisplacementMap} (W3C Filter Effects Module Level 1); where the layer is empty nothing moves.
 */
final class DisplaceByMap implements Effect {
    private static final String[] CHANNELS = {"brightness", "red", "green", "blue", "alpha"};

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "displace-by-map",
                "Displace by map",
                "Bends by the colours of another layer.",
                List.of(
                        Parameter.reference("map", "Map", Parameter.Kind.LAYER),
                        Parameter.number("across", "Across", "px", -4000, 4000, 40),
                        Parameter.choice("acrossBy", "Across by", CHANNELS),
                        Parameter.number("down", "Down", "px", -4000, 4000, 40),
                        Parameter.choice("downBy", "Down by", CHANNELS)));
    }

    @Override
    public Purpose purpose() {
        return Purpose.BEND;
    }

    @Override
    public Station station() {
        return Station.BEFORE_MASKS;
    }

    @Override
    public boolean readsBeyond() {
        return true;
    }

    @Override
    public Worked on(Recipe values, Setting setting) {
        Point right = setting.toRaster().applyVector(new Point(values.number("across") * setting.amount(), 0));
        Point below = setting.toRaster().applyVector(new Point(0, values.number("down") * setting.amount()));
        int acrossBy = List.of(CHANNELS).indexOf(values.text("acrossBy"));
        int downBy = List.of(CHANNELS).indexOf(values.text("downBy"));
        Transfer transfer = Transfer.of(setting.light());
        int reach = 2
                + (int) Math.ceil(
                        Math.max(Math.abs(right.x()) + Math.abs(below.x()), Math.abs(right.y()) + Math.abs(below.y()))
                                / 2);
        double[] numbers = Numbers.of(values)
                .and(
                        right.x(),
                        right.y(),
                        below.x(),
                        below.y(),
                        setting.border().ordinal(),
                        setting.light().ordinal())
                .array();
        String map = values.text("map");
        return new Reaching(reach, numbers) {
            @Override
            public boolean moves() {
                return true;
            }

            @Override
            public List<Ask> asks() {
                return map.isEmpty() ? List.of() : List.of(new Ask.Layer(map));
            }

            @Override
            public Picture made(Given g) {
                Picture by = g.others().isEmpty()
                        ? new Picture(Region.NOTHING)
                        : g.others().get(0);
                Displacement.Ways ways = (x, y, count, across, down) -> {
                    for (int i = 0; i < count; i++) {
                        boolean there = by.domain().contains(x + i, y);
                        int at = there ? by.index(x + i, y) : 0;
                        float u = there ? value(by, at, acrossBy, transfer) : 0;
                        float v = there ? value(by, at, downBy, transfer) : 0;
                        across[i] = (float) (u * right.x() + v * below.x());
                        down[i] = (float) (u * right.y() + v * below.y());
                    }
                };
                return Displacement.of(
                        g.input(), 1, g.region(), ways, g.where(), reach - 1f, setting.border(), g.bands());
            }
        };
    }

    /** Alpha times how far a channel is from the middle. */
    private static float value(Picture p, int at, int channel, Transfer transfer) {
        float[][] planes = p.planes();
        float alpha = planes[3][at];
        if (alpha <= 0) {
            return 0;
        }
        float v = switch (channel) {
            case 0 -> luma(planes, at, alpha, transfer);
            case 4 -> alpha;
            default -> transfer.toDisplay(planes[channel - 1][at] / alpha);
        };
        return alpha * (OnColours.clamped(v) - 0.5f);
    }

    private static float luma(float[][] planes, int at, float alpha, Transfer transfer) {
        float sum = 0;
        for (int c = 0; c < 3; c++) {
            sum += OnColours.LUMA[c] * transfer.toDisplay(planes[c][at] / alpha);
        }
        return sum;
    }
}

package aperta.core.proof;

import aperta.core.geometry.Box;
import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.render.Visibility;
import aperta.core.render.Visibility.Share;
import aperta.core.shot.Layer;
import aperta.core.shot.Passage;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What arrives is not seen before it does: on the first frame of an arrival, and while it waits, nothing of the layer shows.
 * Where a layer is revealed by keys of its own, its first frame must not show a sliver. Common practice, no source.
 */
public final class HiddenBefore implements Check {
    /** How much of a layer shows in a pose that is meant to be seen, at least. */
    private static final double MEANT = 0.9;

    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "hidden-before",
                "Hidden before it arrives",
                "Nothing of a layer shows before it arrives.",
                List.of(
                        Parameter.number("seen", "Seen from", "%", 0, 1, 0.005),
                        Parameter.number("sliver", "A sliver up to", "%", 0, 1, 0.12)));
    }

    @Override
    public Watch watch(Recipe recipe) {
        return new Watch() {
            private final Spells<Double> spells = new Spells<>("hidden-before");
            private final Map<String, Start> starts = new LinkedHashMap<>();

            @Override
            public void see(Look look) {
                for (Share s : look.layers()) {
                    if (!s.shows()) {
                        continue;
                    }
                    Layer layer = s.seen().layer();
                    double since = s.seen().frame() - layer.span().offset();
                    boolean waits = layer.arrive().isPresent()
                            && since <= layer.arrive().get().delay();
                    double share = waits || layer.arrive().isEmpty() ? s.share() : 0;
                    if (waits
                            && share > recipe.number("seen")
                            && !isMeant(layer.arrive().get(), share)) {
                        Box box = Visibility.box(s.visible(), look.scale());
                        spells.note(List.of(Look.id(s)), look.frame(), share, share, box);
                    }
                    if (layer.arrive().isEmpty()) {
                        Start start = starts.get(layer.id());
                        boolean sliver = share > recipe.number("seen") && share < recipe.number("sliver");
                        Box box = start == null && sliver ? Visibility.box(s.visible(), look.scale()) : Box.EMPTY;
                        starts.put(
                                layer.id(),
                                start == null
                                        ? new Start(look.frame(), sliver, share, box, share)
                                        : start.grown(share));
                    }
                }
            }

            @Override
            public List<Finding> findings() {
                List<Finding> all =
                        new ArrayList<>(spells.findings(share -> "It shows before it arrives: " + percent(share)
                                + " of it is seen. Hidden would be 0 %; seen on purpose would be a layer that grows, shrinks or"
                                + " turns in its place without a delay."));
                starts.forEach((layer, start) -> {
                    if (start.sliver && start.most > 0.9) {
                        all.add(new Finding(
                                "hidden-before",
                                List.of(layer),
                                start.frame,
                                start.frame,
                                start.box,
                                "It begins with a sliver: " + percent(start.share)
                                        + " of it is seen on its first frame."));
                    }
                });
                return all;
            }
        };
    }

    /**
     * Whoever lets a layer grow, shrink or turn in its place, opaque and at once, means it to be seen: it has nowhere to hide. One that
     * waits in sight, fades or comes from elsewhere is meant to be hidden.
     */
    private static boolean isMeant(Passage arrive, double share) {
        boolean inPlace = arrive.pose().opacity() == 1 && arrive.pose().shift().equals(Point.ORIGIN);
        return arrive.opening().isEmpty() && arrive.delay() == 0 && inPlace && share >= MEANT;
    }

    private record Start(long frame, boolean sliver, double share, Box box, double most) {
        Start grown(double now) {
            return new Start(frame, sliver, share, box, Math.max(most, now));
        }
    }

    static String percent(double share) {
        double p = share * 100;
        return (p < 10 ? Math.round(p * 10) / 10.0 : Math.round(p)) + " %";
    }
}

package aperta.server.frame;

import aperta.core.effect.Effects;
import aperta.core.picture.Bytes;
import aperta.core.render.Plan;
import aperta.core.render.Planner;
import aperta.core.render.RecentCache;
import aperta.core.render.Renderer;
import aperta.core.render.Workers;
import aperta.core.shot.Layer;
import aperta.core.shot.LayerEffect;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import aperta.core.time.Mix;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;

/** Measures what each effect of a layer costs: the time of its picture with it, less that of what comes to it, which is kept. */
final class Costs {
    private static final long KEPT_BYTES = 256L << 20;
    /** The quickest of so many counts: what else the machine does must not. */
    private static final int TIMES = 2;

    private final Planner planner;
    private final Workers workers;

    Costs(Planner planner, Workers workers) {
        this.planner = planner;
        this.workers = workers;
    }

    /** Of one effect, in milliseconds. */
    record Cost(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            String effect,

            @Schema(requiredMode = Schema.RequiredMode.REQUIRED)
            double ms) {}

    /** One at a time, so that they don't measure one another. */
    synchronized List<Cost> of(Shot shot, String id, long frame, double scale) {
        Layer layer = shot.layer(id)
                .orElseThrow(() -> new IllegalArgumentException("There is no layer '" + id + "' in this shot."));
        Moment moment = planner.moment(shot, frame);
        List<Cost> all = new ArrayList<>();
        for (LayerEffect e : layer.effects()) {
            LayerEffect still = moment.of(id).still().effect(e.id());
            boolean works = e.on()
                    && still.amount().at(0, Mix.NUMBER) > 0
                    && Effects.find(e.recipe().kind()).isPresent();
            if (works) {
                double least = Double.MAX_VALUE;
                for (int i = 0; i < TIMES; i++) {
                    least = Math.min(least, once(moment, id, e.id(), scale));
                }
                all.add(new Cost(e.id(), Math.max(0, least)));
            }
        }
        return all;
    }

    private double once(Moment moment, String layer, String effect, double scale) {
        long frame = (long) moment.frame();
        Renderer renderer = new Renderer(new RecentCache(KEPT_BYTES), workers);
        Plan before = planner.plan(moment, layer, effect, false, scale);
        time(renderer, before, frame);
        double without = time(renderer, before, frame);
        return time(renderer, planner.plan(moment, layer, effect, true, scale), frame) - without;
    }

    private static double time(Renderer renderer, Plan plan, long frame) {
        long start = System.nanoTime();
        renderer.show(plan, frame).rgba(Bytes.See.PICTURE);
        return (System.nanoTime() - start) / 1e6;
    }
}

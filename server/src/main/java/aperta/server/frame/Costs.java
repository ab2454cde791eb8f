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
        // What comes to an effect is what the one before it made, and is kept.
        Renderer renderer = new Renderer(new RecentCache(KEPT_BYTES), workers);
        for (LayerEffect e : layer.effects()) {
            LayerEffect still = moment.of(id).still().effect(e.id());
            boolean works = e.on()
                    && still.amount().at(0, Mix.NUMBER) > 0
                    && Effects.find(e.recipe().kind()).isPresent();
            if (works) {
                Plan before = planner.plan(moment, id, e.id(), false, scale);
                time(renderer, before, frame);
                double without = time(renderer, before, frame);
                double with = time(renderer, planner.plan(moment, id, e.id(), true, scale), frame);
                all.add(new Cost(e.id(), Math.max(0, with - without)));
            }
        }
        return all;
    }

    private static double time(Renderer renderer, Plan plan, long frame) {
        long start = System.nanoTime();
        renderer.show(plan, frame).rgba(Bytes.See.PICTURE);
        return (System.nanoTime() - start) / 1e6;
    }
}

package aperta.core.proof;

import aperta.core.picture.Bands;
import aperta.core.render.Planner;
import aperta.core.render.Visibility;
import aperta.core.shot.Moment;
import aperta.core.shot.Shot;
import aperta.core.shot.Shutter;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.LongFunction;

/**
 * The reveal curves of a shot.
 *
 * @param shares the visible share of every layer that shows, for each frame of the shot, 0 to 1; −1 where it doesn't exist
 */
public record Reveal(Map<String, float[]> shares) {
    /** Frames are measured without motion blur. */
    static final Shutter CLOSED = new Shutter(0, 0);

    private record Seen(long frame, Map<String, Float> shares) {}

    /**
     * Measures a whole shot.
     *
     * @param bands the threads that look at frames
     * @param goOn asked every few frames; where it says no, there is no result
     */
    public static Optional<Reveal> of(Shot whole, Planner planning, Bands bands, BooleanSupplier goOn) {
        Planner planner = planning.small();
        Shot shot = whole.withShutter(CLOSED);
        Map<String, float[]> all = new LinkedHashMap<>();
        boolean done = new Lanes<>(() -> lane(shot, planner))
                .look(
                        shot.length(),
                        bands,
                        goOn,
                        seen -> seen.shares.forEach((id, share) ->
                                all.computeIfAbsent(id, k -> nowhere(shot.length()))[(int) seen.frame] = share));
        return done ? Optional.of(new Reveal(all)) : Optional.empty();
    }

    private static LongFunction<Seen> lane(Shot shot, Planner planner) {
        Visibility visibility = new Visibility(planner, Bands.IN_TURN);
        return frame -> {
            Moment moment = planner.moment(shot, frame);
            Map<String, Float> shares = new HashMap<>();
            for (Visibility.Share s : visibility.at(moment).values()) {
                if (s.shows()) {
                    shares.put(Look.id(s), (float) s.share());
                }
            }
            return new Seen(frame, shares);
        };
    }

    private static float[] nowhere(long length) {
        float[] all = new float[Math.toIntExact(length)];
        Arrays.fill(all, -1);
        return all;
    }
}

package aperta.core.proof;

import aperta.core.geometry.Box;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * Runs of frames on which something is wrong with one layer, or with several together, and what was measured at the worst of
 * each.
 *
 * @param <M> what is measured, of which the finding's sentence is made
 */
final class Spells<M> {
    private record Spell<M>(long from, long to, M measured, double worst, Box place) {}

    private final String check;
    private final Map<List<String>, List<Spell<M>>> byLayers = new LinkedHashMap<>();

    Spells(String check) {
        this.check = check;
    }

    /**
     * On a frame after those that were noted before it.
     *
     * @param how bad it is: the larger, the worse
     */
    void note(List<String> layers, long frame, M measured, double how, Box place) {
        List<Spell<M>> spells = byLayers.computeIfAbsent(layers, k -> new ArrayList<>());
        Spell<M> last = spells.isEmpty() ? null : spells.get(spells.size() - 1);
        if (last == null || last.to < frame - 1) {
            spells.add(new Spell<>(frame, frame, measured, how, place));
        } else if (how > last.worst) {
            spells.set(spells.size() - 1, new Spell<>(last.from, frame, measured, how, place));
        } else {
            spells.set(spells.size() - 1, new Spell<>(last.from, frame, last.measured, last.worst, last.place));
        }
    }

    /** @param says the sentence for the worst of a run */
    List<Finding> findings(Function<M, String> says) {
        List<Finding> all = new ArrayList<>();
        byLayers.forEach((layers, spells) -> spells.forEach(
                s -> all.add(new Finding(check, layers, s.from, s.to, s.place, says.apply(s.measured)))));
        return all;
    }
}

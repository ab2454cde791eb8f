package aperta.core.proof;

import aperta.core.geometry.Box;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleFunction;

/** Runs of frames on which something is wrong with a layer, and the worst of each. */
final class Spells {
    private record Spell(long from, long to, double worst, Box place) {}

    private final String check;
    private final Map<String, List<Spell>> byLayer = new LinkedHashMap<>();

    Spells(String check) {
        this.check = check;
    }

    /** On a frame after those that were noted before it; the larger, the worse. */
    void note(String layer, long frame, double how, Box place) {
        List<Spell> spells = byLayer.computeIfAbsent(layer, k -> new ArrayList<>());
        Spell last = spells.isEmpty() ? null : spells.get(spells.size() - 1);
        if (last == null || last.to < frame - 1) {
            spells.add(new Spell(frame, frame, how, place));
        } else {
            boolean worse = how > last.worst;
            spells.set(
                    spells.size() - 1,
                    new Spell(last.from, frame, worse ? how : last.worst, worse ? place : last.place));
        }
    }

    /** @param says the sentence for the worst of a run */
    List<Finding> findings(DoubleFunction<String> says) {
        List<Finding> all = new ArrayList<>();
        byLayer.forEach((layer, spells) ->
                spells.forEach(s -> all.add(new Finding(check, layer, s.from, s.to, s.place, says.apply(s.worst)))));
        return all;
    }
}

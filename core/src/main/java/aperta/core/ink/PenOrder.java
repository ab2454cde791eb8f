package aperta.core.ink;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * The order in which the lines of what hangs together are written: a line that starts on another comes after it, one that ends on another
 * before it; the rest goes from the left. Where these rules go round in a circle the weakest gives way.
 */
final class PenOrder {
    /** Starting on a line says more than ending on it. */
    private static final double STARTS = 0.3;

    private record Before(int first, int then, double sure) {}

    private final List<Pen> pens;
    private final List<Set<Integer>> after = new ArrayList<>();

    private PenOrder(List<Pen> pens) {
        this.pens = pens;
    }

    static List<Pen> of(List<Pen> pens) {
        return new PenOrder(pens).ordered();
    }

    private List<Pen> ordered() {
        List<Before> rules = new ArrayList<>();
        for (int i = 0; i < pens.size(); i++) {
            after.add(new HashSet<>());
            for (int k = 0; k < pens.size(); k++) {
                if (i != k) {
                    addRules(i, k, rules);
                }
            }
        }
        rules.sort(Comparator.comparingDouble(Before::sure).reversed());
        for (Before r : rules) {
            if (!comesAfter(r.first, r.then)) {
                after.get(r.first).add(r.then);
            }
        }
        List<Integer> left = new ArrayList<>();
        for (int i = 0; i < pens.size(); i++) {
            left.add(i);
        }
        left.sort(Comparator.comparing(pens::get, Pen.FROM_LEFT));
        List<Pen> all = new ArrayList<>();
        while (!left.isEmpty()) {
            Integer next = left.stream()
                    .filter(i -> left.stream().noneMatch(k -> after.get(k).contains(i)))
                    .findFirst()
                    .orElseThrow();
            all.add(pens.get(next));
            left.remove(next);
        }
        return all;
    }

    private void addRules(int host, int guest, List<Before> rules) {
        Pen line = pens.get(guest);
        if (line.line().closed()) {
            return;
        }
        double start = line.line().startFree()
                ? -1
                : pens.get(host).shareOf(line.spots().get(0));
        double end = line.line().endFree()
                ? -1
                : pens.get(host).shareOf(line.spots().get(line.spots().size() - 1));
        if (start >= 0) {
            rules.add(new Before(host, guest, start + STARTS));
        }
        if (end >= 0) {
            rules.add(new Before(guest, host, 1 - end));
        }
    }

    /** Whether one comes after another by the rules so far. */
    private boolean comesAfter(int one, int other) {
        return after.get(other).contains(one) || after.get(other).stream().anyMatch(k -> comesAfter(one, k));
    }
}

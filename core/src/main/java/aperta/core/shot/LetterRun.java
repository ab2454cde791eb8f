package aperta.core.shot;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Letters of a text that look different.
 *
 * @param from the first letter, counted from 0 in the whole text, its line breaks too
 * @param to the letter after the last
 * @param look the parts in which they differ
 */
public record LetterRun(String id, int from, int to, LetterLook look) {
    public LetterRun withLook(LetterLook other) {
        return new LetterRun(id, from, to, other);
    }

    /** What people see it called by: its letters, in one line. */
    public String title(String words) {
        return "‘" + words.substring(from, to).replace('\n', ' ').strip() + "’";
    }

    static List<LetterRun> sound(List<LetterRun> runs, String words) {
        int end = 0;
        for (LetterRun run : runs) {
            if (run.from < end || run.to <= run.from || run.to > words.length()) {
                throw new IllegalArgumentException(
                        "Letters that look different lie within the words, in order, none over another; '" + run.id
                                + "' goes from " + run.from + " to " + run.to + ".");
            }
            end = run.to;
        }
        if (runs.stream().map(LetterRun::id).distinct().count() < runs.size()) {
            throw new IllegalArgumentException("Two runs of letters have the same id.");
        }
        return List.copyOf(runs);
    }

    /** What lies between two letters, counted from the first of them. */
    static List<LetterRun> within(List<LetterRun> runs, int from, int to) {
        List<LetterRun> all = new ArrayList<>();
        for (LetterRun run : runs) {
            int first = Math.max(run.from, from);
            int last = Math.min(run.to, to);
            if (first < last) {
                all.add(new LetterRun(run.id, first - from, last - from, run.look));
            }
        }
        return all;
    }

    /**
     * The runs of other words: what is the same at the beginning and at the end of both stays in its run, and what was
     * typed between belongs to the run in which it was typed, or at whose end.
     */
    static List<LetterRun> reworded(List<LetterRun> runs, String was, String now) {
        int least = Math.min(was.length(), now.length());
        int head = 0;
        while (head < least && was.charAt(head) == now.charAt(head)) {
            head++;
        }
        int tail = 0;
        while (tail < least - head && was.charAt(was.length() - 1 - tail) == now.charAt(now.length() - 1 - tail)) {
            tail++;
        }
        Retyped retyped = new Retyped(head, was.length() - tail, now.length() - was.length());
        List<LetterRun> all = new ArrayList<>();
        for (LetterRun run : runs) {
            int from = retyped.from(run.from);
            int to = retyped.to(run.to);
            if (from < to) {
                all.add(new LetterRun(run.id, from, to, run.look));
            }
        }
        return all;
    }

    /** What was typed in place of the letters from {@code start} to {@code end}; {@code longer} by so many. */
    private record Retyped(int start, int end, int longer) {
        int from(int at) {
            if (start == end) {
                return at < start ? at : at + longer;
            }
            return at <= start ? at : Math.max(at, end) + longer;
        }

        int to(int at) {
            if (start == end) {
                return at < start ? at : at + longer;
            }
            return at <= start ? at : at < end ? start : at + longer;
        }
    }

    /**
     * The runs after a change of how letters look. Those that lie only partly within are split; letters in no run get one;
     * neighbours that look alike become one.
     *
     * @param newId the id of a new run by its number
     */
    public static List<LetterRun> changed(List<LetterRun> runs, int from, int to, UnaryOperator<LetterLook> change) {
        List<LetterRun> pieces = new ArrayList<>();
        int at = from;
        for (LetterRun run : runs) {
            if (run.to <= from || run.from >= to) {
                if (run.from >= to && at < to) {
                    pieces.add(new LetterRun("", at, to, change.apply(LetterLook.NOTHING)));
                    at = to;
                }
                pieces.add(run);
                continue;
            }
            if (run.from < from) {
                pieces.add(new LetterRun(run.id, run.from, from, run.look));
            }
            int first = Math.max(run.from, from);
            int last = Math.min(run.to, to);
            if (at < first) {
                pieces.add(new LetterRun("", at, first, change.apply(LetterLook.NOTHING)));
            }
            pieces.add(new LetterRun(run.from < from ? "" : run.id, first, last, change.apply(run.look)));
            at = last;
            if (run.to > to) {
                pieces.add(new LetterRun("", to, run.to, run.look));
            }
        }
        if (at < to) {
            pieces.add(new LetterRun("", at, to, change.apply(LetterLook.NOTHING)));
        }
        return named(joined(pieces), runs);
    }

    private static List<LetterRun> joined(List<LetterRun> pieces) {
        List<LetterRun> all = new ArrayList<>();
        for (LetterRun piece : pieces) {
            if (piece.look.isEmpty()) {
                continue;
            }
            LetterRun last = all.isEmpty() ? null : all.get(all.size() - 1);
            if (last != null && last.to == piece.from && last.look.equals(piece.look)) {
                all.set(
                        all.size() - 1,
                        new LetterRun(last.id.isEmpty() ? piece.id : last.id, last.from, piece.to, last.look));
            } else {
                all.add(piece);
            }
        }
        return all;
    }

    /** New ones get ids that none has had. */
    private static List<LetterRun> named(List<LetterRun> pieces, List<LetterRun> before) {
        List<LetterRun> all = new ArrayList<>();
        int number = 1;
        for (LetterRun piece : pieces) {
            String id = piece.id;
            while (id.isEmpty()) {
                String next = "r" + number++;
                boolean taken = before.stream().anyMatch(r -> r.id.equals(next));
                id = taken ? "" : next;
            }
            all.add(new LetterRun(id, piece.from, piece.to, piece.look));
        }
        return all;
    }
}

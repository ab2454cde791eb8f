package aperta.core.opening;

import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Passage;
import aperta.core.time.Chance;
import aperta.core.time.Signal;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Pieces that go one after another. All have ways of the same length; the last one rests when the passage is over.
 *
 * @param order in which they go, one of {@link #ORDER}'s words
 * @param overlap which share of its way a piece still has to go when the next begins: 0 one after another, 1 all at once
 */
record Stagger(String order, double overlap, long seed) {
    static final Parameter ORDER =
            Parameter.choice("order", "Order", "forward", "backward", "from the middle", "random");
    static final Parameter OVERLAP = Parameter.number("overlap", "Overlap", "%", 0, 1, 0.7);

    /** Of an opening that has {@link #ORDER}, {@link #OVERLAP} and {@link Signal#SEED} among its parameters. */
    static Stagger of(Recipe recipe) {
        return new Stagger(recipe.text("order"), recipe.number("overlap"), (long) recipe.number("seed"));
    }

    /** Where on its way to rest a piece is: 0 in its pose, 1 at rest; eases may go beyond. */
    double share(Passage.Way way, int index, int count) {
        double apart = 1 - overlap;
        double length = way.passage().length() / (1 + last(count) * apart);
        return way.share(rank(index, count) * apart * length, length);
    }

    private int last(int count) {
        return order.equals("from the middle") ? (count - 1) / 2 : count - 1;
    }

    /** How many pieces, or pairs of them from the middle outwards, come before. */
    private int rank(int index, int count) {
        return switch (order) {
            case "backward" -> count - 1 - index;
            case "from the middle" -> Math.abs(2 * index - (count - 1)) / 2;
            case "random" -> shuffled(index, count);
            default -> index;
        };
    }

    private int shuffled(int index, int count) {
        List<Integer> all = IntStream.range(0, count)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> Chance.unit(seed, i, 1)))
                .toList();
        return all.indexOf(index);
    }
}

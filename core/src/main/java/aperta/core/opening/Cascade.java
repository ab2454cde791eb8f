package aperta.core.opening;

import aperta.core.geometry.Point;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import aperta.core.shot.Opened;
import aperta.core.shot.Opener;
import aperta.core.shot.Passage;
import aperta.core.shot.Pose;
import aperta.core.time.Chance;
import aperta.core.time.Signal;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Letters, words, lines, or the layers of a group, one after another. All pieces have ways of the same length; the last
 * one rests when the passage is over.
 */
public final class Cascade implements Opening {
    @Override
    public Descriptor descriptor() {
        return new Descriptor(
                "cascade",
                "Cascade",
                "Letters, words or lines come one after another.",
                List.of(
                        Parameter.choice("by", "By", "letters", "words", "lines"),
                        Parameter.choice("order", "Order", "forward", "backward", "from the middle", "random"),
                        Parameter.number("overlap", "Overlap", "%", 0, 1, 0.7),
                        Parameter.number("x", "From, across", "px", -1e5, 1e5, 0),
                        Parameter.number("y", "From, down", "px", -1e5, 1e5, 80),
                        Parameter.number("turn", "Turned", "°", -3600, 3600, 0),
                        Parameter.number("scale", "Scaled", "%", 0, 100, 1),
                        Parameter.number("blur", "Blurred", "px", 0, 200, 0),
                        Parameter.truth("fade", "Fades", true),
                        Signal.SEED));
    }

    @Override
    public Opened at(Recipe recipe, Passage.Way way, Opener.Subject subject) {
        return new Opened(Pose.REST, List.of(), List.of(), Optional.of(new Row(recipe, way)));
    }

    private record Row(Recipe recipe, Passage.Way way) implements Opened.Pieces {
        @Override
        public Opened.Unit unit() {
            return Opened.Unit.valueOf(recipe.text("by").toUpperCase(Locale.ROOT));
        }

        @Override
        public Pose of(int index, int count) {
            double apart = 1 - recipe.number("overlap");
            double length = way.passage().length() / (1 + last(count) * apart);
            double start = rank(index, count) * apart * length;
            double scale = recipe.number("scale");
            Pose away = new Pose(
                    new Point(recipe.number("x"), recipe.number("y")),
                    new Point(scale, scale),
                    recipe.number("turn"),
                    recipe.truth("fade") ? 0 : 1,
                    recipe.number("blur"),
                    0);
            return away.towardsRest(way.share(start, length));
        }

        private int last(int count) {
            return recipe.text("order").equals("from the middle") ? (count - 1) / 2 : count - 1;
        }

        /** How many pieces, or pairs of them from the middle outwards, come before. */
        private int rank(int index, int count) {
            return switch (recipe.text("order")) {
                case "backward" -> count - 1 - index;
                case "from the middle" -> (Math.abs(2 * index - (count - 1))) / 2;
                case "random" -> shuffled(index, count);
                default -> index;
            };
        }

        private int shuffled(int index, int count) {
            long seed = (long) recipe.number("seed");
            List<Integer> order = IntStream.range(0, count)
                    .boxed()
                    .sorted(Comparator.comparingDouble(i -> Chance.unit(seed, i, 1)))
                    .toList();
            return order.indexOf(index);
        }
    }
}

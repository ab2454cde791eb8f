package aperta.core.time;

import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.recipe.Recipe;
import java.util.List;

/** A kind of motion that is computed, not keyed, and added to a property. */
public interface Signal {
    /** Which numbers of a point a signal moves; single numbers are moved by all but {@code y}. */
    Parameter AXIS = Parameter.choice("axis", "Moves", "both", "x", "y");

    Parameter SEED = Parameter.whole("seed", "Seed", "", 0, 9999, 1);

    Descriptor descriptor();

    /** What is added at a moment. */
    double at(Recipe recipe, Now now);

    /** Every kind there is. */
    static List<Signal> all() {
        return List.of(new Drift(), new Jitter(), new Dice(), new Swing(), new Follow());
    }

    /** @throws IllegalArgumentException where there is no such kind */
    static Signal of(String kind) {
        return all().stream()
                .filter(s -> s.descriptor().kind().equals(kind))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no signal '" + kind + "'."));
    }

    /**
     * The moment that a signal is asked for.
     *
     * @param frame of the layer's own time
     * @param channel 0 for a number and for x, 1 for y
     * @param others what other properties are then
     */
    record Now(double frame, Rate rate, int channel, Others others) {}

    /** Other properties of the shot at the same moment. */
    interface Others {
        /** @param delay in frames: how long ago */
        double value(String layer, String property, int channel, double delay);
    }

    /** All that a list of signals adds to one number of a value. */
    static double sum(List<Recipe> signals, Now now) {
        double sum = 0;
        for (Recipe r : signals) {
            String axis = r.text("axis");
            if (axis.equals("both") || axis.equals(now.channel == 0 ? "x" : "y")) {
                sum += of(r.kind()).at(r, now);
            }
        }
        return sum;
    }

    /** A steady rate. */
    final class Drift implements Signal {
        @Override
        public Descriptor descriptor() {
            return new Descriptor(
                    "drift",
                    "Drift",
                    "Moves at a steady rate.",
                    List.of(Parameter.number("rate", "Rate", "a second", -1e6, 1e6, 10), AXIS));
        }

        @Override
        public double at(Recipe recipe, Now now) {
            return recipe.number("rate") * now.rate.seconds(now.frame);
        }
    }

    /** Smooth random motion within ±amount: a cubic B-spline through random numbers, so that speed and bend never jump. */
    final class Jitter implements Signal {
        @Override
        public Descriptor descriptor() {
            return new Descriptor(
                    "jitter",
                    "Jitter",
                    "Moves smoothly at random.",
                    List.of(
                            Parameter.number("amount", "Amount", "", 0, 1e6, 10),
                            Parameter.number("times", "Times", "a second", 0.01, 120, 2),
                            SEED,
                            AXIS));
        }

        @Override
        public double at(Recipe recipe, Now now) {
            double at = now.rate.seconds(now.frame) * recipe.number("times");
            long i = (long) Math.floor(at);
            double t = at - i;
            double r = 1 - t;
            int seed = (int) recipe.number("seed");
            // The weights of a uniform cubic B-spline.
            double sum = Chance.signed(seed, i - 1, now.channel) * r * r * r
                    + Chance.signed(seed, i, now.channel) * (3 * t * t * t - 6 * t * t + 4)
                    + Chance.signed(seed, i + 1, now.channel) * (3 * r * r * r - 6 * r * r + 4)
                    + Chance.signed(seed, i + 2, now.channel) * t * t * t;
            return recipe.number("amount") * sum / 6;
        }
    }

    /** A new random number every few frames, held until the next. */
    final class Dice implements Signal {
        @Override
        public Descriptor descriptor() {
            return new Descriptor(
                    "dice",
                    "Dice",
                    "Jumps to a random value every few frames.",
                    List.of(
                            Parameter.number("amount", "Amount", "", 0, 1e6, 10),
                            Parameter.whole("every", "Every", "frames", 1, 10_000, 2),
                            SEED,
                            AXIS));
        }

        @Override
        public double at(Recipe recipe, Now now) {
            long throwing = Math.floorDiv((long) Math.floor(now.frame), (long) recipe.number("every"));
            return recipe.number("amount") * Chance.signed((int) recipe.number("seed"), throwing, now.channel);
        }
    }

    /** A sine. */
    final class Swing implements Signal {
        @Override
        public Descriptor descriptor() {
            return new Descriptor(
                    "swing",
                    "Swing",
                    "Moves to and fro.",
                    List.of(
                            Parameter.number("amount", "Amount", "", -1e6, 1e6, 10),
                            Parameter.number("period", "Period", "frames", 1, 1e6, 24),
                            Parameter.number("phase", "Phase", "°", -3600, 3600, 0),
                            AXIS));
        }

        @Override
        public double at(Recipe recipe, Now now) {
            double turn = now.frame / recipe.number("period") + recipe.number("phase") / 360;
            return recipe.number("amount") * StrictMath.sin(2 * Math.PI * (turn - Math.floor(turn)));
        }
    }

    /** Another property. */
    final class Follow implements Signal {
        private static final double MOST_DAMPING = 60;
        /** After so many times the damping less than a hundredth is left. */
        private static final double TIMES = 5;

        @Override
        public Descriptor descriptor() {
            return new Descriptor(
                    "follow",
                    "Follow",
                    "Does what another property does.",
                    List.of(
                            Parameter.reference("layer", "Layer", Parameter.Kind.LAYER),
                            Parameter.reference("property", "Property", Parameter.Kind.PROPERTY),
                            Parameter.choice("part", "Part", "same", "x", "y"),
                            Parameter.number("factor", "Factor", "", -1e6, 1e6, 1),
                            Parameter.number("offset", "Offset", "", -1e6, 1e6, 0),
                            Parameter.number("delay", "Delay", "frames", -10_000, 10_000, 0),
                            Parameter.number("damping", "Damping", "frames", 0, MOST_DAMPING, 0),
                            AXIS));
        }

        @Override
        public double at(Recipe recipe, Now now) {
            String part = recipe.text("part");
            int channel = part.equals("same") ? now.channel : part.equals("x") ? 0 : 1;
            return recipe.number("factor") * damped(recipe, now, channel) + recipe.number("offset");
        }

        /** The mean of what it was, weighed down by e every so many frames that it is past. */
        private static double damped(Recipe recipe, Now now, int channel) {
            double damping = recipe.number("damping");
            double delay = recipe.number("delay");
            double sum = value(recipe, now, channel, delay);
            if (damping == 0) {
                return sum;
            }
            double fall = StrictMath.exp(-1 / damping);
            double weight = 1;
            double whole = 1;
            for (int k = 1; k <= Math.ceil(TIMES * damping); k++) {
                weight *= fall;
                whole += weight;
                sum += weight * value(recipe, now, channel, delay + k);
            }
            return sum / whole;
        }

        private static double value(Recipe recipe, Now now, int channel, double delay) {
            return now.others.value(recipe.text("layer"), recipe.text("property"), channel, delay);
        }
    }
}

package aperta.core.render;

import aperta.core.picture.Region;
import java.util.Optional;
import java.util.function.Supplier;

/** Keeps results of steps, so that an unchanged step isn't made again. Safe for use by several threads. */
public interface Cache {
    /** Keeps nothing. */
    Cache NONE = new Cache() {
        @Override
        public <T> Optional<T> find(Step.Made<T> step, Region needed) {
            return Optional.empty();
        }

        @Override
        public <T> T make(Step.Made<T> step, Region needed, Supplier<T> making) {
            return making.get();
        }
    };

    /** What is kept of a step, where it covers all that is needed; it may cover more. */
    <T> Optional<T> find(Step.Made<T> step, Region needed);

    /** What is kept of a step, or what is made now; who asks while another makes it may be given the other's. */
    <T> T make(Step.Made<T> step, Region needed, Supplier<T> making);
}

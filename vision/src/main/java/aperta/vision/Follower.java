package aperta.vision;

import aperta.core.geometry.Point;
import java.util.List;

/** Follows some marks from one frame to the next, from the frame on which they were set. */
interface Follower {
    /**
     * Where marks were found, in pixels of the film.
     *
     * @param sure 1 where they look as they did but for brightness and contrast, 0 or less not at all
     */
    record Look(List<Point> at, double sure) {}

    /**
     * Looks for the marks on a frame.
     *
     * @param expected where they should be, by their motion so far
     * @param wider how many frames they haven't been seen for; they are looked for the farther away
     */
    Look look(long frame, List<Point> expected, int wider);
}

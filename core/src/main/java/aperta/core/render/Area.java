package aperta.core.render;

import aperta.core.shot.Moment;
import java.util.List;
import java.util.Optional;

/**
 * What a layer covers at a moment, step by step.
 *
 * @param shows whether it shows by itself, rather than only cutting others
 * @param own all of it, without masks, cuts and opacity
 * @param uncut with its masks and its opacity, before its own cut
 * @param finished as it is laid on those below
 * @param inside the layers of a group, from the top
 */
record Area(
        Moment.Seen seen,
        boolean shows,
        Optional<Step.Paints> own,
        Optional<Step.Paints> uncut,
        Optional<Step.Paints> finished,
        List<Area> inside) {}

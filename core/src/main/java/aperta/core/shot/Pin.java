package aperta.core.shot;

import aperta.core.recipe.Recipe;
import java.util.Optional;

/**
 * That something goes with what is marked in a clip.
 *
 * @param layer the id of the layer that shows the clip
 * @param track the id of the track
 */
public record Pin(String layer, String track) {
    /** The marks that a signal follows, where it follows some. */
    public static Optional<Pin> followed(Recipe signal) {
        if (!signal.kind().equals("follow") || !signal.text("property").startsWith(Track.FOLLOWED)) {
            return Optional.empty();
        }
        String name = signal.text("property");
        return Optional.of(
                new Pin(signal.text("layer"), name.substring(Track.FOLLOWED.length(), name.lastIndexOf('.'))));
    }

    public Pin withLayer(String other) {
        return new Pin(other, track);
    }
}

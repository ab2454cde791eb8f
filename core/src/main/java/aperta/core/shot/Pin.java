package aperta.core.shot;

/**
 * That something goes with what is marked in a clip.
 *
 * @param layer the id of the layer that shows the clip
 * @param track the id of the track
 */
public record Pin(String layer, String track) {
    public Pin withLayer(String other) {
        return new Pin(other, track);
    }
}

package aperta.core.shot;

/**
 * What a layer is cut by.
 *
 * @param by the id of the cutting layer, anywhere in the shot
 * @param with its shape (alpha) or its brightness (BT.709 luma of the display-encoded picture on black)
 * @param keep what stays: what lies inside the cutter or outside
 */
public record Cut(String by, With with, Keep keep) {
    public enum With {
        SHAPE,
        BRIGHTNESS
    }

    public enum Keep {
        INSIDE,
        OUTSIDE
    }
}

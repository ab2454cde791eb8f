package aperta.core.shot;

/** What a layer does with what lies below it in its group: Porter and Duff 1984. */
public enum Join {
    /** Lies over it: <em>over</em>. */
    OVER,
    /** Shows only where there is something below, also when more is added there: <em>atop</em>. */
    STAY_INSIDE,
    /** Leaves of it only what lies inside the layer, which doesn't show by itself: <em>in</em>. */
    KEEP_BELOW,
    /** Leaves of it only what lies outside the layer, which doesn't show by itself: <em>out</em>. */
    KNOCK_OUT_BELOW
}

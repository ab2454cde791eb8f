package aperta.core.shot;

/** The sixteen blend modes of W3C Compositing and Blending Level 1, its {@code plus-lighter} operator, and subtraction. */
public enum BlendMode {
    NORMAL,
    MULTIPLY,
    SCREEN,
    OVERLAY,
    DARKEN,
    LIGHTEN,
    COLOR_DODGE,
    COLOR_BURN,
    HARD_LIGHT,
    SOFT_LIGHT,
    DIFFERENCE,
    EXCLUSION,
    HUE,
    SATURATION,
    COLOR,
    LUMINOSITY,
    PLUS_LIGHTER,
    /** What lies above is taken away from what lies below, channel by channel: max(0, below − above). */
    SUBTRACT
}

package aperta.core.shot;

/** In which numbers the layers of a shot are laid on one another. */
public enum Light {
    /** The display-encoded values themselves, as W3C Compositing and Blending does. */
    DISPLAY,
    /** Amounts of light, by the curve of IEC 61966-2-1 (sRGB). */
    LINEAR_SRGB,
    /** Amounts of light, by the curve of ITU-R BT.709-6, item 1.2. */
    LINEAR_BT709
}

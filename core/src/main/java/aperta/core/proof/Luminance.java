package aperta.core.proof;

import aperta.core.picture.Transfer;
import aperta.core.shot.Format;
import aperta.core.shot.Light;

/** Relative luminance as WCAG 2.2 defines it: sRGB made linear, weighed 0.2126, 0.7152, 0.0722. */
final class Luminance {
    private static final Transfer SRGB = Transfer.of(Light.LINEAR_SRGB);

    private final Transfer transfer;

    /** @param format of the shot whose pictures are measured */
    Luminance(Format format) {
        this.transfer = Transfer.of(format.light());
    }

    /** Of a premultiplied colour on black. */
    double of(double... rgb) {
        return 0.2126 * linear(rgb[0]) + 0.7152 * linear(rgb[1]) + 0.0722 * linear(rgb[2]);
    }

    private double linear(double v) {
        return SRGB.toLight(Math.min(1, Math.max(0, transfer.toDisplay((float) v))));
    }

    /** (L1 + 0.05) / (L2 + 0.05), the lighter over the darker: 1 to 21. */
    static double contrast(double a, double b) {
        return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    }
}

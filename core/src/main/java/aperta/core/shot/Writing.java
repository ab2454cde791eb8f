package aperta.core.shot;

import aperta.core.time.Ease;

/**
 * How far a layer has been written, and how its pen moves.
 *
 * @param share of the whole time, from 0 before the first stroke to 1 behind the last
 * @param soft how far behind the pen what is written becomes full, in the layer's pixels
 * @param bends whether the pen slows in bends
 * @param each the ease of each stroke
 * @param betweenStrokes how long the pen is lifted between strokes: as long as it takes for so many pixels; the same between letters,
 *     and between words
 */
public record Writing(
        double share,
        double soft,
        boolean bends,
        Ease each,
        double betweenStrokes,
        double betweenLetters,
        double betweenWords) {}

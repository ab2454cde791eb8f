package aperta.core.texture;

import aperta.core.picture.Picture;

/** A texture with its numbers on a raster; it holds no pixels and may be used by many threads. */
public interface Pattern {
    /** All that it is made from. */
    double[] numbers();

    /** Writes every pixel of a picture, premultiplied, in the light of the shot. */
    void paint(Picture into);
}

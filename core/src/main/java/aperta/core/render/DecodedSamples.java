package aperta.core.render;

import aperta.core.picture.Pixels;

/**
 * Decoded samples that are to be seen as they are: the pixel (x, y) of the raster is the pixel (x + dx, y + dy) of the
 * frame.
 */
record DecodedSamples(Pixels pixels, int dx, int dy) {}

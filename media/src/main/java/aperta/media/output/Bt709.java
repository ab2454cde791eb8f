package aperta.media.output;

/** From red, green and blue to Y′CbCr of ITU-R BT.709, in ffmpeg's words. */
final class Bt709 {
    /** The filter says of its frames what they are, since some encoders (ProRes) ask the frames, not the options. */
    static final String FILTER = "scale=out_color_matrix=bt709:out_range=tv:flags=accurate_rnd+full_chroma_int,"
            + "setparams=range=tv:color_primaries=bt709:color_trc=bt709:colorspace=bt709";

    private Bt709() {}
}

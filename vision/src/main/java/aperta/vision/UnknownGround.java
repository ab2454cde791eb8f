package aperta.vision;

/**
 * What a pixel says where it isn't known what is behind the figure, since the figure never uncovers it or the camera hardly
 * shows it: the colours of the figure there, and those it is made of, against those around it.
 */
final class UnknownGround {
    /** Colours are told apart less surely than from a plate: how many times wider they are. */
    private static final double WIDER = 3;
    /** How much less likely a colour is elsewhere than where it was before. */
    private static final double ELSEWHERE = 3;
    /** A colour that neither had is as unlikely as this for both. */
    private static final double NOVEL = 20;
    /** What a pixel may say at most. */
    private static final double MOST = 1.5;

    private final Colours picture;
    private final Shape expected;
    private final double[] figure;
    private double[] ground;
    private final double width;

    /** @param figure how unlikely each pixel is for the figure's palette */
    UnknownGround(Colours picture, Shape expected, double[] figure) {
        this.picture = picture;
        this.expected = expected;
        this.figure = figure;
        double wide = 0;
        for (double noise : Evidence.NOISE) {
            wide += 2 * Math.log(WIDER * noise);
        }
        this.width = wide;
    }

    /** The logarithm of the odds that a pixel is the figure's. */
    float odds(int i) {
        if (ground == null) {
            ground = expected.ground().unlikely(picture);
        }
        double own = Math.min(far(expected.own(), i), ELSEWHERE + figure[i] - width);
        double around = Math.min(far(expected.around(), i), ELSEWHERE + ground[i] - width);
        double l = 0.5 * (Math.min(NOVEL, around) - Math.min(NOVEL, own));
        return (float) Math.max(-MOST, Math.min(MOST, l));
    }

    private double far(Colours other, int i) {
        double rare = 1;
        for (int c = 0; c < 3; c++) {
            double difference = picture.channels()[c][i] - other.channels()[c][i];
            rare *= Evidence.rare(difference, WIDER * Evidence.NOISE[c]);
        }
        return Evidence.far(rare);
    }
}

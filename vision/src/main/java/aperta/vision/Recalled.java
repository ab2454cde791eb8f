package aperta.vision;

/**
 * A figure as it was on earlier frames on which it looked as it does now.
 *
 * @param coverage of the figure, laid where it is now
 * @param clear how clearly each pixel could be told then, 0 to 1
 * @param own the figure's colours then
 */
record Recalled(Plane coverage, Plane clear, Colours own) {
    /** What is covered by more than this may have the colours of then. */
    private static final float COVERED = 0.5f;

    boolean covers(int i) {
        return coverage.value()[i] > COVERED;
    }

    /**
     * What is remembered of a figure, and in place of it what was clear then where nothing is clear now.
     *
     * @param now how clearly each pixel can be told now, 0 to 1
     */
    Plane filledInto(Plane remembered, Plane now) {
        Plane to = new Plane(remembered.width(), remembered.height());
        for (int i = 0; i < to.value().length; i++) {
            float share = clear.value()[i] * (1 - now.value()[i]);
            to.value()[i] = remembered.value()[i]
                    + share * (coverage.value()[i] - remembered.value()[i]);
        }
        return to;
    }
}

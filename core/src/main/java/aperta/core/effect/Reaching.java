package aperta.core.effect;

import aperta.core.picture.Region;

/** An effect that reads up to some pixels away from each pixel, in every direction. */
abstract class Reaching implements Worked.Around {
    private final int reach;
    private final double[] numbers;

    /** @param reach in pixels of the raster */
    Reaching(int reach, double[] numbers) {
        this.reach = reach;
        this.numbers = numbers;
    }

    @Override
    public double[] numbers() {
        return numbers;
    }

    @Override
    public Region domain(Region input) {
        return input.grown(reach);
    }

    @Override
    public Region needs(Region wanted) {
        return wanted.grown(reach);
    }
}

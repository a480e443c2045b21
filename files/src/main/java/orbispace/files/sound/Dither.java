package orbispace.files.sound;

import java.util.SplittableRandom;

/** What is added to a sample before it is rounded. */
@FunctionalInterface
interface Dither {
    /** Nothing. */
    Dither NONE = x -> x;

    /** The sample as it is to be rounded. */
    double of(float x);

    /**
     * Triangular noise of one step to either side (Lipshitz, Wannamaker and Vanderkooy 1992), so
     * that the error of rounding is noise whatever the sound; digital silence is left alone.
     *
     * @param seed the same noise for the same seed
     * @param fullScale steps from 0 to full scale
     */
    static Dither triangular(long seed, int fullScale) {
        SplittableRandom random = new SplittableRandom(seed);
        return x -> {
            if (x == 0) {
                return 0;
            }
            double up = random.nextDouble();
            double down = random.nextDouble();
            return x + (up - down) / fullScale;
        };
    }
}

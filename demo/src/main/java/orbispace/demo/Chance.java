package orbispace.demo;

import java.util.SplittableRandom;

/** Seeded chance: one generator per instrument, so that editing one leaves the others unchanged. */
final class Chance {
    private static final double CLIP = 2.5;

    private final SplittableRandom random;

    Chance(long seed) {
        random = new SplittableRandom(seed);
    }

    /** Gaussian with a deviation, cut at 2.5 deviations. */
    double gaussian(double deviation) {
        return deviation * Math.clamp(random.nextGaussian(), -CLIP, CLIP);
    }

    double uniform(double from, double to) {
        return from + (to - from) * random.nextDouble();
    }

    /** White Gaussian noise of unit deviation. */
    float[] white(int frames) {
        float[] x = new float[frames];
        for (int i = 0; i < frames; i++) {
            x[i] = (float) random.nextGaussian();
        }
        return x;
    }

    /**
     * Gaussian knots at a rate, joined by half-cosines, as a function of seconds up to a length.
     */
    Wander wander(double hz, double seconds) {
        double[] knots = new double[(int) Math.ceil(seconds * hz) + 3];
        for (int i = 0; i < knots.length; i++) {
            knots[i] = random.nextGaussian();
        }
        return new Wander(knots, hz);
    }

    /** A slow random line. */
    static final class Wander {
        private final double[] knots;
        private final double hz;

        private Wander(double[] knots, double hz) {
            this.knots = knots;
            this.hz = hz;
        }

        double at(double seconds) {
            double x = Math.clamp(seconds * hz, 0, knots.length - 2.0);
            int i = (int) x;
            double share = 0.5 - 0.5 * Math.cos(Math.PI * (x - i));
            return knots[i] + share * (knots[i + 1] - knots[i]);
        }
    }
}

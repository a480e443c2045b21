package orbispace.core.signal;

/**
 * A memoryless soft curve: odd, smooth, of slope 1 at rest and level 1 at most (the rational
 * approximation of the hyperbolic tangent x (27 + x^2) / (27 + 9 x^2), flat from 3 on).
 */
public final class SoftCurve {
    private static final float MOST_GAIN = 3;

    private SoftCurve() {}

    /** The curve. */
    public static float of(float x) {
        float c = Math.max(-3, Math.min(3, x));
        float square = c * c;
        return c * (27 + square) / (27 + 9 * square);
    }

    /** Bends the first {@code n} samples. */
    public static void of(float[] samples, int n) {
        for (int k = 0; k < n; k++) {
            samples[k] = of(samples[k]);
        }
    }

    /** The curve at an amount from 0, which leaves the sound alone, to 1; slope 1 at rest. */
    public static float bend(float x, float amount) {
        if (amount <= 0) {
            return x;
        }
        float gain = MOST_GAIN * amount;
        return of(gain * x) / gain;
    }
}

package orbispace.app.listen;

/**
 * Guards the ears: starts 20 dB down and opens within two seconds, and never lets a sample over -1
 * dBFS.
 */
final class Limiter {
    private static final float CEILING = 0.891f;
    private static final float START_GAIN = 0.1f;

    private final float openPerFrame;
    private final float releasePerFrame;
    private float opening = START_GAIN;
    private float reduction = 1;

    Limiter(double sampleRateHz) {
        openPerFrame = (float) ((1 - START_GAIN) / (2 * sampleRateHz));
        releasePerFrame = (float) (1 / (0.2 * sampleRateHz));
    }

    /** Starts quiet again. */
    void restart() {
        opening = START_GAIN;
        reduction = 1;
    }

    void process(float[] left, float[] right, int n) {
        for (int i = 0; i < n; i++) {
            opening = Math.min(1, opening + openPerFrame);
            float l = opening * left[i];
            float r = opening * right[i];
            float peak = Math.max(Math.abs(l), Math.abs(r));
            reduction += (1 - reduction) * releasePerFrame;
            if (peak * reduction > CEILING) {
                reduction = CEILING / peak;
            }
            left[i] = l * reduction;
            right[i] = r * reduction;
        }
    }
}

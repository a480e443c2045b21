package orbispace.core.dynamics;

import orbispace.core.signal.Biquad;
import org.jspecify.annotations.Nullable;

/**
 * A gain that works on one band of a sound: what the band loses is subtracted, so a gain of one
 * leaves every sample as it is. From one band to another, or to everything, it glides.
 */
final class BandGain {
    private static final float GLIDE_FRAMES = 512;

    private final double[] left = new double[2];
    private final double[] right = new double[2];
    private Biquad section = Biquad.IDENTITY;
    private float share;
    private float target;
    private boolean begun;

    /** Takes a section that passes the band; null for everything. */
    void apply(@Nullable Biquad given) {
        if (given != null) {
            section = given;
        }
        target = given == null ? 0 : 1;
        if (!begun) {
            share = target;
            begun = true;
        }
    }

    /** Whether there is no band, and none that is still left gliding. */
    boolean isEverything() {
        return share == 0 && target == 0;
    }

    /** Lays gains over frames of both channels. */
    void process(float[] gains, float[] leftSound, float[] rightSound, int at, int n) {
        float from = share;
        float step = (target > from ? 1 : -1) / GLIDE_FRAMES;
        work(gains, leftSound, left, at, n, from, step);
        work(gains, rightSound, right, at, n, from, step);
        share = from == target ? target : glided(from + n * step, step);
    }

    private float glided(float value, float step) {
        return step > 0 ? Math.min(target, value) : Math.max(target, value);
    }

    private void work(
            float[] gains, float[] sound, double[] state, int at, int n, float from, float step) {
        double b0 = section.b0();
        double b1 = section.b1();
        double b2 = section.b2();
        double a1 = section.a1();
        double a2 = section.a2();
        double s1 = state[0];
        double s2 = state[1];
        boolean still = from == target;
        for (int k = 0; k < n; k++) {
            double x = sound[at + k];
            double band = b0 * x + s1;
            s1 = b1 * x - a1 * band + s2;
            s2 = b2 * x - a2 * band;
            double part = still ? from : glided(from + k * step, step);
            sound[at + k] = (float) (x - (1 - gains[k]) * (x + part * (band - x)));
        }
        // A tail that has died away costs nothing and stays exactly silent.
        state[0] = Math.abs(s1) < 1e-20 ? 0 : s1;
        state[1] = Math.abs(s2) < 1e-20 ? 0 : s2;
    }

    /** Forgets the sound before. */
    void reset() {
        java.util.Arrays.fill(left, 0);
        java.util.Arrays.fill(right, 0);
        share = target;
    }
}

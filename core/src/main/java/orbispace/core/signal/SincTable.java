package orbispace.core.signal;

import java.util.Arrays;

/**
 * Interpolation between samples by a windowed sine cardinal of {@link #TAPS} taps (Kaiser, beta 7):
 * within 0.01 dB to three quarters of half the sample rate, whatever the fraction, where
 * third-order polynomials lose 1 dB.
 */
public final class SincTable {
    /** Samples that each value is made of: half before it, half after. */
    public static final int TAPS = 24;

    private static final int PHASES = 512;
    private static final double BETA = 7;
    private static final float[] TABLE = table();

    private SincTable() {}

    private static float[] table() {
        float[] table = new float[(PHASES + 1) * TAPS];
        for (int p = 0; p <= PHASES; p++) {
            double[] taps = new double[TAPS];
            double sum = 0;
            for (int k = 0; k < TAPS; k++) {
                double x = k - (TAPS / 2 - 1) - p / (double) PHASES;
                double edge = Math.max(0, 1 - Math.pow(2 * x / TAPS, 2));
                double window = Bessel.i0(BETA * Math.sqrt(edge)) / Bessel.i0(BETA);
                taps[k] = window * (x == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x));
                sum += taps[k];
            }
            for (int k = 0; k < TAPS; k++) {
                table[p * TAPS + k] = (float) (taps[k] / sum);
            }
        }
        return table;
    }

    /**
     * The value between two samples of a ring.
     *
     * @param ring of a length of a power of two
     * @param at the sample before it; half the taps less one before it and half after are read
     * @param fraction 0 to 1, of the way to the next
     */
    public static float between(float[] ring, int at, float fraction) {
        int mask = ring.length - 1;
        float place = fraction * PHASES;
        int phase = Math.min(PHASES - 1, (int) place);
        float share = place - phase;
        int row = phase * TAPS;
        float low = 0;
        float high = 0;
        for (int k = 0; k < TAPS; k++) {
            float x = ring[(at + k - (TAPS / 2 - 1)) & mask];
            low += TABLE[row + k] * x;
            high += TABLE[row + TAPS + k] * x;
        }
        return low + share * (high - low);
    }

    /**
     * The values between samples, all the same way to the next, as {@link #between} gives them one
     * by one.
     *
     * @param samples half the taps less one before the first, and on to half after the last
     * @param fraction 0 to 1, of the way to the next
     * @param work takes the values in {@link Row#low}
     * @param n how many
     */
    static void row(float[] samples, float fraction, Row work, int n) {
        float place = fraction * PHASES;
        int phase = Math.min(PHASES - 1, (int) place);
        float share = place - phase;
        int row = phase * TAPS;
        Arrays.fill(work.low, 0, n, 0);
        Arrays.fill(work.high, 0, n, 0);
        for (int k = 0; k < TAPS; k++) {
            System.arraycopy(samples, k, work.shifted, 0, n);
            addTap(work, TABLE[row + k], TABLE[row + TAPS + k], n);
        }
        for (int i = 0; i < n; i++) {
            work.low[i] += share * (work.high[i] - work.low[i]);
        }
    }

    /** All arrays of a loop are read at one index; otherwise it would not be made parallel. */
    private static void addTap(Row work, float low, float high, int n) {
        float[] x = work.shifted;
        float[] a = work.low;
        float[] b = work.high;
        for (int i = 0; i < n; i++) {
            a[i] += low * x[i];
            b[i] += high * x[i];
        }
    }

    /** Memory in which a row of values is worked out. */
    static final class Row {
        final float[] low;
        private final float[] high;
        private final float[] shifted;

        Row(int most) {
            low = new float[most];
            high = new float[most];
            shifted = new float[most];
        }
    }
}

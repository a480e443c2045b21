package orbispace.core.signal;

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
}

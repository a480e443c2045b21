package orbispace.core.signal;

/** Takes a constant away: a high-pass of the first order at 8 Hz (0.14 dB at 45 Hz). */
public final class DcBlock {
    private static final double CORNER_HZ = 8;
    private static final double SILENT = 1e-30;

    /** Adding and taking it away again makes what is under 1e-19 exactly zero. */
    private static final double SILENCING = 1e-3;

    private final double keeps;
    private double constant;

    /** At rest. */
    public DcBlock(double sampleRateHz) {
        keeps = 1 - Math.exp(-2 * Math.PI * CORNER_HZ / sampleRateHz);
    }

    /**
     * Works on {@code n} samples from {@code at} on, and puts them at the front of another array.
     */
    public void process(float[] samples, float[] into, int at, int n) {
        double c = constant;
        for (int k = 0; k < n; k++) {
            double x = samples[at + k];
            c += keeps * (x - c);
            into[k] = (float) (x - c + SILENCING - SILENCING);
        }
        constant = Math.abs(c) < SILENT ? 0 : c;
    }

    /** Forgets all sound. */
    public void reset() {
        constant = 0;
    }
}

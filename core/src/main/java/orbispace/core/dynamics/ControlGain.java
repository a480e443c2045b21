package orbispace.core.dynamics;

/**
 * A gain that is computed once per {@link KeyPeaks#STEP} frames and joined by straight lines, so it
 * reaches the sound one step late (0.3 ms at 48 kHz).
 */
abstract class ControlGain {
    private static final int STEP = KeyPeaks.STEP;

    private int phase;
    private float gain;
    private float slope;
    private final float rest;

    ControlGain(float rest) {
        this.rest = rest;
        gain = rest;
    }

    /** The amplitude factor to reach, one step further on, for the key's peak in that step. */
    abstract double next(float peak);

    /**
     * Works on frames {@code from} to before {@code to} of both channels.
     *
     * @param peaks of the key
     * @param first index of the peak of the first step that ends within these frames
     */
    public final void process(
            float[] peaks, int first, float[] left, float[] right, int from, int to) {
        int step = first;
        int at = from;
        while (at < to) {
            int end = Math.min(to, at + STEP - phase);
            float g = gain;
            float d = slope;
            for (int i = at; i < end; i++) {
                g += d;
                left[i] *= g;
                right[i] *= g;
            }
            gain = g;
            phase += end - at;
            at = end;
            if (phase == STEP) {
                phase = 0;
                turn(peaks[step++]);
            }
        }
    }

    /** True if it lets everything pass and nothing makes it do otherwise. */
    public final boolean idle() {
        return gain == 1 && slope == 0 && off();
    }

    /** Whether no settings are in force. */
    abstract boolean off();

    private void turn(float peak) {
        double target = next(peak);
        slope = (float) ((target - gain) / STEP);
        if (Math.abs(target - gain) < 1e-7) {
            gain = (float) target;
            slope = 0;
        }
    }

    /** Goes back to rest. */
    final void rest() {
        phase = 0;
        gain = rest;
        slope = 0;
    }
}

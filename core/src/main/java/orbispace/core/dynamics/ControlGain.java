package orbispace.core.dynamics;

/**
 * A gain that is computed once per {@link KeyPeaks#STEP} frames and joined by straight lines, so it
 * reaches the sound one step late (0.3 ms at 48 kHz).
 */
abstract class ControlGain {
    private static final int STEP = KeyPeaks.STEP;
    static final int PART = 256;

    /** The gain of each of the next frames. */
    final float[] gains = new float[PART];

    private final float[] sound = new float[PART];
    private int phase;
    private float gain;
    private float slope;
    private final float rest;

    ControlGain(float rest) {
        this.rest = rest;
        gain = rest;
    }

    /** The amplitude factor to reach, one step further on, for the key's level in that step. */
    abstract double next(float levelDb);

    /**
     * Works on frames {@code from} to before {@code to} of both channels.
     *
     * @param peaks of the key in dBFS
     * @param first index of the peak of the first step that ends within these frames
     */
    public final void process(
            float[] peaks, int first, float[] left, float[] right, int from, int to) {
        int step = first;
        for (int at = from; at < to; at += PART) {
            int n = Math.min(PART, to - at);
            step = fill(peaks, step, n);
            work(left, right, at, n);
        }
    }

    /** Lays {@link #gains} over the next frames. */
    void work(float[] left, float[] right, int at, int n) {
        if (isClosed(n)) {
            java.util.Arrays.fill(left, at, at + n, 0);
            java.util.Arrays.fill(right, at, at + n, 0);
        } else if (!even(n)) {
            multiply(left, at, n);
            multiply(right, at, n);
        }
    }

    /**
     * The gains of a whole song at once, for those who use one gate's gains more than once: the
     * gain at the beginning of each step and, last, at the end; between them it runs straight. Goes
     * on from the state it is in, which must be the beginning of a step.
     *
     * @param peaks of the key in dBFS, one per step
     * @param steps how many
     */
    public final float[] curve(float[] peaks, int steps) {
        float[] curve = new float[steps + 1];
        for (int s = 0; s < steps; s++) {
            curve[s] = gain;
            gain += STEP * slope;
            turn(peaks[s]);
        }
        curve[steps] = gain;
        return curve;
    }

    /** Works out the gain of each of the next frames. */
    private int fill(float[] peaks, int first, int n) {
        int step = first;
        int at = 0;
        while (at < n) {
            int end = Math.min(n, at + STEP - phase);
            float g = gain;
            for (int k = at; k < end; k++) {
                g += slope;
                gains[k] = g;
            }
            gain = g;
            phase += end - at;
            at = end;
            if (phase == STEP) {
                phase = 0;
                turn(peaks[step++]);
            }
        }
        return step;
    }

    private boolean isClosed(int n) {
        for (int k = 0; k < n; k++) {
            if (gains[k] != 0) {
                return false;
            }
        }
        return true;
    }

    /** Whether all of the next frames pass as they are. */
    private boolean even(int n) {
        for (int k = 0; k < n; k++) {
            if (gains[k] != 1) {
                return false;
            }
        }
        return true;
    }

    /** All arrays of the loop are read at one index; otherwise it would not be made parallel. */
    private void multiply(float[] x, int at, int n) {
        System.arraycopy(x, at, sound, 0, n);
        for (int k = 0; k < n; k++) {
            sound[k] *= gains[k];
        }
        System.arraycopy(sound, 0, x, at, n);
    }

    /** True if it lets everything pass and nothing makes it do otherwise. */
    public final boolean idle() {
        return gain == 1 && slope == 0 && off();
    }

    /** Whether no settings are in force. */
    abstract boolean off();

    private void turn(float levelDb) {
        double target = next(levelDb);
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

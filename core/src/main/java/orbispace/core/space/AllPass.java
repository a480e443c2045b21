package orbispace.core.space;

/** A Schroeder all-pass of a fixed whole delay, in blocks that are shorter than the delay. */
final class AllPass {
    /** The longest block. */
    static final int MOST_FRAMES = 64;

    private static final float SILENCING = 1e-6f;

    // All arrays of a loop are read at one index; otherwise it is not made parallel.
    private final float[] delayed = new float[MOST_FRAMES];
    private final float[] stored = new float[MOST_FRAMES];

    private final float[] ring;
    private final float coefficient;
    private int at;

    AllPass(int frames, float coefficient) {
        ring = new float[frames];
        this.coefficient = coefficient;
    }

    /** Works on the first {@code n} samples, at most {@link #MOST_FRAMES}. */
    void process(float[] samples, int n) {
        int done = 0;
        while (done < n) {
            int m = Math.min(n - done, ring.length - at);
            System.arraycopy(ring, at, delayed, done, m);
            // A line shorter than the block is gone through more than once.
            run(samples, done, done + m);
            System.arraycopy(stored, done, ring, at, m);
            done += m;
            at = at + m == ring.length ? 0 : at + m;
        }
    }

    private void run(float[] samples, int from, int to) {
        float[] d = delayed;
        float[] s = stored;
        float c = coefficient;
        for (int k = from; k < to; k++) {
            // Adding and taking away a small number makes what is far smaller exactly zero.
            float in = (samples[k] + c * d[k] + SILENCING) - SILENCING;
            samples[k] = d[k] - c * in;
            s[k] = in;
        }
    }

    void reset() {
        java.util.Arrays.fill(ring, 0);
        at = 0;
    }
}

package orbispace.core.space;

/** A Schroeder all-pass of a fixed whole delay. */
final class AllPass {
    private static final float SILENT = 1e-12f;

    private final float[] ring;
    private final float coefficient;
    private int at;

    AllPass(int frames, float coefficient) {
        ring = new float[frames];
        this.coefficient = coefficient;
    }

    void process(float[] samples, int from, int to) {
        int i = at;
        for (int k = from; k < to; k++) {
            float delayed = ring[i];
            float in = samples[k] + coefficient * delayed;
            samples[k] = delayed - coefficient * in;
            ring[i] = Math.abs(in) < SILENT ? 0 : in;
            i = i + 1 == ring.length ? 0 : i + 1;
        }
        at = i;
    }

    void reset() {
        java.util.Arrays.fill(ring, 0);
        at = 0;
    }
}

package orbispace.core.dynamics;

import java.util.List;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;

/**
 * Follows a key at control rate: the peak level of each {@link #STEP} frames after a key filter, in
 * dBFS, at least {@link #SILENT_DB}. One serves every gate and ducker that listens to the same key.
 */
public final class KeyPeaks {
    /** What silence counts as. */
    public static final float SILENT_DB = -200;

    /** Frames per step; gains are computed once per step and joined by straight lines. */
    public static final int STEP = 16;

    private final Cascade filter;
    private final boolean filtered;
    private final float[] filteredKey;
    private final float[] steps;
    private int count;
    private int phase;
    private float peak;

    /** A follower for blocks of at most {@code maxFrames}. */
    public KeyPeaks(List<Biquad> filter, int maxFrames) {
        this.filter = new Cascade(filter);
        this.filtered = !filter.isEmpty();
        filteredKey = new float[filtered ? maxFrames : 0];
        steps = new float[maxFrames / STEP + 2];
    }

    /** Takes frames of the key. */
    public void process(float[] key, int from, int to) {
        float[] x = key;
        int start = from;
        if (filtered) {
            System.arraycopy(key, from, filteredKey, 0, to - from);
            filter.process(filteredKey, filteredKey, 0, to - from);
            x = filteredKey;
            start = 0;
        }
        int end = start + to - from;
        count = 0;
        int at = start;
        while (at < end) {
            int n = Math.min(end, at + STEP - phase);
            float most = peak;
            for (int i = at; i < n; i++) {
                most = Math.max(most, Math.abs(x[i]));
            }
            phase += n - at;
            at = n;
            peak = most;
            if (phase == STEP) {
                steps[count++] = peak > 1e-10f ? (float) Decibels.ofAmplitude(peak) : SILENT_DB;
                phase = 0;
                peak = 0;
            }
        }
    }

    /** The levels of the steps that ended within the last frames taken, from the first on. */
    public float[] steps() {
        return steps;
    }

    /** How many steps ended within the last frames taken. */
    public int count() {
        return count;
    }

    /** Forgets the key. */
    public void reset() {
        filter.reset();
        phase = 0;
        peak = 0;
        count = 0;
    }
}

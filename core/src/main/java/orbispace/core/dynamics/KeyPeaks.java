package orbispace.core.dynamics;

import java.util.List;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;

/**
 * Follows a key at control rate: the peak level of each {@link #STEP} frames after a key filter, in
 * dBFS, at least {@link #SILENT_DB}. One serves every gate and ducker that listens to the same key.
 *
 * <p>A key is given as the middle and the side of its sound, half the sum and half the difference
 * of its channels, and the louder of the two counts: one channel alone keys as loud as it would in
 * the middle less 6 dB, and what is wide or inverted keys as well as what is not.
 */
public final class KeyPeaks {
    /** What silence counts as. */
    public static final float SILENT_DB = -200;

    /** Frames per step; gains are computed once per step and joined by straight lines. */
    public static final int STEP = 16;

    private final Cascade filter;
    private final boolean filtered;
    private final float[] filteredMiddle;
    private final float[] filteredSide;
    private final float[] steps;
    private int count;
    private int phase;
    private float peak;

    /** A follower for blocks of at most {@code maxFrames}. */
    public KeyPeaks(List<Biquad> filter, int maxFrames) {
        this.filter = new Cascade(filter);
        this.filtered = !filter.isEmpty();
        filteredMiddle = new float[filtered ? maxFrames : 0];
        filteredSide = new float[filtered ? maxFrames : 0];
        steps = new float[maxFrames / STEP + 2];
    }

    /** Takes the middle and the side of frames of the key. */
    public void process(float[] middle, float[] side, int from, int to) {
        float[] x = middle;
        float[] y = side;
        int start = from;
        if (filtered) {
            System.arraycopy(middle, from, filteredMiddle, 0, to - from);
            System.arraycopy(side, from, filteredSide, 0, to - from);
            filter.process(filteredMiddle, filteredSide, 0, to - from);
            x = filteredMiddle;
            y = filteredSide;
            start = 0;
        }
        int end = start + to - from;
        count = 0;
        int at = start;
        while (at < end) {
            int n = Math.min(end, at + STEP - phase);
            float most = peak;
            for (int i = at; i < n; i++) {
                most = Math.max(most, Math.max(Math.abs(x[i]), Math.abs(y[i])));
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

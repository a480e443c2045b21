package orbispace.core.dynamics;

import java.util.List;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.Quadrature;

/**
 * Follows a key at control rate: the peak level of each {@link #STEP} frames after a key filter, or
 * their envelope if that is higher, so that a low tone does not come and go with every half period;
 * in dBFS, at least {@link #SILENT_DB}. One serves every gate and ducker that listens to the same
 * key.
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

    /** Frames of which one goes into the envelope; highs have a peak in each step anyway. */
    private static final int TOGETHER = 4;

    /** Half a period of the lowest tone whose envelope is followed: 40 Hz. */
    private static final double RECENT_SECONDS = 0.0125;

    private final Cascade filter;
    private final boolean filtered;
    private final float[] filteredMiddle;
    private final float[] filteredSide;
    private final float[] steps;
    private int count;
    private final Quadrature quadrature;
    private final double[] middles;
    private final double[] sides;
    private final float[] peaks;
    private final double[] envelopes;
    private final float[] recent;
    private int newest;

    /** What has come of the group of frames that is not full yet. */
    private float middleSum;

    private float sideSum;
    private float groupPeak;
    private int inGroup;

    /** What has come of the step that is not full yet. */
    private float peak;

    private double envelope;
    private int groups;

    /** A follower for blocks of at most {@code maxFrames}. */
    public KeyPeaks(List<Biquad> filter, int maxFrames, double sampleRateHz) {
        recent = new float[(int) Math.ceil(RECENT_SECONDS * sampleRateHz / STEP)];
        this.filter = new Cascade(filter);
        this.filtered = !filter.isEmpty();
        filteredMiddle = new float[filtered ? maxFrames : 0];
        filteredSide = new float[filtered ? maxFrames : 0];
        steps = new float[maxFrames / STEP + 2];
        int most = maxFrames / TOGETHER + 1;
        quadrature = new Quadrature(most);
        middles = new double[most];
        sides = new double[most];
        peaks = new float[most];
        envelopes = new double[most];
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
        int full = gather(x, y, start, start + to - from);
        quadrature.follow(middles, sides, envelopes, full);
        count = 0;
        for (int g = 0; g < full; g++) {
            peak = Math.max(peak, peaks[g]);
            envelope = Math.max(envelope, envelopes[g]);
            groups++;
            if (groups == STEP / TOGETHER) {
                float level = level();
                steps[count++] = level > 1e-10f ? (float) Decibels.ofAmplitude(level) : SILENT_DB;
                groups = 0;
                peak = 0;
                envelope = 0;
            }
        }
    }

    /** Sums and peaks of groups of frames; answers how many became full. */
    private int gather(float[] x, float[] y, int from, int to) {
        int full = 0;
        float m = middleSum;
        float s = sideSum;
        float most = groupPeak;
        int phase = inGroup;
        for (int i = from; i < to; i++) {
            most = Math.max(most, Math.max(Math.abs(x[i]), Math.abs(y[i])));
            m += x[i];
            s += y[i];
            phase++;
            if (phase == TOGETHER) {
                middles[full] = m / TOGETHER;
                sides[full] = s / TOGETHER;
                peaks[full++] = most;
                m = 0;
                s = 0;
                most = 0;
                phase = 0;
            }
        }
        middleSum = m;
        sideSum = s;
        groupPeak = most;
        inGroup = phase;
        return full;
    }

    /** The peak of a step, or its envelope as far as peaks have reached of late. */
    private float level() {
        recent[newest] = peak;
        newest = (newest + 1) % recent.length;
        float most = 0;
        for (float r : recent) {
            most = Math.max(most, r);
        }
        return Math.max(peak, Math.min((float) envelope, most));
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
        quadrature.reset();
        java.util.Arrays.fill(recent, 0);
        middleSum = 0;
        sideSum = 0;
        groupPeak = 0;
        inGroup = 0;
        peak = 0;
        envelope = 0;
        groups = 0;
        count = 0;
    }
}

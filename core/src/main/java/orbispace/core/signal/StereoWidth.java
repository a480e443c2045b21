package orbispace.core.signal;

import orbispace.core.audio.Pan;

/**
 * Widens or narrows by mid and side, and keeps the lows in the middle.
 *
 * <p>The side is multiplied by the width and loses what lies below the corner (two poles). Then the
 * whole is balanced to a side as a stereo source is ({@link Pan#balanceLeft}).
 */
public final class StereoWidth {
    private static final int GLIDE_FRAMES = 1024;

    private final FadingFilter lows;
    private final float[] side = new float[256];
    private float width;
    private float target;

    private float leftGain = 1;
    private float rightGain = 1;
    private float leftTarget = 1;
    private float rightTarget = 1;

    /** A stage at rest: width 0 to 2, mono below a corner in Hz or 0 for none, in the middle. */
    public StereoWidth(double width, double monoBelowHz, double sampleRateHz) {
        target = (float) width;
        this.width = target;
        lows = new FadingFilter(1, packed(monoBelowHz, sampleRateHz));
    }

    /** Goes to a side, -1 (left) to 1, smoothly, without allocating. */
    public void pan(double position) {
        leftTarget = (float) Pan.balanceLeft(position);
        rightTarget = (float) Pan.balanceRight(position);
    }

    /** The filter of the side for {@link #apply}. */
    public static double[] packed(double monoBelowHz, double sampleRateHz) {
        return Cascade.pack(
                monoBelowHz <= 0
                        ? java.util.List.of()
                        : FilterDesign.highPass(monoBelowHz, 2, sampleRateHz),
                1);
    }

    /** Takes other settings smoothly, without allocating. */
    public void apply(double other, double[] packed) {
        target = (float) other;
        lows.set(packed);
    }

    /** Works on frames {@code from} to before {@code to} in place. */
    public void process(float[] left, float[] right, int from, int to) {
        for (int at = from; at < to; at += side.length) {
            int n = Math.min(side.length, to - at);
            for (int k = 0; k < n; k++) {
                side[k] = (left[at + k] - right[at + k]) / 2;
            }
            lows.process(side, side, 0, n);
            for (int k = 0; k < n; k++) {
                width += (target - width) / GLIDE_FRAMES;
                float middle = (left[at + k] + right[at + k]) / 2;
                leftGain += (leftTarget - leftGain) / GLIDE_FRAMES;
                rightGain += (rightTarget - rightGain) / GLIDE_FRAMES;
                left[at + k] = leftGain * (middle + width * side[k]);
                right[at + k] = rightGain * (middle - width * side[k]);
            }
        }
    }

    /** Forgets all sound. */
    public void reset() {
        lows.reset();
        width = target;
        leftGain = leftTarget;
        rightGain = rightTarget;
    }
}

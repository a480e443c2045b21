package orbispace.core.signal;

import java.util.Arrays;

/**
 * A stereo filter whose sections can be exchanged while it sounds: the new filter is cross-faded in
 * over {@link #FADE_FRAMES}, one that comes meanwhile waits for the end of that.
 *
 * <p>Coefficients between those of two filters may belong to one that is far louder than either; a
 * cross-fade never is, so that a loop with such a filter in it never grows.
 */
public final class FadingFilter {
    /** Over how many frames another filter is faded in. */
    public static final int FADE_FRAMES = 1024;

    private static final int PART_FRAMES = 256;

    private final float[] oldLeft = new float[PART_FRAMES];
    private final float[] oldRight = new float[PART_FRAMES];
    private Cascade now;
    private Cascade before;
    private double[] packed;
    private double[] wanted;
    private int fadeLeft;

    /**
     * A filter at rest.
     *
     * @param sections how many it can have
     * @param packed them, as {@link Cascade#pack} gives them
     */
    public FadingFilter(int sections, double[] packed) {
        now = new Cascade(sections);
        before = new Cascade(sections);
        this.packed = packed;
        wanted = packed;
        now.set(packed);
    }

    /** Takes other packed sections; does not allocate. */
    public void set(double[] other) {
        wanted = other;
    }

    /**
     * Filters frames {@code from} to before {@code to} in place; both arrays may be the same one.
     */
    public void process(float[] left, float[] right, int from, int to) {
        int at = from;
        while (at < to) {
            startFade();
            int n = fadeLeft > 0 ? Math.min(Math.min(PART_FRAMES, fadeLeft), to - at) : to - at;
            if (fadeLeft > 0) {
                fade(left, right, at, n);
            } else {
                now.process(left, right, at, at + n);
            }
            at += n;
        }
    }

    private void startFade() {
        if (fadeLeft == 0 && !Arrays.equals(wanted, packed)) {
            packed = wanted;
            Cascade next = before;
            before = now;
            now = next;
            now.reset();
            now.set(packed);
            fadeLeft = FADE_FRAMES;
        }
    }

    @SuppressWarnings("ReferenceEquality") // One and the same array means mono.
    private void fade(float[] left, float[] right, int at, int n) {
        boolean mono = left == right;
        System.arraycopy(left, at, oldLeft, 0, n);
        System.arraycopy(right, at, oldRight, 0, n);
        before.process(oldLeft, mono ? oldLeft : oldRight, 0, n);
        now.process(left, right, at, at + n);
        for (int i = 0; i < n; i++) {
            float share = fadeLeft / (float) FADE_FRAMES;
            left[at + i] += share * (oldLeft[i] - left[at + i]);
            if (!mono) {
                right[at + i] += share * (oldRight[i] - right[at + i]);
            }
            fadeLeft--;
        }
    }

    /** Forgets all sound; what was set last holds at once. */
    public void reset() {
        packed = wanted;
        fadeLeft = 0;
        now.reset();
        now.set(packed);
    }
}

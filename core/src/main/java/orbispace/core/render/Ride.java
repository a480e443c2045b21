package orbispace.core.render;

import org.jspecify.annotations.Nullable;

/**
 * A gain over the song at work: where the curve is exchanged or the song jumps, the gain that was
 * goes over into what is within {@link #FADE_FRAMES}.
 */
final class Ride {
    /** Over how many frames one curve or place goes over into another. */
    static final int FADE_FRAMES = 512;

    private static final int PART = 512;

    private final float[] gains = new float[PART];
    private GainCurve now;
    private GainCurve wanted;
    private float last;
    private float from;
    private int nextFrame;
    private int fadeLeft;
    private boolean begun;

    Ride(GainCurve curve) {
        now = curve;
        wanted = curve;
    }

    /** Takes another curve. */
    void apply(GainCurve curve) {
        wanted = curve;
    }

    /** Leaves some frames out if it is 0 over all of them and comes from there; says whether. */
    boolean skips(int frame, int n) {
        boolean shut = (!begun || last == 0) && fadeLeft == 0 && wanted.isShut(frame, n);
        if (shut) {
            now = wanted;
            begun = true;
            last = 0;
            nextFrame = frame + n;
        }
        return shut;
    }

    /** Lays the gains of frames of the song over part of two channels. */
    void process(float[] left, float[] right, int begin, int end, int frame) {
        over(left, right, begin, end, frame);
    }

    /** The same of one channel. */
    void process(float[] sound, int begin, int end, int frame) {
        over(sound, null, begin, end, frame);
    }

    /** Leaves some frames as they are if it changes none of them; says whether. */
    boolean rests(int frame, int n) {
        boolean even = fadeLeft == 0 && now.isEven() && wanted.isEven();
        if (even) {
            now = wanted;
            begun = true;
            last = 1;
            nextFrame = frame + n;
        }
        return even;
    }

    private void over(float[] left, float @Nullable [] right, int begin, int end, int frame) {
        start(frame);
        int at = begin;
        while (at < end) {
            int n = Math.min(PART, end - at);
            if (fadeLeft > 0 || !now.isEven()) {
                fill(frame + at - begin, n);
                Mixdown.multiply(left, at, at + n, gains);
                if (right != null) {
                    Mixdown.multiply(right, at, at + n, gains);
                }
                last = gains[n - 1];
            } else {
                last = 1;
            }
            at += n;
        }
        nextFrame = frame + end - begin;
    }

    @SuppressWarnings("ReferenceEquality") // The same curve is most often the same object.
    private void start(int frame) {
        boolean jumps = frame != nextFrame && !now.isSteady();
        boolean changes = wanted != now && !wanted.equals(now);
        now = wanted;
        if (begun && (jumps || changes)) {
            from = last;
            fadeLeft = FADE_FRAMES;
        }
        begun = true;
    }

    private void fill(int frame, int n) {
        now.fill(gains, frame, n);
        for (int k = 0; k < n && fadeLeft > 0; k++) {
            float share = fadeLeft / (float) FADE_FRAMES;
            gains[k] += share * (from - gains[k]);
            fadeLeft--;
        }
    }

    /** Begins anew, with the newest curve. */
    void reset() {
        begun = false;
        fadeLeft = 0;
        last = 0;
    }
}

package orbispace.core.signal;

import java.util.Arrays;

/**
 * A ring of samples read at fractional delays, whose delay can change without a click.
 *
 * <p>A new delay is cross-faded in over {@link #FADE_FRAMES} with equal sums. Fractions use {@link
 * SincTable}, which keeps the highs; delays too short for it third-order Lagrange interpolation
 * (linear under one frame). A whole number of frames is exact.
 */
public final class DelayLine {
    /** Length of the cross-fade to a new delay. */
    public static final int FADE_FRAMES = 1024;

    private static final int SPARE = SincTable.TAPS;
    private static final int ROW = 256;
    private static final float SIXTH = 1 / 6f;

    /** From this delay on a fraction is read from many samples on both sides. */
    public static final int WIDE_FRAMES = SincTable.TAPS / 2 + 1;

    private final float[] ring;
    private final int mask;
    private final float[] near = new float[ROW + SincTable.TAPS];
    private final SincTable.Row row = new SincTable.Row(ROW);
    private int write;
    private double delay;
    private double next;
    private double wanted;
    private int fadeLeft;

    /** A line that can hold delays up to {@code maxDelayFrames}. */
    public DelayLine(int maxDelayFrames) {
        int size = Integer.highestOneBit(Math.max(SPARE, maxDelayFrames + SPARE)) * 2;
        ring = new float[size];
        mask = size - 1;
    }

    /** The longest delay in frames. */
    public int maxDelayFrames() {
        return ring.length - SPARE;
    }

    /**
     * Sets the delay in frames, at once or cross-faded; cut to what the line can hold. While a fade
     * is under way a new delay waits for its end.
     */
    public void setDelay(double frames, boolean atOnce) {
        wanted = Math.clamp(frames, 0, maxDelayFrames());
        if (atOnce) {
            delay = wanted;
            next = wanted;
            fadeLeft = 0;
        } else if (fadeLeft == 0) {
            startFade();
        }
    }

    private void startFade() {
        if (wanted != delay) {
            next = wanted;
            fadeLeft = FADE_FRAMES;
        }
    }

    /**
     * How many frames may be read before the next write, for delays of at least 4 frames; never
     * past the end of a fade, where another may begin.
     */
    public int readable() {
        double shortest = fadeLeft > 0 ? Math.min(delay, next) : delay;
        int after = shortest >= WIDE_FRAMES ? SincTable.TAPS / 2 : 2;
        int most = Math.max(1, (int) shortest - after);
        return fadeLeft > 0 ? Math.min(most, fadeLeft) : most;
    }

    /** Forgets all sound. */
    public void reset() {
        Arrays.fill(ring, 0);
        setDelay(wanted, true);
    }

    /** Delays frames {@code from} to before {@code to} in place; any delay from 0. */
    public void process(float[] samples, int from, int to) {
        int i = from;
        if (fadeLeft == 0 && delay >= WIDE_FRAMES) {
            while (i < to) {
                int n = Math.min(ROW, to - i);
                steady(samples, i, n);
                i += n;
            }
        }
        for (; i < to; i++) {
            ring[write & mask] = samples[i];
            float delayed = ahead(0);
            advance();
            samples[i] = delayed;
        }
    }

    /** Delays frames in place by a delay that stays as it is. */
    private void steady(float[] samples, int from, int n) {
        int whole = (int) delay;
        float f = (float) (delay - whole);
        int first = -whole - 1 - (SincTable.TAPS / 2 - 1);
        for (int k = 0; k < n + SincTable.TAPS; k++) {
            int at = first + k;
            near[k] = at < 0 ? ring[(write + at) & mask] : at < n ? samples[from + at] : 0;
        }
        for (int k = 0; k < n; k++) {
            ring[(write + k) & mask] = samples[from + k];
        }
        write = (write + n) & mask;
        if (f == 0) {
            System.arraycopy(near, SincTable.TAPS / 2, samples, from, n);
        } else {
            SincTable.row(near, 1 - f, row, n);
            System.arraycopy(row.low, 0, samples, from, n);
        }
    }

    /** Stores a frame and returns what came so many frames before, whatever delay is set. */
    public float next(float sample, double frames) {
        ring[write & mask] = sample;
        float delayed = at(frames, 0);
        advance();
        return delayed;
    }

    /** Reads {@code count} frames, at most {@link #readable}, that belong to the next writes. */
    public void read(float[] into, int count) {
        for (int k = 0; k < count; k++) {
            into[k] = ahead(k);
        }
    }

    /** Stores frames and moves on. */
    public void write(float[] samples, int count) {
        for (int k = 0; k < count; k++) {
            ring[write & mask] = samples[k];
            advance();
        }
    }

    private void advance() {
        write = (write + 1) & mask;
        if (fadeLeft > 0 && --fadeLeft == 0) {
            delay = next;
            startFade();
        }
    }

    private float ahead(int frames) {
        return ahead(frames, 0);
    }

    /**
     * The frame that belongs to the write after {@code frames} more, read {@code sway} frames later
     * than the delay says.
     */
    public float ahead(int frames, double sway) {
        int left = fadeLeft - frames;
        if (left <= 0) {
            return at((fadeLeft > 0 ? next : delay) + sway, frames);
        }
        float share = left / (float) FADE_FRAMES;
        return share * at(delay + sway, frames) + (1 - share) * at(next + sway, frames);
    }

    private float at(double frames, int ahead) {
        int whole = (int) frames;
        float f = (float) (frames - whole);
        int i = write + ahead - whole;
        float here = ring[i & mask];
        if (f == 0) {
            return here;
        }
        float older = ring[(i - 1) & mask];
        if (whole >= WIDE_FRAMES) {
            return SincTable.between(ring, i - 1, 1 - f);
        }
        if (whole == 0) {
            return here + f * (older - here);
        }
        return lagrange(ring[(i + 1) & mask], here, older, ring[(i - 2) & mask], f);
    }

    /** Third-order Lagrange through a (-1), b (0), c (1), d (2), at f from 0 to 1. */
    public static float lagrange(float a, float b, float c, float d, float f) {
        float fm = f - 1;
        float f2 = f - 2;
        float fp = f + 1;
        float outer = fm * SIXTH;
        return outer * f * (fp * d - f2 * a) + 0.5f * fp * f2 * (fm * b - f * c);
    }
}

package orbispace.core.render;

import java.util.Arrays;
import orbispace.core.time.SongClock;

/**
 * A click on every beat of the metre, higher on the first of a bar, to hear whether the tempo and
 * the stems agree. Immutable; {@link #add} neither allocates nor locks.
 */
public final class ClickTrack {
    private static final double SECONDS = 0.03;
    private static final double GAIN = 0.25;
    private static final int MOST_CLICKS = 100_000;

    private final int[] frames;
    private final boolean[] first;
    private final float[] high;
    private final float[] low;

    private ClickTrack(int[] frames, boolean[] first, double rate) {
        this.frames = frames;
        this.first = first;
        this.high = sound(1760, rate);
        this.low = sound(1175, rate);
    }

    /**
     * The clicks of a song.
     *
     * @param clock its time
     * @param seconds its length
     * @param sampleRateHz frames per second
     */
    public static ClickTrack of(SongClock clock, double seconds, double sampleRateHz) {
        int[] frames = new int[MOST_CLICKS];
        boolean[] first = new boolean[MOST_CLICKS];
        int n = 0;
        for (int bar = 1; clock.secondsOfBar(bar) < seconds && n < MOST_CLICKS; bar++) {
            double beat = clock.metre().beatOfBar(bar);
            int beats = clock.metre().at(bar).beatsPerBar();
            double quarters = 4.0 / clock.metre().at(bar).beatUnit();
            for (int k = 0; k < beats && n < MOST_CLICKS; k++) {
                double at = clock.secondsAt(beat + k * quarters);
                if (at >= 0) {
                    frames[n] = (int) Math.round(at * sampleRateHz);
                    first[n++] = k == 0;
                }
            }
        }
        return new ClickTrack(Arrays.copyOf(frames, n), Arrays.copyOf(first, n), sampleRateHz);
    }

    private static float[] sound(double hz, double rate) {
        float[] x = new float[(int) (SECONDS * rate)];
        for (int i = 0; i < x.length; i++) {
            double t = i / rate;
            x[i] = (float) (GAIN * Math.exp(-t / 0.006) * Math.sin(2 * Math.PI * hz * t));
        }
        return x;
    }

    /** Number of clicks. */
    public int count() {
        return frames.length;
    }

    /** Adds the clicks of some frames of the song. */
    public void add(int start, float[] left, float[] right, int count) {
        int i = Arrays.binarySearch(frames, start - high.length);
        for (i = i < 0 ? -i - 1 : i; i < frames.length && frames[i] < start + count; i++) {
            float[] x = first[i] ? high : low;
            int from = frames[i] - start;
            int to = Math.min(count, from + x.length);
            for (int k = Math.max(0, from); k < to; k++) {
                left[k] += x[k - from];
                right[k] += x[k - from];
            }
        }
    }
}

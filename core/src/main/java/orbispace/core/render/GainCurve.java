package orbispace.core.render;

import java.util.Arrays;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.DoubleUnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * A gain over the song: amplitude factors at frames, joined by cubic curves that neither bend
 * sharply nor leave what lies between two points (Fritsch and Carlson 1980), since each corner
 * would splash; the first and the last hold before and after. Immutable; reading it neither
 * allocates nor remembers.
 */
public final class GainCurve {
    /** One throughout. */
    public static final GainCurve EVEN = new GainCurve(new int[] {0}, new float[] {1});

    private static final int PART = 4096;

    private final int[] frames;
    private final float[] gains;

    /** Slope at each point, per frame. */
    private final float[] slopes;

    private final boolean steady;

    private GainCurve(int[] frames, float[] gains) {
        this.frames = frames;
        this.gains = gains;
        slopes = slopes(frames, gains);
        steady = allEqual(gains);
    }

    /** None at turns and ends, else the harmonic mean of both sides. */
    private static float[] slopes(int[] frames, float[] gains) {
        float[] slopes = new float[gains.length];
        for (int i = 1; i + 1 < gains.length; i++) {
            double before = (gains[i] - gains[i - 1]) / (double) (frames[i] - frames[i - 1]);
            double after = (gains[i + 1] - gains[i]) / (double) (frames[i + 1] - frames[i]);
            slopes[i] = before * after > 0 ? (float) (2 * before * after / (before + after)) : 0;
        }
        return slopes;
    }

    private static boolean allEqual(float[] gains) {
        for (float g : gains) {
            if (g != gains[0]) {
                return false;
            }
        }
        return true;
    }

    /** The same throughout. */
    public static GainCurve of(double gain) {
        return new GainCurve(new int[] {0}, new float[] {(float) gain});
    }

    /** Through points by frame; at least one. */
    static GainCurve through(SortedMap<Integer, Double> points) {
        int[] frames = new int[points.size()];
        float[] gains = new float[frames.length];
        int i = 0;
        for (var point : points.entrySet()) {
            frames[i] = point.getKey();
            gains[i++] = (float) (double) point.getValue();
        }
        return new GainCurve(frames, gains);
    }

    /** Whether it is one throughout. */
    public boolean isEven() {
        return isSteady() && gains[0] == 1;
    }

    /** Whether it is the same throughout. */
    public boolean isSteady() {
        return steady;
    }

    /** Number of points. */
    public int size() {
        return frames.length;
    }

    /** Frame of a point. */
    public int frame(int index) {
        return frames[index];
    }

    /** Gain at a point. */
    public double gain(int index) {
        return gains[index];
    }

    /** The gain at a frame. */
    public double at(int frame) {
        int i = before(frame);
        if (i < 0) {
            return gains[0];
        }
        if (i == frames.length - 1) {
            return gains[i];
        }
        return between(i, frame - frames[i]);
    }

    /** So many frames after a point. */
    private float between(int i, int after) {
        float length = frames[i + 1] - frames[i];
        float u = after / length;
        float rise = gains[i + 1] - gains[i];
        float from = slopes[i] * length;
        float to = slopes[i + 1] * length;
        return gains[i] + u * (from + u * (3 * rise - 2 * from - to + u * (from + to - 2 * rise)));
    }

    /** The product of two at the points of both; between them it is a curve of its own. */
    GainCurve times(GainCurve other) {
        if (other.isEven()) {
            return this;
        }
        if (isEven()) {
            return other;
        }
        SortedMap<Integer, Double> points = new TreeMap<>();
        for (int f : frames) {
            points.put(f, at(f) * other.at(f));
        }
        for (int f : other.frames) {
            points.put(f, at(f) * other.at(f));
        }
        return through(points);
    }

    /** The same course of what each of its points is turned into. */
    GainCurve mapped(DoubleUnaryOperator into) {
        SortedMap<Integer, Double> points = new TreeMap<>();
        for (int i = 0; i < frames.length; i++) {
            points.put(frames[i], into.applyAsDouble(gains[i]));
        }
        return through(points);
    }

    /** Whether it is 0 over all of some frames. */
    boolean isShut(int frame, int n) {
        int i = Math.max(0, before(frame));
        if (at(frame) != 0 || at(frame + n) != 0) {
            return false;
        }
        while (i < frames.length && frames[i] < frame + n) {
            if (frames[i] > frame && gains[i] != 0) {
                return false;
            }
            i++;
        }
        return true;
    }

    /** Puts the gains of some frames to the front of an array. */
    void fill(float[] into, int frame, int n) {
        int i = before(frame);
        int at = 0;
        while (at < n) {
            int next = i + 1 < frames.length ? frames[i + 1] : Integer.MAX_VALUE;
            int end = (int) Math.min(n, (long) next - frame);
            if (i < 0 || i == frames.length - 1) {
                Arrays.fill(into, at, end, i < 0 ? gains[0] : gains[i]);
            } else {
                for (int k = at; k < end; k++) {
                    into[k] = between(i, frame + k - frames[i]);
                }
            }
            at = end;
            i++;
        }
    }

    /** Lays it over a sound that begins with the song. */
    public void applyTo(float[] sound) {
        float[] part = new float[Math.min(sound.length, PART)];
        for (int at = 0; at < sound.length; at += PART) {
            int n = Math.min(PART, sound.length - at);
            fill(part, at, n);
            Mixdown.multiply(sound, at, at + n, part);
        }
    }

    /** The last point at or before a frame; -1 if there is none. */
    private int before(int frame) {
        int i = Arrays.binarySearch(frames, frame);
        return i >= 0 ? i : -i - 2;
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof GainCurve c
                && Arrays.equals(frames, c.frames)
                && Arrays.equals(gains, c.gains);
    }

    @Override
    public int hashCode() {
        return 31 * Arrays.hashCode(frames) + Arrays.hashCode(gains);
    }

    @Override
    public String toString() {
        return "gain curve of " + frames.length + " points";
    }
}

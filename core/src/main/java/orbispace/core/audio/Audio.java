package orbispace.core.audio;

import java.util.Arrays;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A stretch of sampled sound of one or two channels, full scale -1..1: held as one float array per
 * channel, or stored elsewhere and read when it is wanted, because the stems of a session are more
 * than memory holds.
 *
 * <p>The arrays are shared, not copied. Whoever made them gives them up; whoever takes a {@link
 * #channel(int)} must not write to it. Of a stored sound a channel is the whole of it in memory, so
 * take it once and let go of it; {@link #read} takes stretches.
 */
public final class Audio {
    private static final int PART = 1 << 14;

    private final float @Nullable [][] held;
    private final @Nullable Samples stored;
    private final double sampleRateHz;

    private Audio(double sampleRateHz, float @Nullable [][] held, @Nullable Samples stored) {
        this.sampleRateHz = sampleRateHz;
        this.held = held;
        this.stored = stored;
    }

    /**
     * Takes over the given channels.
     *
     * @param sampleRateHz 1 to 1,000,000
     * @param channels one or two arrays of one length
     * @throws IllegalArgumentException for any other rate, channel count or unequal lengths
     */
    public static Audio of(double sampleRateHz, float[]... channels) {
        requireRate(sampleRateHz);
        if (channels.length < 1 || channels.length > 2) {
            throw new IllegalArgumentException(
                    channels.length + " channels: only mono and stereo are known");
        }
        if (channels.length == 2 && channels[0].length != channels[1].length) {
            throw new IllegalArgumentException("the two channels differ in length");
        }
        return new Audio(sampleRateHz, channels.clone(), null);
    }

    /**
     * A sound that lies elsewhere.
     *
     * @param sampleRateHz 1 to 1,000,000
     */
    public static Audio stored(double sampleRateHz, Samples samples) {
        requireRate(sampleRateHz);
        return new Audio(sampleRateHz, null, samples);
    }

    private static void requireRate(double sampleRateHz) {
        if (!(sampleRateHz >= 1 && sampleRateHz <= 1e6)) {
            throw new IllegalArgumentException(
                    "sample rate " + sampleRateHz + " Hz is outside 1 to 1000000");
        }
    }

    /** Silence. */
    public static Audio silence(double sampleRateHz, int channelCount, int frames) {
        return of(sampleRateHz, new float[channelCount][frames]);
    }

    /** Frames per second. */
    public double sampleRateHz() {
        return sampleRateHz;
    }

    /** 1 or 2. */
    public int channelCount() {
        return stored == null ? channels().length : stored.channels();
    }

    /** Length in frames. */
    public int frames() {
        return stored == null ? channels()[0].length : stored.frames();
    }

    /** Where it is read from, if it is not held in memory. */
    public Optional<Samples> samples() {
        return Optional.ofNullable(stored);
    }

    /** The same sound in memory, for who goes over all of it again and again. */
    public Audio held() {
        return stored == null ? this : new Audio(sampleRateHz, channels(), null);
    }

    private float[][] channels() {
        return held == null ? LoadedSound.SHARED.of(Objects.requireNonNull(stored)) : held;
    }

    /**
     * Bytes of memory that its samples take; channels that are the same array count once, what is
     * stored elsewhere nothing.
     */
    @SuppressWarnings("ReferenceEquality") // One and the same array is held once.
    public long bytes() {
        if (stored != null) {
            return 0;
        }
        float[][] channels = channels();
        boolean shared = channels.length == 2 && channels[0] == channels[1];
        return 4L * frames() * (shared ? 1 : channels.length);
    }

    /** Length in seconds. */
    public double seconds() {
        return frames() / sampleRateHz;
    }

    /**
     * The samples of a channel, for reading; a mono sound answers with its one channel for both.
     */
    public float[] channel(int index) {
        float[][] channels = channels();
        return channels[Math.min(index, channels.length - 1)];
    }

    /**
     * Reads frames, silence where there are none; a mono sound goes into both.
     *
     * @param start the first of them, which may lie outside of the sound
     * @param count how many
     * @param left takes them from its beginning
     * @param right takes them from its beginning
     */
    public void read(int start, int count, float[] left, float[] right) {
        int from = Math.clamp(-(long) start, 0, count);
        int to = Math.clamp((long) frames() - start, from, count);
        Arrays.fill(left, 0, from, 0);
        Arrays.fill(right, 0, from, 0);
        if (to > from) {
            readInside(start + from, to - from, left, right, from);
        }
        Arrays.fill(left, to, count, 0);
        Arrays.fill(right, to, count, 0);
    }

    private void readInside(int start, int count, float[] left, float[] right, int at) {
        if (stored == null) {
            System.arraycopy(channel(0), start, left, at, count);
            System.arraycopy(channel(1), start, right, at, count);
            return;
        }
        stored.read(start, count, left, right, at);
        if (stored.channels() == 1) {
            System.arraycopy(left, at, right, at, count);
        }
    }

    /**
     * The frames from {@code start} to before {@code end}, both cut to what exists; those of a
     * stored sound stay where they lie.
     */
    public Audio slice(int start, int end) {
        int from = Math.clamp(start, 0, frames());
        int to = Math.clamp(end, from, frames());
        if (stored != null) {
            return from == to
                    ? silence(sampleRateHz, channelCount(), 0)
                    : new Audio(sampleRateHz, null, new SamplesPart(stored, from, to - from));
        }
        float[][] cut = new float[channelCount()][to - from];
        readInside(from, to - from, cut[0], cut[cut.length - 1], 0);
        return new Audio(sampleRateHz, cut, null);
    }

    /**
     * The sum with another sound.
     *
     * @param other of the same rate and length; one of one channel goes to both
     * @param gain factor on the other
     */
    public Audio plus(Audio other, double gain) {
        float[][] out = new float[Math.max(channelCount(), other.channelCount())][];
        for (int c = 0; c < out.length; c++) {
            out[c] = channel(Math.min(c, channelCount() - 1)).clone();
            float[] more = other.channel(Math.min(c, other.channelCount() - 1));
            for (int i = 0; i < out[c].length; i++) {
                out[c][i] += (float) (gain * more[i]);
            }
        }
        return new Audio(sampleRateHz, out, null);
    }

    /** The same sound at another level. */
    public Audio scaled(double gain) {
        float[][] channels = channels();
        float[][] out = new float[channels.length][frames()];
        for (int c = 0; c < out.length; c++) {
            for (int i = 0; i < out[c].length; i++) {
                out[c][i] = (float) (gain * channels[c][i]);
            }
        }
        return new Audio(sampleRateHz, out, null);
    }

    /**
     * The louder of middle and side, half the sum and half the difference of the channels, as one
     * channel, so that what is wide or inverted is not lost; a mono sound answers with itself.
     */
    @SuppressWarnings("ReferenceEquality") // One and the same array is a mono sound.
    public Audio folded() {
        float[][] channels = channels();
        float[] l = channels[0];
        float[] r = channels[channels.length - 1];
        if (l == r) {
            return of(sampleRateHz, l);
        }
        double both = 0;
        for (int i = 0; i < l.length; i++) {
            both += (double) l[i] * r[i];
        }
        float sign = both < 0 ? -1 : 1;
        float[] fold = new float[l.length];
        for (int i = 0; i < fold.length; i++) {
            fold[i] = (l[i] + sign * r[i]) / 2;
        }
        return of(sampleRateHz, fold);
    }

    /** The largest absolute sample. */
    public double peak() {
        float peak = 0;
        float[] left = new float[Math.min(PART, frames())];
        float[] right = new float[left.length];
        for (int at = 0; at < frames(); at += PART) {
            int n = Math.min(PART, frames() - at);
            read(at, n, left, right);
            for (int i = 0; i < n; i++) {
                peak = Math.max(peak, Math.max(Math.abs(left[i]), Math.abs(right[i])));
            }
        }
        return peak;
    }

    /** The mean of squares, summed over channels; 0 for no frames. */
    public double meanSquare() {
        double sum = 0;
        for (float[] channel : channels()) {
            for (float x : channel) {
                sum += (double) x * x;
            }
        }
        return frames() == 0 ? 0 : sum / frames();
    }
}

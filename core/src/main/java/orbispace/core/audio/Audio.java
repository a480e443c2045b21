package orbispace.core.audio;

import java.util.Arrays;

/**
 * A stretch of sampled sound: one float array per channel, full scale -1..1.
 *
 * <p>The arrays are shared, not copied, because a song is tens of megabytes per stem. Whoever made
 * them gives them up; whoever reads {@link #channel(int)} must not write to it.
 */
public final class Audio {
    private final float[][] channels;
    private final double sampleRateHz;

    private Audio(double sampleRateHz, float[][] channels) {
        this.sampleRateHz = sampleRateHz;
        this.channels = channels;
    }

    /**
     * Takes over the given channels.
     *
     * @param sampleRateHz 1 to 1,000,000
     * @param channels one or two arrays of one length
     * @throws IllegalArgumentException for any other rate, channel count or unequal lengths
     */
    public static Audio of(double sampleRateHz, float[]... channels) {
        if (!(sampleRateHz >= 1 && sampleRateHz <= 1e6)) {
            throw new IllegalArgumentException(
                    "sample rate " + sampleRateHz + " Hz is outside 1 to 1000000");
        }
        if (channels.length < 1 || channels.length > 2) {
            throw new IllegalArgumentException(
                    channels.length + " channels: only mono and stereo are known");
        }
        if (channels.length == 2 && channels[0].length != channels[1].length) {
            throw new IllegalArgumentException("the two channels differ in length");
        }
        return new Audio(sampleRateHz, channels.clone());
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
        return channels.length;
    }

    /** Length in frames. */
    public int frames() {
        return channels[0].length;
    }

    /** Bytes of memory that its samples take; channels that are the same array count once. */
    @SuppressWarnings("ReferenceEquality") // One and the same array is held once.
    public long bytes() {
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
        return channels[Math.min(index, channels.length - 1)];
    }

    /** The frames from {@code start} to before {@code end}, both cut to what exists. */
    public Audio slice(int start, int end) {
        int from = Math.clamp(start, 0, frames());
        int to = Math.clamp(end, from, frames());
        float[][] cut = new float[channels.length][];
        for (int c = 0; c < cut.length; c++) {
            cut[c] = Arrays.copyOfRange(channels[c], from, to);
        }
        return new Audio(sampleRateHz, cut);
    }

    /** The same sound at another level. */
    public Audio scaled(double gain) {
        float[][] out = new float[channels.length][frames()];
        for (int c = 0; c < out.length; c++) {
            for (int i = 0; i < out[c].length; i++) {
                out[c][i] = (float) (gain * channels[c][i]);
            }
        }
        return new Audio(sampleRateHz, out);
    }

    /**
     * The louder of middle and side, half the sum and half the difference of the channels, as one
     * channel, so that what is wide or inverted is not lost; a mono sound answers with itself.
     */
    @SuppressWarnings("ReferenceEquality") // One and the same array is a mono sound.
    public Audio folded() {
        float[] l = channels[0];
        float[] r = channels[channels.length - 1];
        if (l == r) {
            return channels.length == 1 ? this : of(sampleRateHz, l);
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
        for (float[] channel : channels) {
            for (float x : channel) {
                peak = Math.max(peak, Math.abs(x));
            }
        }
        return peak;
    }

    /** The mean of squares, summed over channels; 0 for no frames. */
    public double meanSquare() {
        double sum = 0;
        for (float[] channel : channels) {
            for (float x : channel) {
                sum += (double) x * x;
            }
        }
        return frames() == 0 ? 0 : sum / frames();
    }
}

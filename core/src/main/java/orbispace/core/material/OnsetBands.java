package orbispace.core.material;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Fft;

/**
 * The power of a sound in some twenty bands, frame by frame of 2.5 ms under a window of 11 ms, and
 * where it rises: the mean over the bands of how far each stands over the most it had 7.5 to 15 ms
 * before, in dB. What rings or hisses on rises nowhere, however loud it is.
 */
public final class OnsetBands {
    /** Length of a frame. */
    static final double HOP_SECONDS = 0.0025;

    private static final double WINDOW_SECONDS = 0.0107;
    private static final double LOWEST_HZ = 60;
    private static final double BAND_RATIO = 1.3;
    private static final int LAG_FROM = 3;
    private static final int LAG_TO = 6;
    private static final double FLOOR_DB = -65;
    private static final int SHAPE_FRAMES = 10;
    private static final double SHAPE_FLOOR_DB = -30;

    private final float[][] power;
    private final double[] upperHz;
    private final int bands;
    private final double floor;

    private OnsetBands(float[][] power, double[] upperHz) {
        this.power = power;
        this.upperHz = upperHz;
        bands = upperHz.length;
        double most = 0;
        for (float[] frame : power) {
            for (float p : frame) {
                most = Math.max(most, p);
            }
        }
        floor = Math.max(1e-20, most * Decibels.toPower(FLOOR_DB));
    }

    /** Looks at a sound of any rate and length; of stereo, at the louder of middle and side. */
    public static OnsetBands of(Audio audio) {
        double rate = audio.sampleRateHz();
        float[] x = audio.folded().channel(0);
        int length = Math.max(32, Integer.highestOneBit((int) (1.4 * WINDOW_SECONDS * rate)));
        int[] edges = edges(length, rate);
        double hop = HOP_SECONDS * rate;
        int frames = (int) (x.length / hop);
        float[][] power = new float[frames][edges.length - 1];
        Fft fft = new Fft(length);
        double[] window = Fft.hann(length);
        double[] two = new double[2 * length];
        // Two frames share one complex transform, one as its real and one as its imaginary part.
        for (int f = 0; f < frames; f += 2) {
            boolean first = load(x, (int) Math.round(f * hop) - length / 2, window, two, 0);
            boolean more = f + 1 < frames;
            int next = more ? (int) Math.round((f + 1) * hop) - length / 2 : x.length;
            boolean second = load(x, next, window, two, 1);
            if (first || second) {
                fft.forwardComplex(two);
                add(two, edges, power[f], 1);
                if (more) {
                    add(two, edges, power[f + 1], -1);
                }
            }
        }
        double[] upper = new double[edges.length - 1];
        for (int b = 0; b < upper.length; b++) {
            upper[b] = edges[b + 1] * rate / length;
        }
        return new OnsetBands(power, upper);
    }

    /** First bins of the bands, and one past the last. */
    private static int[] edges(int length, double rate) {
        List<Integer> edges = new ArrayList<>(List.of(1));
        double hz = Math.max(LOWEST_HZ, rate / length) * BAND_RATIO;
        while (edges.getLast() < length / 2) {
            int bin = (int) Math.ceil(hz * length / rate);
            if (bin > edges.getLast()) {
                edges.add(Math.min(bin, length / 2));
            }
            hz *= BAND_RATIO;
        }
        return edges.stream().mapToInt(e -> e).toArray();
    }

    private static boolean load(float[] x, int start, double[] window, double[] two, int part) {
        boolean sounds = false;
        for (int i = 0; i < window.length; i++) {
            int at = start + i;
            float v = at >= 0 && at < x.length ? x[at] : 0;
            sounds |= v != 0;
            two[2 * i + part] = window[i] * v;
        }
        return sounds;
    }

    /**
     * Adds the powers of one of two real frames of a transform: sign 1 the real one, -1 the other.
     */
    private static void add(double[] two, int[] edges, float[] into, int sign) {
        int length = two.length / 2;
        for (int b = 0; b + 1 < edges.length; b++) {
            double sum = 0;
            for (int k = edges[b]; k < edges[b + 1]; k++) {
                int mirror = 2 * (length - k);
                double re = two[2 * k] + sign * two[mirror];
                double im = two[2 * k + 1] - sign * two[mirror + 1];
                sum += re * re + im * im;
            }
            into[b] = (float) sum;
        }
    }

    int frames() {
        return power.length;
    }

    /** Mean rise of each frame, dB. */
    double[] rises() {
        double[][] levels = new double[power.length][bands];
        for (int f = 0; f < power.length; f++) {
            for (int b = 0; b < bands; b++) {
                levels[f][b] = Decibels.ofPower(power[f][b] + floor);
            }
        }
        double[] rises = new double[power.length];
        for (int f = 0; f < power.length; f++) {
            double sum = 0;
            for (int b = 0; b < bands; b++) {
                double before = Decibels.ofPower(floor);
                for (int k = Math.max(0, f - LAG_TO); k <= f - LAG_FROM; k++) {
                    before = Math.max(before, levels[k][b]);
                }
                sum += Math.max(0, levels[f][b] - before);
            }
            rises[f] = sum / bands;
        }
        return rises;
    }

    /**
     * What an event adds, band by band in dB of all it adds, 0 to -30: the mean power of the 25 ms
     * from it less that of the frames before it.
     */
    double[] shape(double seconds) {
        int at = (int) Math.round(seconds / HOP_SECONDS);
        double[] added = new double[bands];
        for (int b = 0; b < bands; b++) {
            double after = mean(b, at, at + SHAPE_FRAMES);
            double before = mean(b, at - LAG_TO, at - LAG_FROM + 1);
            added[b] = Math.max(0, after - before);
        }
        double all = Arrays.stream(added).sum();
        for (int b = 0; b < bands; b++) {
            double share = all <= 0 ? 0 : added[b] / all;
            added[b] = Math.max(SHAPE_FLOOR_DB, Decibels.ofPower(share));
        }
        return added;
    }

    /**
     * The power that an event adds in some parts of the spectrum: the mean of some time from it
     * less that of the frames before it.
     *
     * @param seconds its onset
     * @param lastSeconds how long
     * @param edgesHz of the parts, in order; one more than there are parts
     */
    public double[] added(double seconds, double lastSeconds, double... edgesHz) {
        int at = (int) Math.round(seconds / HOP_SECONDS);
        int end = at + (int) Math.round(lastSeconds / HOP_SECONDS);
        double[] added = new double[edgesHz.length - 1];
        for (int b = 0; b < bands; b++) {
            double gain = mean(b, at, end) - mean(b, at - LAG_TO, at - LAG_FROM + 1);
            for (int k = 0; k < added.length; k++) {
                boolean inside = upperHz[b] > edgesHz[k] && upperHz[b] <= edgesHz[k + 1];
                added[k] += inside ? Math.max(0, gain) : 0;
            }
        }
        return added;
    }

    private double mean(int band, int from, int to) {
        double sum = 0;
        int count = 0;
        for (int f = Math.max(0, from); f < Math.min(power.length, to); f++) {
            sum += power[f][band];
            count++;
        }
        return count == 0 ? 0 : sum / count;
    }
}

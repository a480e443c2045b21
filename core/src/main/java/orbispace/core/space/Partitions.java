package orbispace.core.space;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import orbispace.core.signal.Fft;

/**
 * An impulse response cut for convolution without latency (Gardner 1995): its first taps as they
 * are, then parts whose spectra are longer the later they are needed.
 *
 * <p>Two paths are left to left and right to right; four are left to left, left to right, right to
 * left, right to right.
 */
final class Partitions {
    /** Taps that are convolved directly. */
    static final int HEAD = 256;

    private static final int[] SIZES = {HEAD, 2048, 16384};

    final int pathCount;
    final int frames;
    final float[][] head;

    /** The head again as the spectrum of one part, for inputs that come in whole blocks. */
    final float[][][] headSpectra;

    final List<Level> levels;

    /**
     * Parts of one size.
     *
     * @param size frames of each part
     * @param spectra real parts and imaginary parts, by path and part; the Nyquist bin stands in
     *     the first imaginary part
     */
    @SuppressWarnings("ArrayRecordComponent") // Never leaves this package.
    record Level(int size, float[][][][] spectra) {}

    private Partitions(float[][] taps) {
        pathCount = taps.length;
        frames = taps[0].length;
        head = new float[pathCount][];
        for (int p = 0; p < pathCount; p++) {
            head[p] = Arrays.copyOf(taps[p], HEAD);
        }
        headSpectra = new float[pathCount][][];
        Level first = level(taps, 0, Math.min(HEAD, frames), HEAD);
        for (int p = 0; p < pathCount; p++) {
            headSpectra[p] = first.spectra()[p][0];
        }
        levels = levels(taps);
    }

    /** Cuts a response of two or four paths of equal length. */
    static Partitions of(float[][] taps) {
        if (taps.length != 2 && taps.length != 4) {
            throw new IllegalArgumentException("a response of " + taps.length + " paths");
        }
        return new Partitions(taps);
    }

    /** A part's input block is complete when its first output is due, or one size before. */
    private static int start(int level) {
        return level == 0 ? HEAD : 2 * SIZES[level];
    }

    private static List<Level> levels(float[][] taps) {
        List<Level> levels = new ArrayList<>();
        int length = taps[0].length;
        for (int l = 0; l < SIZES.length && start(l) < length; l++) {
            boolean last = l == SIZES.length - 1 || length <= 2 * start(l + 1);
            int end = last ? length : start(l + 1);
            levels.add(level(taps, start(l), end, SIZES[l]));
            if (last) {
                break;
            }
        }
        return levels;
    }

    private static Level level(float[][] taps, int start, int end, int size) {
        int parts = (end - start + size - 1) / size;
        float[][][][] spectra = new float[taps.length][parts][2][];
        Fft fft = new Fft(2 * size);
        double[] x = new double[2 * size];
        for (int p = 0; p < taps.length; p++) {
            for (int k = 0; k < parts; k++) {
                int from = start + k * size;
                Arrays.fill(x, 0);
                for (int i = 0; i < Math.min(size, end - from); i++) {
                    x[i] = taps[p][from + i];
                }
                fft.forward(x);
                spectra[p][k] = split(x, new float[2][size]);
            }
        }
        return new Level(size, spectra);
    }

    /** A response cut in equal parts from its first frame on, for sounds that are there whole. */
    static Level equal(float[][] taps, int size) {
        return level(taps, 0, taps[0].length, size);
    }

    /** Parts a packed spectrum in real and imaginary parts. */
    static float[][] split(double[] packed, float[][] into) {
        float[] re = into[0];
        float[] im = into[1];
        for (int k = 0; k < re.length; k++) {
            re[k] = (float) packed[2 * k];
            im[k] = (float) packed[2 * k + 1];
        }
        return into;
    }

    /** Adds the product of two spectra to a sum. */
    static void multiplyAdd(float[][] x, float[][] h, float[][] sum) {
        float[] xr = x[0];
        float[] xi = x[1];
        float[] hr = h[0];
        float[] hi = h[1];
        float[] sr = sum[0];
        float[] si = sum[1];
        float first = sr[0] + xr[0] * hr[0];
        float nyquist = si[0] + xi[0] * hi[0];
        for (int k = 0; k < sr.length; k++) {
            sr[k] += xr[k] * hr[k] - xi[k] * hi[k];
            si[k] += xr[k] * hi[k] + xi[k] * hr[k];
        }
        sr[0] = first;
        si[0] = nyquist;
    }

    /** Packs real and imaginary parts for the inverse transform. */
    static void pack(float[][] split, double[] into) {
        for (int k = 0; k < split[0].length; k++) {
            into[2 * k] = split[0][k];
            into[2 * k + 1] = split[1][k];
        }
    }

    /** The channel that a path comes from. */
    int from(int path) {
        return pathCount == 4 ? path / 2 : path;
    }

    /** The channel that a path goes to. */
    int to(int path) {
        return pathCount == 4 ? path % 2 : path;
    }
}

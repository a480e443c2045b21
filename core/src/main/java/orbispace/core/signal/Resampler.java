package orbispace.core.signal;

import orbispace.core.audio.Audio;

/**
 * Converts a whole sound to another sample rate by a polyphase windowed sinc.
 *
 * <p>Kaiser window for 118 dB; pass band to 0.45 and stop band from 0.5 of the lower of the two
 * rates. The kernel is symmetric about each output's own time, so nothing is delayed: frame n of
 * the result lies at {@code n / toHz} seconds. Ratios with more than 2048 phases take their kernel
 * from a table by straight lines.
 */
public final class Resampler {
    private static final double PASS_SHARE = 0.45;
    private static final double STOP_SHARE = 0.5;
    private static final double ATTENUATION_DB = 118;
    private static final int MOST_PHASES = 2048;
    private static final int TABLE_PHASES = 8192;

    final long up;
    final long down;
    final int half;
    private final int phases;
    private final float[][] kernels;

    Resampler(long fromHz, long toHz) {
        long divisor = gcd(fromHz, toHz);
        up = toHz / divisor;
        down = fromHz / divisor;
        double lower = Math.min(1, toHz / (double) fromHz);
        double width = 2 * Math.PI * (STOP_SHARE - PASS_SHARE) * lower;
        half = (int) Math.ceil((ATTENUATION_DB - 8) / (2.285 * width) / 2) + 1;
        phases = up <= MOST_PHASES ? (int) up : TABLE_PHASES;
        kernels = new float[phases + 1][];
        double cutoff = (PASS_SHARE + STOP_SHARE) * lower;
        for (int p = 0; p <= phases; p++) {
            kernels[p] = kernel(p / (double) phases, cutoff);
        }
    }

    /**
     * Converts a sound.
     *
     * @param toHz a whole number of hertz from 8,000 to 192,000
     */
    public static Audio convert(Audio audio, double toHz) {
        if (!(toHz >= 8000 && toHz <= 192000) || toHz != Math.rint(toHz)) {
            throw new IllegalArgumentException("rate " + toHz + " Hz is not 8000 to 192000");
        }
        if (audio.sampleRateHz() == toHz) {
            return audio;
        }
        Resampler resampler = new Resampler(Math.round(audio.sampleRateHz()), Math.round(toHz));
        float[][] out = new float[audio.channelCount()][];
        for (int c = 0; c < out.length; c++) {
            out[c] = resampler.run(audio.channel(c));
        }
        return Audio.of(toHz, out);
    }

    /** Taps around an output that lies {@code fraction} of a frame after an input frame. */
    private float[] kernel(double fraction, double cutoff) {
        double beta = 0.1102 * (ATTENUATION_DB - 8.7);
        double[] taps = new double[2 * half];
        double sum = 0;
        for (int k = 0; k < taps.length; k++) {
            double t = k - half + 1 - fraction;
            double inside = 1 - (t / half) * (t / half);
            double x = Math.PI * cutoff * t;
            double sinc = Math.abs(x) < 1e-12 ? 1 : Math.sin(x) / x;
            taps[k] = inside <= 0 ? 0 : sinc * Bessel.i0(beta * Math.sqrt(inside));
            sum += taps[k];
        }
        float[] kernel = new float[taps.length];
        for (int k = 0; k < taps.length; k++) {
            kernel[k] = (float) (taps[k] / sum);
        }
        return kernel;
    }

    private float[] run(float[] in) {
        float[] padded = new float[in.length + 2 * half];
        System.arraycopy(in, 0, padded, half, in.length);
        int frames = (int) Math.min(Integer.MAX_VALUE - 16, (in.length * up + down - 1) / down);
        float[] out = new float[frames];
        for (int n = 0; n < frames; n++) {
            long at = n * down;
            out[n] = at(padded, (int) (at / up) + 1, at % up);
        }
        return out;
    }

    /**
     * The value between two samples.
     *
     * @param from the first of the samples that it is made of, of which there are {@code 2 half}
     * @param part how far after their middle it lies, in parts of {@code up}
     */
    float at(float[] x, int from, long part) {
        double phase = part * (double) phases / up;
        int p = (int) phase;
        float f = (float) (phase - p);
        float a = dot(kernels[p], x, from);
        return f == 0 ? a : a + f * (dot(kernels[p + 1], x, from) - a);
    }

    private static float dot(float[] kernel, float[] x, int from) {
        double a = 0;
        double b = 0;
        for (int k = 0; k < kernel.length; k += 2) {
            a += kernel[k] * x[from + k];
            b += kernel[k + 1] * x[from + k + 1];
        }
        return (float) (a + b);
    }

    private static long gcd(long a, long b) {
        return b == 0 ? a : gcd(b, a % b);
    }
}

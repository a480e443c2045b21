package orbispace.core.dynamics;

import java.util.Arrays;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Bessel;
import orbispace.core.signal.SoftCurve;

/**
 * A soft curve at four times the sample rate, level-compensated: a sine of -15 dBFS comes out as
 * loud as it went in.
 *
 * <p>Both half-way filters are linear-phase and hold everything from 28/48 of the sample rate on 80
 * dB down; together they delay by {@link #LATENCY_FRAMES}.
 */
public final class Drive {
    /** How late the sound comes out. */
    public static final int LATENCY_FRAMES = 32;

    private static final int TIMES = 4;
    private static final int SPAN = 32;
    private static final double BETA = 8;
    private static final int BLOCK = 256;
    private static final int GLIDE_FRAMES = 1024;
    private static final double REFERENCE = Decibels.toAmplitude(-15);
    private static final float SILENT = 1e-12f;

    /** The filter's taps by phase: {@code up[p][j]} is tap 4 j + p, {@code down[p][j]} 4 j - p. */
    private final float[][] up = new float[TIMES][SPAN + 1];

    private final float[][] down = new float[TIMES][SPAN + 1];

    private final float[] gains = new float[BLOCK];
    private final float[] levels = new float[BLOCK];
    private final Lane left = new Lane();
    private final Lane right = new Lane();
    private float gain;
    private float level;
    private float gainTarget;
    private float levelTarget;

    /** A drive at rest by so many dB, 0 to 40. */
    public Drive(double driveDb) {
        double[] taps = taps();
        for (int p = 0; p < TIMES; p++) {
            for (int j = 0; j <= SPAN; j++) {
                int u = TIMES * j + p;
                int d = TIMES * j - p;
                up[p][j] = u < taps.length ? (float) (TIMES * taps[u]) : 0;
                down[p][j] = d >= 0 ? (float) taps[d] : 0;
            }
        }
        apply(driveDb);
        gain = gainTarget;
        level = levelTarget;
    }

    /** A sinc of cut-off at half the sample rate under a Kaiser window, of sum 1. */
    static double[] taps() {
        int length = TIMES * SPAN + 1;
        double[] taps = new double[length];
        double sum = 0;
        for (int i = 0; i < length; i++) {
            double t = (i - (length - 1) / 2.0) / TIMES;
            double x = 2.0 * i / (length - 1) - 1;
            double window = Bessel.i0(BETA * Math.sqrt(1 - x * x)) / Bessel.i0(BETA);
            taps[i] = window * (t == 0 ? 1 : Math.sin(Math.PI * t) / (Math.PI * t));
            sum += taps[i];
        }
        for (int i = 0; i < length; i++) {
            taps[i] /= sum;
        }
        return taps;
    }

    /** Takes another drive, smoothly. */
    public void apply(double driveDb) {
        GainComputer.require("drive", driveDb, 0, 40);
        gainTarget = (float) Decibels.toAmplitude(driveDb);
        levelTarget = (float) compensation(gainTarget);
    }

    private static double compensation(double gain) {
        double in = 0;
        double out = 0;
        for (int i = 0; i < 256; i++) {
            double x = REFERENCE * Math.sin(2 * Math.PI * i / 256);
            double y = SoftCurve.of((float) (gain * x));
            in += x * x;
            out += y * y;
        }
        return Math.sqrt(in / out);
    }

    /** Works on frames {@code from} to before {@code to} in place. */
    public void process(float[] l, float[] r, int from, int to) {
        for (int at = from; at < to; at += BLOCK) {
            int n = Math.min(BLOCK, to - at);
            glide(n);
            left.process(l, at, n);
            right.process(r, at, n);
        }
    }

    /** Works out the gains of the next frames, each from the one before. */
    private void glide(int n) {
        for (int k = 0; k < n; k++) {
            gain += (gainTarget - gain) / GLIDE_FRAMES;
            level += (levelTarget - level) / GLIDE_FRAMES;
            gains[k] = gain;
            levels[k] = level;
        }
    }

    /** Forgets all sound. */
    public void reset() {
        left.reset();
        right.reset();
        gain = gainTarget;
        level = levelTarget;
    }

    /** One channel: recent frames in and recent frames of each phase behind the curve. */
    private final class Lane {
        private final float[] in = new float[SPAN + BLOCK];
        private final float[][] bent = new float[TIMES][SPAN + BLOCK];
        private final float[] sum = new float[BLOCK];
        private final float[] flat = new float[BLOCK];

        void process(float[] x, int at, int n) {
            for (int k = 0; k < n; k++) {
                float y = gains[k] * x[at + k];
                in[SPAN + k] = Math.abs(y) < SILENT ? 0 : y;
            }
            for (int p = 0; p < TIMES; p++) {
                filter(up[p], in, sum, n, true);
                for (int k = 0; k < n; k++) {
                    bent[p][SPAN + k] = SoftCurve.of(sum[k]);
                }
            }
            for (int p = 0; p < TIMES; p++) {
                filter(down[p], bent[p], sum, n, p == 0);
            }
            for (int k = 0; k < n; k++) {
                x[at + k] = levels[k] * sum[k];
            }
            System.arraycopy(in, n, in, 0, SPAN);
            for (float[] phase : bent) {
                System.arraycopy(phase, n, phase, 0, SPAN);
            }
        }

        private void filter(float[] taps, float[] x, float[] into, int n, boolean fresh) {
            if (fresh) {
                Arrays.fill(into, 0, n, 0);
            }
            for (int j = 0; j < taps.length; j++) {
                float h = taps[j];
                System.arraycopy(x, SPAN - j, flat, 0, n);
                for (int k = 0; k < n; k++) {
                    into[k] += h * flat[k];
                }
            }
        }

        void reset() {
            Arrays.fill(in, 0);
            for (float[] phase : bent) {
                Arrays.fill(phase, 0);
            }
        }
    }
}

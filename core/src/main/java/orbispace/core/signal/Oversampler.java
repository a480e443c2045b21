package orbispace.core.signal;

import java.util.Arrays;

/**
 * A curve without memory at many times the sample rate, so that what it adds over half the rate
 * does not come back as other tones. Four times by a steep filter, and as often again as asked by a
 * short one.
 *
 * <p>All filters are linear-phase and hold what would fold into the range of hearing 80 dB down
 * (everything from 28/48 of the sample rate on); together they delay by {@link #LATENCY_FRAMES}.
 */
public final class Oversampler {
    /** How late the sound comes out. */
    public static final int LATENCY_FRAMES = 34;

    /** The longest stretch that is worked on at once. */
    public static final int BLOCK = 256;

    private static final int FIRST_TIMES = 4;
    private static final int FIRST_SPAN = 32;
    private static final int SECOND_SPAN = 8;
    private static final double BETA = 8;

    /** Bends samples in place. */
    @FunctionalInterface
    public interface Curve {
        /** Bends the first {@code n} samples. */
        void bend(float[] samples, int n);
    }

    private final Stage first = new Stage(FIRST_TIMES, FIRST_SPAN, BLOCK);
    private final Stage second;
    private final float[] wide = new float[FIRST_TIMES * BLOCK];

    /** One channel at rest, at four times the rate times {@code more}. */
    public Oversampler(int more) {
        second = new Stage(more, SECOND_SPAN, FIRST_TIMES * BLOCK);
    }

    /**
     * Bends frames in place.
     *
     * @param n at most {@link #BLOCK}
     */
    public void process(float[] x, int at, int n, Curve curve) {
        first.take(x, at, n);
        for (int p = 0; p < FIRST_TIMES; p++) {
            float[] phase = first.phase(p, n);
            for (int k = 0; k < n; k++) {
                wide[FIRST_TIMES * k + p] = phase[k];
            }
        }
        int m = FIRST_TIMES * n;
        second.take(wide, 0, m);
        for (int q = 0; q < second.times; q++) {
            float[] phase = second.phase(q, m);
            curve.bend(phase, m);
            second.keep(q, phase, m);
        }
        System.arraycopy(second.sum(m), 0, wide, 0, m);
        float[] part = first.part;
        for (int p = 0; p < FIRST_TIMES; p++) {
            for (int k = 0; k < n; k++) {
                part[k] = wide[FIRST_TIMES * k + p];
            }
            first.keep(p, part, n);
        }
        System.arraycopy(first.sum(n), 0, x, at, n);
    }

    /** Forgets all sound. */
    public void reset() {
        first.reset();
        second.reset();
    }

    /** Up by a whole number of times, and down again. */
    private static final class Stage {
        private final int times;
        private final int span;

        /** Taps by phase: {@code up[p][j]} is tap times j + p, {@code down[p][j]} times j - p. */
        private final float[][] up;

        private final float[][] down;
        private final float[] in;
        private final float[][] bent;
        private final float[] sum;
        private final float[] part;
        private final float[] flat;

        Stage(int times, int span, int most) {
            this.times = times;
            this.span = span;
            up = new float[times][span + 1];
            down = new float[times][span + 1];
            in = new float[span + most];
            bent = new float[times][span + most];
            sum = new float[most];
            part = new float[most];
            flat = new float[most];
            double[] taps = taps(times, span);
            for (int p = 0; p < times; p++) {
                for (int j = 0; j <= span; j++) {
                    int u = times * j + p;
                    int d = times * j - p;
                    up[p][j] = u < taps.length ? (float) (times * taps[u]) : 0;
                    down[p][j] = d >= 0 ? (float) taps[d] : 0;
                }
            }
        }

        void take(float[] x, int at, int n) {
            System.arraycopy(x, at, in, span, n);
        }

        float[] phase(int p, int n) {
            Arrays.fill(part, 0, n, 0);
            filter(up[p], in, part, n);
            return part;
        }

        void keep(int p, float[] samples, int n) {
            System.arraycopy(samples, 0, bent[p], span, n);
        }

        /** The sum of all phases; what was taken and kept moves on. */
        float[] sum(int n) {
            Arrays.fill(sum, 0, n, 0);
            for (int p = 0; p < times; p++) {
                filter(down[p], bent[p], sum, n);
                System.arraycopy(bent[p], n, bent[p], 0, span);
            }
            System.arraycopy(in, n, in, 0, span);
            return sum;
        }

        private void filter(float[] taps, float[] x, float[] into, int n) {
            for (int j = 0; j < taps.length; j++) {
                float h = taps[j];
                System.arraycopy(x, span - j, flat, 0, n);
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

    /** A sinc of cut-off at half the rate that comes in under a Kaiser window, of sum 1. */
    static double[] taps(int times, int span) {
        int length = times * span + 1;
        double[] taps = new double[length];
        double sum = 0;
        for (int i = 0; i < length; i++) {
            double t = (i - (length - 1) / 2.0) / times;
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
}

package orbispace.core.space;

/**
 * The absorption of two lines: two second-order sections each, side by side in one loop, so that no
 * recursion waits for another.
 *
 * <p>Transposed direct form II in double. New coefficients are reached over {@link #GLIDE_GRIDS}
 * grids by straight lines; stable sections form a convex set, so every step between is stable.
 */
final class Absorption {
    /** Coefficients of one line. */
    static final int COEFFICIENTS = 10;

    private static final int GLIDE_GRIDS = 16;
    private static final double SILENT = 1e-15;

    private final double[] a = new double[COEFFICIENTS];
    private final double[] b = new double[COEFFICIENTS];
    private final double[] aTarget = new double[COEFFICIENTS];
    private final double[] bTarget = new double[COEFFICIENTS];
    private final double[] state = new double[8];
    private int glideLeft;

    void tune(double[] first, double[] second, boolean atOnce) {
        System.arraycopy(first, 0, aTarget, 0, COEFFICIENTS);
        System.arraycopy(second, 0, bTarget, 0, COEFFICIENTS);
        glideLeft = GLIDE_GRIDS;
        if (atOnce) {
            glideLeft = 1;
            glide();
        }
    }

    /** Moves on by one grid. */
    void glide() {
        if (glideLeft > 0) {
            for (int i = 0; i < COEFFICIENTS; i++) {
                a[i] += (aTarget[i] - a[i]) / glideLeft;
                b[i] += (bTarget[i] - b[i]) / glideLeft;
            }
            glideLeft--;
        }
    }

    void process(float[] x, float[] y, int n) {
        double a0 = a[0], a1 = a[1], a2 = a[2], a3 = a[3], a4 = a[4];
        double a5 = a[5], a6 = a[6], a7 = a[7], a8 = a[8], a9 = a[9];
        double b0 = b[0], b1 = b[1], b2 = b[2], b3 = b[3], b4 = b[4];
        double b5 = b[5], b6 = b[6], b7 = b[7], b8 = b[8], b9 = b[9];
        double s0 = state[0], s1 = state[1], s2 = state[2], s3 = state[3];
        double t0 = state[4], t1 = state[5], t2 = state[6], t3 = state[7];
        for (int k = 0; k < n; k++) {
            double u = x[k];
            double v = y[k];
            double p = Math.fma(a0, u, s0);
            double q = Math.fma(b0, v, t0);
            s0 = Math.fma(a1, u, Math.fma(-a3, p, s1));
            t0 = Math.fma(b1, v, Math.fma(-b3, q, t1));
            s1 = Math.fma(a2, u, -a4 * p);
            t1 = Math.fma(b2, v, -b4 * q);
            double r = Math.fma(a5, p, s2);
            double w = Math.fma(b5, q, t2);
            s2 = Math.fma(a6, p, Math.fma(-a8, r, s3));
            t2 = Math.fma(b6, q, Math.fma(-b8, w, t3));
            s3 = Math.fma(a7, p, -a9 * r);
            t3 = Math.fma(b7, q, -b9 * w);
            x[k] = (float) r;
            y[k] = (float) w;
        }
        keep(0, s0, s1, s2, s3);
        keep(4, t0, t1, t2, t3);
    }

    private void keep(int at, double s0, double s1, double s2, double s3) {
        state[at] = clean(s0);
        state[at + 1] = clean(s1);
        state[at + 2] = clean(s2);
        state[at + 3] = clean(s3);
    }

    private static double clean(double x) {
        return Math.abs(x) < SILENT ? 0 : x;
    }

    void reset() {
        java.util.Arrays.fill(state, 0);
        glideLeft = Math.min(glideLeft, 1);
        glide();
    }
}

package orbispace.core.signal;

/**
 * The envelope of the louder of two sounds from two chains of all-passes that are a quarter of a
 * turn apart, within 0.6 degrees from 0.006 to 0.994 of half the sample rate: that of a steady tone
 * stands still, where its peaks come and go with every half period. Highs come at once, lows late
 * by some milliseconds.
 */
public final class Quadrature {
    private static final int SECTIONS = 3;

    /** Samples in and out that a section keeps of both sounds. */
    private static final int KEPT = 8;

    /** Of the smallest greatest error with three sections each, found by search. */
    private static final double[] ONE = {0.677424763, 0.9296892731, 0.9920310517};

    private static final double[] OTHER = {0.3902643208, 0.8447510249, 0.9706839036};
    private static final double SILENT = 1e-20;

    private final double[] one = new double[KEPT * SECTIONS];
    private final double[] other = new double[KEPT * SECTIONS];
    private final double[] before = new double[2];
    private final double[][] turned;
    private final double[][] plain;

    /** For at most so many samples at a time. */
    public Quadrature(int most) {
        turned = new double[2][most];
        plain = new double[2][most];
    }

    /**
     * The envelope at each of the next samples.
     *
     * @param first samples of one sound
     * @param second samples of the other
     * @param into takes the envelopes
     * @param count how many
     */
    public void follow(double[] first, double[] second, double[] into, int count) {
        System.arraycopy(first, 0, turned[0], 0, count);
        System.arraycopy(first, 0, plain[0], 0, count);
        System.arraycopy(second, 0, turned[1], 0, count);
        System.arraycopy(second, 0, plain[1], 0, count);
        chain(ONE, one, turned[0], turned[1], count);
        chain(OTHER, other, plain[0], plain[1], count);
        double lastA = before[0];
        double lastB = before[1];
        for (int i = 0; i < count; i++) {
            double a = lastA * lastA + plain[0][i] * plain[0][i];
            double b = lastB * lastB + plain[1][i] * plain[1][i];
            into[i] = Math.sqrt(Math.max(a, b));
            lastA = turned[0][i];
            lastB = turned[1][i];
        }
        before[0] = lastA;
        before[1] = lastB;
    }

    /** Each section keeps two samples in and two out of either sound, next to each other. */
    private static void chain(double[] corners, double[] state, double[] a, double[] b, int count) {
        for (int s = 0; s < SECTIONS; s++) {
            int at = KEPT * s;
            double c = corners[s] * corners[s];
            double a1 = state[at];
            double a2 = state[at + 1];
            double out1 = state[at + 2];
            double out2 = state[at + 3];
            double b1 = state[at + 4];
            double b2 = state[at + 5];
            double second1 = state[at + 6];
            double second2 = state[at + 7];
            for (int i = 0; i < count; i++) {
                double y = c * (a[i] + out2) - a2;
                double z = c * (b[i] + second2) - b2;
                a2 = a1;
                a1 = a[i];
                out2 = out1;
                out1 = y;
                b2 = b1;
                b1 = b[i];
                second2 = second1;
                second1 = z;
                a[i] = y;
                b[i] = z;
            }
            state[at] = a1;
            state[at + 1] = a2;
            state[at + 2] = audible(out1);
            state[at + 3] = audible(out2);
            state[at + 4] = b1;
            state[at + 5] = b2;
            state[at + 6] = audible(second1);
            state[at + 7] = audible(second2);
        }
    }

    private static double audible(double x) {
        return Math.abs(x) < SILENT ? 0 : x;
    }

    /** Forgets the sounds. */
    public void reset() {
        java.util.Arrays.fill(one, 0);
        java.util.Arrays.fill(other, 0);
        java.util.Arrays.fill(before, 0);
    }
}

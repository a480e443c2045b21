package orbispace.core.signal;

/**
 * The envelope of a sound from two chains of all-passes that are a quarter of a turn apart (within
 * 0.7 degrees from 0.002 of half the sample rate on, after O. Niemitalo): that of a steady tone
 * stands still, where its peaks come and go with every half period. Highs come at once, lows late
 * by some milliseconds.
 */
public final class Quadrature {
    private static final int SECTIONS = 4;
    private static final double[] ONE = {
        0.6923878, 0.9360654322959, 0.9882295226860, 0.9987488452737
    };
    private static final double[] OTHER = {
        0.4021921162426, 0.8561710882420, 0.9722909545651, 0.9952884791278
    };
    private static final double SILENT = 1e-20;

    private final double[] one = new double[4 * SECTIONS];
    private final double[] other = new double[4 * SECTIONS];
    private double before;

    /** The envelope at the next sample. */
    public double next(double x) {
        double turned = chain(ONE, one, x);
        double plain = chain(OTHER, other, x);
        double power = before * before + plain * plain;
        before = turned;
        return Math.sqrt(power);
    }

    /** Each section keeps two samples in and two out. */
    private static double chain(double[] corners, double[] state, double in) {
        double x = in;
        for (int s = 0; s < SECTIONS; s++) {
            int at = 4 * s;
            double c = corners[s] * corners[s];
            double y = c * (x + state[at + 3]) - state[at + 1];
            y = Math.abs(y) < SILENT ? 0 : y;
            state[at + 1] = state[at];
            state[at] = x;
            state[at + 3] = state[at + 2];
            state[at + 2] = y;
            x = y;
        }
        return x;
    }

    /** Forgets the sound. */
    public void reset() {
        java.util.Arrays.fill(one, 0);
        java.util.Arrays.fill(other, 0);
        before = 0;
    }
}

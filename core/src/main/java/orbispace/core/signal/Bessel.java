package orbispace.core.signal;

/** Bessel functions, of which Kaiser's windows are made. */
public final class Bessel {
    private static final double ACCURACY = 1e-14;

    private Bessel() {}

    /** The modified Bessel function of the first kind and order 0, by its power series. */
    public static double i0(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; term > ACCURACY * sum; k++) {
            term *= (x / (2 * k)) * (x / (2 * k));
            sum += term;
        }
        return sum;
    }
}

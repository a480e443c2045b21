package orbispace.core.signal;

import java.util.function.DoubleUnaryOperator;

/**
 * Sections that follow their analogue curve to 0.83 of half the sample rate (Vicanek 2016): the
 * poles are those of the analogue filter, the zeros make the magnitude right at rest and at two
 * frequencies, where the bilinear transform would squeeze all that lies over half the rate into it.
 */
final class MatchedDesign {
    private static final double TOP = 0.83 * Math.PI;
    private static final double MOST_CORNER = 0.6 * Math.PI;
    private static final double MIDDLE = 0.5 * Math.PI;

    private MatchedDesign() {}

    /** Poles of {@code s^2 + s w0 / q + w0^2}, and what their power is made of. */
    private record Poles(double a1, double a2) {
        static Poles of(double w0, double q) {
            double turn = 1 - 1 / (4 * q * q);
            double fall = Math.exp(-w0 / (2 * q));
            double cos =
                    turn >= 0 ? Math.cos(Math.sqrt(turn) * w0) : Math.cosh(Math.sqrt(-turn) * w0);
            return new Poles(-2 * fall * cos, fall * fall);
        }

        double power(double w) {
            double p1 = Math.pow(Math.sin(w / 2), 2);
            double p0 = 1 - p1;
            return Math.pow(1 + a1 + a2, 2) * p0
                    + Math.pow(1 - a1 + a2, 2) * p1
                    - 16 * a2 * p0 * p1;
        }
    }

    /**
     * A section of a power that is not zero at rest.
     *
     * @param w0 frequency of its poles in radians for each sample
     * @param q of its poles
     * @param power of the analogue filter at a frequency
     * @param near where it shall be right besides, unless that is too high
     */
    static Biquad section(double w0, double q, DoubleUnaryOperator power, double near) {
        Poles poles = Poles.of(w0, q);
        double rest = poles.power(0) * power.applyAsDouble(0);
        double lower = near < MOST_CORNER ? near : MIDDLE;
        // Power of the zeros: rest p0 + top p1 + 4 bend p0 p1, right at both frequencies.
        double[] one = row(poles, power, rest, lower);
        double[] two = row(poles, power, rest, TOP);
        double determinant = one[0] * two[1] - two[0] * one[1];
        double top = Math.max(0, (one[2] * two[1] - two[2] * one[1]) / determinant);
        double bend = (one[0] * two[2] - two[0] * one[2]) / determinant;
        double half = (Math.sqrt(rest) + Math.sqrt(top)) / 2;
        double b0 = (half + Math.sqrt(Math.max(0, half * half + bend))) / 2;
        double b1 = (Math.sqrt(rest) - Math.sqrt(top)) / 2;
        return new Biquad(b0, b1, -bend / (4 * b0), poles.a1, poles.a2);
    }

    private static double[] row(Poles poles, DoubleUnaryOperator power, double rest, double w) {
        double p1 = Math.pow(Math.sin(w / 2), 2);
        double p0 = 1 - p1;
        return new double[] {p1, 4 * p0 * p1, poles.power(w) * power.applyAsDouble(w) - rest * p0};
    }

    /** A section with a double zero at rest. */
    static Biquad highPass(double w0, double q) {
        Poles poles = Poles.of(w0, q);
        double x = MOST_CORNER / w0;
        double power = Math.pow(x, 4) / (Math.pow(1 - x * x, 2) + x * x / (q * q));
        double sine = Math.pow(Math.sin(MOST_CORNER / 2), 2);
        double b = Math.sqrt(poles.power(MOST_CORNER) * power) / (4 * sine);
        return new Biquad(b, -2 * b, b, poles.a1, poles.a2);
    }

    /** One pole. */
    static Biquad one(double w0, boolean high) {
        double a = -Math.exp(-w0);
        double w = high ? MOST_CORNER : TOP;
        double x = w / w0;
        double p1 = Math.pow(Math.sin(w / 2), 2);
        double wanted =
                ((1 + a) * (1 + a) * (1 - p1) + (1 - a) * (1 - a) * p1)
                        * (high ? x * x : 1)
                        / (1 + x * x);
        double rest = high ? 0 : 1 + a;
        double top = Math.sqrt(Math.max(0, (wanted - rest * rest * (1 - p1)) / p1));
        return new Biquad((rest + top) / 2, (rest - top) / 2, 0, a, 0);
    }

    /** The section that undoes another. */
    static Biquad inverse(Biquad s) {
        return new Biquad(
                1 / s.b0(), s.a1() / s.b0(), s.a2() / s.b0(), s.b1() / s.b0(), s.b2() / s.b0());
    }
}

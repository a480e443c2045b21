package orbispace.core.ears;

import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import orbispace.core.hearing.WetState;

/**
 * What the hearing model says of the pair of a lesson: a difference is noticed when it makes up as
 * much of the loudness as a wet does that is no longer hidden.
 *
 * @param difference the least that is noticed, in the unit of the lesson; empty if the greatest is
 *     not
 * @param offsetDb how much more of the loudness the difference is that was told at last, in dB: how
 *     far that listener's border lies over the model's
 */
public record Predicted(OptionalDouble difference, double offsetDb) {
    private static final int MOST_STEPS = 5;
    private static final double LEAST_OF_GREATEST = 1.0 / 256;
    private static final double ACCURACY = 0.05;
    private static final double EDGE = 0.1;
    private static final double FIRST_OF_GREATEST = 0.25;

    /** Least share of a difference, so that none lies infinitely far under the border. */
    private static final double LEAST_SHARE = 1e-6;

    /**
     * What the model says.
     *
     * @param shares the share of the loudness that a difference is, rising
     * @param greatest the greatest difference
     * @param told the difference that was told at last
     */
    public static Predicted of(DoubleUnaryOperator shares, double greatest, double told) {
        double share = shares.applyAsDouble(told);
        return new Predicted(least(shares, greatest), offsetDb(share));
    }

    /**
     * The least difference that is noticed, within a twentieth of itself or after five tries; empty
     * if the greatest is not.
     *
     * @param shares the share of the loudness that a difference is, rising
     */
    public static OptionalDouble least(DoubleUnaryOperator shares, double greatest) {
        double low = greatest * LEAST_OF_GREATEST;
        double high = greatest;
        double overDb = offsetDb(shares.applyAsDouble(high));
        double underDb = Double.NaN;
        if (overDb < 0) {
            return OptionalDouble.empty();
        }
        for (int i = 0; i < MOST_STEPS && high / low > 1 + ACCURACY; i++) {
            double at = between(low, underDb, high, overDb);
            double db = offsetDb(shares.applyAsDouble(at));
            if (db < 0) {
                low = at;
                underDb = db;
            } else {
                high = at;
                overDb = db;
            }
        }
        return OptionalDouble.of(Math.exp(line(low, underDb, high, overDb)));
    }

    /** Where the border is expected, off the ends, so that both move. */
    private static double between(double low, double underDb, double high, double overDb) {
        double edge = EDGE * Math.log(high / low);
        double at = line(low, underDb, high, overDb);
        return Math.exp(Math.clamp(at, Math.log(low) + edge, Math.log(high) - edge));
    }

    /** Where a line on logarithms meets the border; with one end alone, of slope 1. */
    private static double line(double low, double underDb, double high, double overDb) {
        double to = Math.log(high);
        return Double.isNaN(underDb)
                ? Math.max(Math.log(low), to - overDb / 10 * Math.log(10))
                : to - Math.log(high / low) * overDb / (overDb - underDb);
    }

    /** A first guess at the least difference that is noticed, by one try. */
    public static double guess(DoubleUnaryOperator shares, double greatest) {
        double at = FIRST_OF_GREATEST * greatest;
        double factor = Math.pow(10, -offsetDb(shares.applyAsDouble(at)) / 10);
        return Math.clamp(at * factor, greatest * LEAST_OF_GREATEST, greatest);
    }

    /** How far a share lies over the model's border, in dB. */
    public static double offsetDb(double share) {
        return 10 * Math.log10(Math.max(LEAST_SHARE, share) / WetState.FELT.fromShare());
    }
}

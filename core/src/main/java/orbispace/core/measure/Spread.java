package orbispace.core.measure;

import java.util.OptionalDouble;

/**
 * Energy over bearings, from -90 (left) to 90 degrees, and the angle within which most of it lies.
 */
final class Spread {
    /** The share of the energy that the angle holds, as much left out on either side. */
    static final double SHARE = 0.75;

    private static final int PER_DEGREE = 4;

    private final double[] energy = new double[180 * PER_DEGREE];
    private double sum;

    /** Adds energy at a bearing in degrees. */
    void add(double bearing, double power) {
        int bin = (int) Math.floor((bearing + 90) * PER_DEGREE);
        energy[Math.clamp(bin, 0, energy.length - 1)] += power;
        sum += power;
    }

    /** The angle in degrees within which the middle three quarters lie; empty for silence. */
    OptionalDouble degrees() {
        if (sum <= 0) {
            return OptionalDouble.empty();
        }
        double out = (1 - SHARE) / 2 * sum;
        return OptionalDouble.of(from(out, true) - from(out, false));
    }

    /** Where so much of the energy lies beyond, from the right or from the left. */
    private double from(double beyond, boolean right) {
        int bins = energy.length;
        double passed = 0;
        for (int i = 0; i < bins; i++) {
            int bin = right ? bins - 1 - i : i;
            double here = energy[bin];
            if (passed + here >= beyond && here > 0) {
                double inside = (beyond - passed) / here;
                double at = right ? bin + 1 - inside : bin + inside;
                return at / PER_DEGREE - 90;
            }
            passed += here;
        }
        return right ? -90 : 90;
    }
}

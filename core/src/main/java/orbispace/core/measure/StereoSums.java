package orbispace.core.measure;

import java.util.OptionalDouble;
import orbispace.core.audio.Pan;

/** Powers of two channels, their product and their bearings, summed over samples or cells. */
final class StereoSums {
    private static final double CANCELLED = 1e-9;

    private double left;
    private double right;
    private double both;
    private double angle;
    private double squaredAngle;
    private final Spread spread = new Spread();

    /** Adds a sample of each channel. */
    void addSample(double l, double r) {
        left += l * l;
        right += r * r;
        both += l * r;
    }

    /** Adds a time-frequency cell: its power left and right, and the product of the two. */
    void add(double l, double r, double product) {
        left += l;
        right += r;
        both += product;
        double power = l + r;
        double bearing = 90 * Pan.position(l, r);
        angle += power * bearing;
        squaredAngle += power * bearing * bearing;
        spread.add(bearing, power);
    }

    OptionalDouble correlation() {
        double scale = Math.sqrt(left * right);
        return scale > 0
                ? OptionalDouble.of(Math.clamp(both / scale, -1, 1))
                : OptionalDouble.empty();
    }

    OptionalDouble loss() {
        double power = left + right;
        double mono = (power + 2 * both) / 2;
        return power > 0 && mono > CANCELLED * power
                ? OptionalDouble.of(10 * Math.log10(power / mono))
                : OptionalDouble.empty();
    }

    StereoReport.Band band(double centre) {
        double power = left + right;
        if (power == 0) {
            OptionalDouble none = OptionalDouble.empty();
            return new StereoReport.Band(centre, none, none, none, none);
        }
        double mean = angle / power;
        double deviation = Math.sqrt(Math.max(0, squaredAngle / power - mean * mean));
        return new StereoReport.Band(
                centre,
                correlation(),
                loss(),
                OptionalDouble.of(mean),
                OptionalDouble.of(2 * deviation),
                spread.degrees());
    }
}

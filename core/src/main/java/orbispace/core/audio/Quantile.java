package orbispace.core.audio;

import java.util.Arrays;
import java.util.Collection;

/** Quantiles by linear interpolation between order statistics. */
public final class Quantile {
    private Quantile() {}

    /** The quantile (0 to 1) of values in any order; 0 for none. */
    public static double of(double[] values, double share) {
        if (values.length == 0) {
            return 0;
        }
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        double at = share * (sorted.length - 1);
        int low = (int) Math.floor(at);
        int high = Math.min(low + 1, sorted.length - 1);
        return sorted[low] + (at - low) * (sorted[high] - sorted[low]);
    }

    /** The quantile of a collection. */
    public static double of(Collection<Double> values, double share) {
        return of(values.stream().mapToDouble(Double::doubleValue).toArray(), share);
    }
}

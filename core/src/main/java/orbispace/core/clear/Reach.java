package orbispace.core.clear;

import java.util.function.DoubleFunction;
import java.util.function.DoublePredicate;
import orbispace.core.design.Targets;

/** How much of a remedy is needed, by bisection. */
final class Reach {
    private static final double NEAR = 0.5;

    private Reach() {}

    /**
     * The least amount that uncovers the source; where not even the most does, the least that does
     * nearly as much, so that nothing is given away for what cannot be had.
     */
    static double least(
            double from, double most, double step, DoubleFunction<Standing> at, Targets targets) {
        Standing best = at.apply(most);
        double limit = best.uncovered(targets) + NEAR;
        return best.uncovers(targets)
                ? leastFor(from, most, step, amount -> at.apply(amount).uncovers(targets))
                : leastFor(from, most, step, x -> at.apply(x).uncovered(targets) <= limit);
    }

    /** The least amount for which something holds, if it holds for the most. */
    static double leastFor(double from, double most, double step, DoublePredicate holds) {
        double low = from;
        double high = most;
        while (high - low > step) {
            double middle = (low + high) / 2;
            if (holds.test(middle)) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return high;
    }
}

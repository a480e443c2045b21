package orbispace.core.ears;

import java.util.function.DoubleUnaryOperator;
import java.util.random.RandomGenerator;

/**
 * An ear whose threshold is known: how often it is right depends on the difference over the
 * threshold, it lapses in 3 of 100 rounds, and its threshold may drift in the course of a lesson.
 *
 * @param sure share of right answers without lapses, by the difference over a unit of its own
 * @param threshold difference at which it is right as often as a staircase asks, lapses included
 * @param driftOctaves by which the threshold has grown after 40 answers
 */
record SimulatedEar(DoubleUnaryOperator sure, double threshold, double driftOctaves) {
    private static final double LAPSES = 0.03;

    /** An ear whose certainty grows like a Weibull curve of a slope. */
    static SimulatedEar sloped(double slope, double threshold) {
        return new SimulatedEar(x -> 1 - 0.5 * Math.exp(-Math.pow(x, slope)), threshold, 0);
    }

    /** An ear that guesses. */
    static SimulatedEar deaf() {
        return new SimulatedEar(x -> 0.5, 1, 0);
    }

    SimulatedEar drifting(double octaves) {
        return new SimulatedEar(sure, threshold, octaves);
    }

    private double right(double x) {
        return (1 - LAPSES) * sure.applyAsDouble(x) + LAPSES / 2;
    }

    /** The difference of its own unit at the threshold, by halving. */
    private double unit() {
        double low = 1e-6;
        double high = 1e6;
        for (int i = 0; i < 80; i++) {
            double middle = Math.sqrt(low * high);
            if (right(middle) < Staircase.SHARE) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** Runs a lesson to its end. */
    Outcome take(Rounds lesson, RandomGenerator random) {
        double unit = unit();
        while (lesson.outcome().isEmpty()) {
            double drift = Math.pow(2, driftOctaves * lesson.answers() / lesson.most());
            double x = unit * lesson.difference() / (threshold * drift);
            lesson.answer(random.nextDouble() < right(x));
        }
        return lesson.outcome().orElseThrow();
    }
}

package orbispace.core.ears;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.prove.compare.BlindTrial;

/**
 * A short lesson that looks whether a threshold is still where it was expected: each of its {@value
 * #MOST_ANSWERS} rounds lies half an octave over where it most likely is by all answers so far, and
 * the mean of what is then likely is what came out (Watson and Pelli 1983). It leans on what was
 * expected, and says so by its spread.
 */
public final class BriefRounds implements Rounds {
    /** So many answers are asked for. */
    public static final int MOST_ANSWERS = 14;

    private static final double OVER_OCTAVES = 0.5;
    private static final double STEPS_PER_OCTAVE = 4;

    /** How far an expected threshold may be off, in octaves. */
    private static final double EXPECTED_SPREAD = 1.5;

    /** By so much the mean lies too low, since more answers are right than wrong. */
    private static final double BIAS_OCTAVES = -0.15;

    private static final double GRID_OCTAVES = 5;
    private static final int GRID_STEPS = 16;

    /** An ear that gets better as fast as most do, and slips now and then. */
    private static final double SLOPE = 2;

    private static final double LAPSES = 0.03;
    private static final double AT_THRESHOLD = -Math.log(2 * (1 - Staircase.SHARE));
    private static final double CHANCE = 0.01;

    private final double greatest;
    private final double expected;
    private final List<Boolean> answers = new ArrayList<>();
    private final double[] octaves = new double[(int) (2 * GRID_OCTAVES * GRID_STEPS) + 1];
    private final double[] likely = new double[octaves.length];

    /**
     * A short lesson before its first answer.
     *
     * @param expected the threshold that was found last, or is predicted
     * @param greatest more than this cannot be made, at least {@code expected}
     * @throws IllegalArgumentException if they are not so
     */
    public BriefRounds(double expected, double greatest) {
        if (!(expected > 0) || !(greatest >= expected) || Double.isInfinite(greatest)) {
            throw new IllegalArgumentException(
                    "a lesson expects a threshold over 0 and up to its greatest difference, not "
                            + expected
                            + " of "
                            + greatest);
        }
        this.expected = expected;
        this.greatest = greatest;
        for (int i = 0; i < octaves.length; i++) {
            octaves[i] = (double) i / GRID_STEPS - GRID_OCTAVES;
            double off = octaves[i] / EXPECTED_SPREAD;
            likely[i] = Math.exp(-off * off / 2);
        }
    }

    @Override
    public double difference() {
        return at(likely);
    }

    /** Half an octave over the mean of what is likely, on a grid of quarter octaves. */
    private double at(double[] weights) {
        double octave =
                Math.rint(STEPS_PER_OCTAVE * (mean(weights) + OVER_OCTAVES)) / STEPS_PER_OCTAVE;
        return Math.min(greatest, expected * Math.pow(2, octave));
    }

    private double mean(double[] weights) {
        double sum = 0;
        double of = 0;
        for (int i = 0; i < weights.length; i++) {
            sum += weights[i] * octaves[i];
            of += weights[i];
        }
        return sum / of;
    }

    private double spread() {
        double mean = mean(likely);
        double sum = 0;
        double of = 0;
        for (int i = 0; i < likely.length; i++) {
            sum += likely[i] * (octaves[i] - mean) * (octaves[i] - mean);
            of += likely[i];
        }
        return Math.sqrt(sum / of);
    }

    private double[] after(boolean right) {
        double level = Math.log(difference() / expected) / Math.log(2);
        double[] then = likely.clone();
        for (int i = 0; i < then.length; i++) {
            double over = Math.pow(2, SLOPE * (level - octaves[i]));
            double told = 1 - Math.exp(-AT_THRESHOLD * over) / 2;
            double p = LAPSES / 2 + (1 - LAPSES) * told;
            then[i] *= right ? p : 1 - p;
        }
        return then;
    }

    @Override
    public List<Double> next() {
        return List.of(at(after(true)), at(after(false)));
    }

    @Override
    public int answers() {
        return answers.size();
    }

    @Override
    public int most() {
        return MOST_ANSWERS;
    }

    @Override
    public void answer(boolean right) {
        if (answers.size() < MOST_ANSWERS) {
            double[] then = after(right);
            System.arraycopy(then, 0, likely, 0, then.length);
            answers.add(right);
        }
    }

    @Override
    public Optional<Outcome> outcome() {
        int n = answers.size();
        if (n < MOST_ANSWERS) {
            return Optional.empty();
        }
        int right = (int) answers.stream().filter(r -> r).count();
        double threshold = expected * Math.pow(2, mean(likely) - BIAS_OCTAVES);
        if (BlindTrial.chanceOfAtLeast(right, n) > CHANCE || threshold > greatest) {
            return Optional.of(new Outcome.Unsure(n));
        }
        double factor = Math.pow(2, spread());
        return Optional.of(new Outcome.Heard(threshold, threshold / factor, threshold * factor, n));
    }
}

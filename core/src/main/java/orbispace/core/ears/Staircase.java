package orbispace.core.ears;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.prove.compare.BlindTrial;

/**
 * Finds the difference that an ear tells four times in five. In each round one of two sounds has
 * more of something; after two right answers in a row the difference becomes smaller, after a wrong
 * one greater. It moves in octaves of the difference; steps halve after the second and the fourth
 * turn, and a step down is 0.5488 of a step up, with which it settles where {@value #SHARE} of the
 * answers are right, whatever the slope of the ear (García-Pérez 1998). The threshold is the mean
 * of the last six turns, less 0.12 octaves, by which they lie too high while it still comes down.
 */
public final class Staircase implements Rounds {
    /** Share of answers that are right at the threshold. */
    public static final double SHARE = 0.8035;

    /** More answers are not asked for. */
    public static final int MOST_ANSWERS = 40;

    /** How far above the expected threshold a lesson best begins, octaves. */
    public static final double BEGIN_OCTAVES = 2.5;

    private static final int MOST_TURNS = 10;
    private static final int MEAN_TURNS = 6;
    private static final double[] UP_OCTAVES = {3, 1.5, 0.75};
    private static final double DOWN = 0.5488;
    private static final double BIAS_OCTAVES = 0.12;

    /** Deviation of the mean over that of its turns, as simulated: they are not independent. */
    private static final double SPREAD = 0.56;

    private static final double CHANCE = 0.01;
    private static final int AT_GREATEST = 8;
    private static final int MISSED = 4;

    private final double greatest;
    private final List<Boolean> answers = new ArrayList<>();
    private final List<Double> turns = new ArrayList<>();
    private final List<Boolean> atGreatest = new ArrayList<>();
    private double octaves;
    private int inARow;
    private int way;

    /**
     * A staircase before its first answer.
     *
     * @param first the difference it begins with, over 0
     * @param greatest more than this cannot be made, at least {@code first}; best twice as much
     * @throws IllegalArgumentException if they are not so
     */
    public Staircase(double first, double greatest) {
        if (!(first > 0) || !(greatest >= first) || Double.isInfinite(greatest)) {
            throw new IllegalArgumentException(
                    "a lesson begins over 0 and at most at its greatest difference, not at "
                            + first
                            + " of "
                            + greatest);
        }
        this.greatest = greatest;
        octaves = log2(first / greatest);
    }

    @Override
    public double difference() {
        return at(octaves);
    }

    @Override
    public List<Double> next() {
        return List.of(
                at(inARow == 1 ? octaves - DOWN * step() : octaves),
                at(Math.min(0, octaves + step())));
    }

    @Override
    public int answers() {
        return answers.size();
    }

    @Override
    public int most() {
        return MOST_ANSWERS;
    }

    /** How many turns there were. */
    public int turns() {
        return turns.size();
    }

    @Override
    public void answer(boolean right) {
        if (finished()) {
            return;
        }
        answers.add(right);
        if (octaves == 0) {
            atGreatest.add(right);
        }
        inARow = right ? inARow + 1 : 0;
        if (!right) {
            go(1);
        } else if (inARow == 2) {
            inARow = 0;
            go(-1);
        }
    }

    private void go(int now) {
        if (way == -now) {
            turns.add(octaves);
        }
        way = now;
        octaves = Math.min(0, octaves + (now > 0 ? step() : -DOWN * step()));
    }

    /** Steps halve after the second and the fourth turn. */
    private double step() {
        return UP_OCTAVES[Math.min(turns.size() / 2, UP_OCTAVES.length - 1)];
    }

    /** Whether no more answers are asked for. */
    public boolean finished() {
        return turns.size() == MOST_TURNS || answers.size() == MOST_ANSWERS || missed();
    }

    /** Whether the greatest difference is missed as often as told: nobody is asked on. */
    private boolean missed() {
        List<Boolean> last =
                atGreatest.subList(Math.max(0, atGreatest.size() - AT_GREATEST), atGreatest.size());
        return last.stream().filter(right -> !right).count() >= MISSED;
    }

    @Override
    public Optional<Outcome> outcome() {
        if (!finished()) {
            return Optional.empty();
        }
        int n = answers.size();
        if (missed()) {
            return Optional.of(new Outcome.NotHeard(greatest, n));
        }
        int right = (int) answers.stream().filter(r -> r).count();
        if (turns.size() < MEAN_TURNS || BlindTrial.chanceOfAtLeast(right, n) > CHANCE) {
            return Optional.of(new Outcome.Unsure(n));
        }
        List<Double> last = turns.subList(turns.size() - MEAN_TURNS, turns.size());
        double mean = last.stream().mapToDouble(t -> t).average().orElseThrow();
        double square =
                last.stream().mapToDouble(t -> (t - mean) * (t - mean)).sum() / (MEAN_TURNS - 1);
        double spread = SPREAD * Math.sqrt(square);
        double threshold = mean - BIAS_OCTAVES;
        return Optional.of(
                new Outcome.Heard(
                        at(threshold), at(threshold - spread), at(threshold + spread), n));
    }

    private double at(double octavesOfGreatest) {
        return greatest * Math.pow(2, octavesOfGreatest);
    }

    private static double log2(double x) {
        return Math.log(x) / Math.log(2);
    }
}

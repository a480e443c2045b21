package orbispace.core.ears;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StaircaseTest {
    private static final int RUNS = 4000;
    private static final double LAST_STEP_OCTAVES = 0.75;

    /** Begins as far over a threshold as is best, with an octave of room above. */
    private static Staircase lesson(double threshold) {
        return lesson(threshold, Staircase.BEGIN_OCTAVES);
    }

    private static Staircase lesson(double threshold, double octavesOver) {
        double first = threshold * Math.pow(2, octavesOver);
        return new Staircase(first, 2 * first);
    }

    private static double octaves(double ratio) {
        return Math.log(ratio) / Math.log(2);
    }

    /** How far the thresholds of many lessons lie from the true one. */
    private static List<Double> errors(SimulatedEar ear, List<Double> claimed) {
        return errors(ear, Staircase.BEGIN_OCTAVES, claimed);
    }

    private static List<Double> errors(SimulatedEar ear, double octavesOver, List<Double> claimed) {
        SplittableRandom random = new SplittableRandom(7);
        List<Double> errors = new ArrayList<>();
        for (int i = 0; i < RUNS; i++) {
            if (ear.take(lesson(ear.threshold(), octavesOver), random)
                    instanceof Outcome.Heard heard) {
                errors.add(octaves(heard.difference() / ear.threshold()));
                claimed.add(octaves(heard.high() / heard.low()) / 2);
            }
        }
        return errors;
    }

    private static double mean(List<Double> of) {
        return of.stream().mapToDouble(x -> x).average().orElseThrow();
    }

    private static double deviation(List<Double> of) {
        double mean = mean(of);
        return Math.sqrt(of.stream().mapToDouble(x -> (x - mean) * (x - mean)).average().orElse(0));
    }

    /** The deviations are from a simulation in another language, 200,000 lessons each. */
    @ParameterizedTest
    @CsvSource({"1.3, 0.6205", "2, 0.4754", "3.5, 0.3613"})
    void thresholdsAreFoundWithoutBiasAndSpreadAsReckoned(double slope, double deviation) {
        List<Double> claimed = new ArrayList<>();
        List<Double> errors = errors(SimulatedEar.sloped(slope, 1.4), claimed);
        assertThat(errors).hasSizeGreaterThan((int) (0.97 * RUNS));
        assertThat(mean(errors)).isCloseTo(0, within(0.1 * LAST_STEP_OCTAVES));
        assertThat(deviation(errors)).isCloseTo(deviation, within(0.15 * deviation));
        double told = Math.sqrt(mean(claimed.stream().map(c -> c * c).toList()));
        assertThat(told).isBetween(deviation / 1.25, deviation * 1.25);
    }

    /**
     * Where a lesson begins is a guess: an octave off, it stays within a sixth of the last step.
     */
    @ParameterizedTest
    @CsvSource({"1.3, 1.5", "2, 1.5", "3.5, 1.5", "1.3, 3.5", "2, 3.5", "3.5, 3.5"})
    void aLessonThatBeginsAnOctaveElsewhereFindsTheSame(double slope, double octavesOver) {
        List<Double> errors = errors(SimulatedEar.sloped(slope, 1), octavesOver, new ArrayList<>());
        assertThat(mean(errors)).isCloseTo(0, within(LAST_STEP_OCTAVES / 6));
    }

    @Test
    void whoGuessesEndsWithoutAThreshold() {
        SplittableRandom random = new SplittableRandom(11);
        long through =
                IntStream.range(0, 20000)
                        .mapToObj(i -> SimulatedEar.deaf().take(lesson(1), random))
                        .filter(Outcome.Heard.class::isInstance)
                        .count();
        assertThat(through).isLessThan(200);
    }

    @Test
    void aThresholdThatDriftsIsFoundBetweenItsBeginningAndItsEnd() {
        List<Double> steady = errors(SimulatedEar.sloped(2, 1), new ArrayList<>());
        List<Double> errors = errors(SimulatedEar.sloped(2, 1).drifting(0.5), new ArrayList<>());
        assertThat(mean(errors) - mean(steady)).isBetween(0.15, 0.45);
    }

    @Test
    void twoRightAnswersMakeItSmallerAndOneWrongGreater() {
        Staircase lesson = new Staircase(8, 16);
        lesson.answer(true);
        assertThat(lesson.difference()).isEqualTo(8);
        assertThat(lesson.next().getFirst()).isCloseTo(8 / Math.pow(2, 3 * 0.5488), within(1e-9));
        lesson.answer(true);
        double second = lesson.difference();
        assertThat(second).isCloseTo(8 / Math.pow(2, 3 * 0.5488), within(1e-9));
        assertThat(lesson.next().get(1)).isCloseTo(16, within(1e-9));
        lesson.answer(false);
        assertThat(lesson.turns()).isEqualTo(1);
        assertThat(lesson.difference()).isEqualTo(16);
        assertThat(lesson.outcome()).isEmpty();
    }

    @Test
    void stepsHalveAfterTheSecondAndTheFourthTurn() {
        Staircase lesson = new Staircase(1, 1e6);
        lesson.answer(false);
        List<Double> up = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            lesson.answer(true);
            lesson.answer(true);
            double low = lesson.difference();
            lesson.answer(false);
            up.add(octaves(lesson.difference() / low));
        }
        assertThat(lesson.turns()).isEqualTo(10);
        assertThat(lesson.finished()).isTrue();
        assertThat(up.get(0)).isCloseTo(1.5, within(1e-9));
        assertThat(up.get(1)).isCloseTo(0.75, within(1e-9));
        assertThat(up.get(2)).isCloseTo(0.75, within(1e-9));
    }

    @Test
    void anEarThatCannotDoItIsNotAskedOn() {
        Staircase lesson = new Staircase(6, 12);
        for (int i = 0; i < 5; i++) {
            lesson.answer(false);
        }
        assertThat(lesson.outcome()).contains(new Outcome.NotHeard(12, 5));
        lesson.answer(true);
        assertThat(lesson.answers()).isEqualTo(5);
    }

    @Test
    void missesThatLieFarBackAreForgotten() {
        Staircase lesson = new Staircase(12, 12);
        for (char c : "WRWRWRRWWRRWWW".toCharArray()) {
            lesson.answer(c == 'R');
        }
        // Four misses at the greatest, but three among the last eight answers there.
        assertThat(lesson.answers()).isEqualTo(14);
        assertThat(lesson.difference()).isEqualTo(12);
        assertThat(lesson.finished()).isFalse();
        lesson.answer(false);
        assertThat(lesson.finished()).isFalse();
        lesson.answer(false);
        assertThat(lesson.outcome()).contains(new Outcome.NotHeard(12, 16));
    }

    @Test
    void whoIsAlwaysRightHasNoThresholdWithinTheAnswers() {
        Staircase lesson = new Staircase(6, 12);
        for (int i = 0; i < 60; i++) {
            lesson.answer(true);
        }
        assertThat(lesson.outcome()).contains(new Outcome.Unsure(Staircase.MOST_ANSWERS));
    }

    @Test
    void aLessonBeginsOverZeroAndAtMostAtItsGreatest() {
        assertThatIllegalArgumentException().isThrownBy(() -> new Staircase(0, 3));
        assertThatIllegalArgumentException().isThrownBy(() -> new Staircase(4, 3));
        assertThatIllegalArgumentException().isThrownBy(() -> new Staircase(Double.NaN, 3));
    }
}

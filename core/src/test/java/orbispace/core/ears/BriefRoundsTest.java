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

class BriefRoundsTest {
    private static final int RUNS = 4000;

    private static double octaves(double ratio) {
        return Math.log(ratio) / Math.log(2);
    }

    /** Found over true in octaves, of lessons that expect a threshold so far under the true one. */
    private static List<Double> errors(double slope, double movedOctaves, List<Double> told) {
        SplittableRandom random = new SplittableRandom(5);
        SimulatedEar ear = SimulatedEar.sloped(slope, Math.pow(2, movedOctaves));
        List<Double> errors = new ArrayList<>();
        for (int i = 0; i < RUNS; i++) {
            Outcome outcome = ear.take(new BriefRounds(1, 1024), random);
            if (outcome instanceof Outcome.Heard h) {
                errors.add(octaves(h.difference() / ear.threshold()));
                told.add(octaves(h.high() / h.low()) / 2);
            }
        }
        return errors;
    }

    private static double mean(List<Double> of) {
        return of.stream().mapToDouble(x -> x).average().orElseThrow();
    }

    /** The biases and deviations are from a simulation in another language, 20,000 each. */
    @ParameterizedTest
    @CsvSource({
        "1.3, 0, 0.074, 0.573",
        "2, 0, 0.003, 0.465",
        "3.5, 0, -0.068, 0.359",
        "2, -1, 0.183, 0.519",
        "2, 1, -0.239, 0.445"
    })
    void aThresholdIsFoundAgainAndOneThatMovedByAnOctaveNearly(
            double slope, double moved, double bias, double deviation) {
        List<Double> told = new ArrayList<>();
        List<Double> errors = errors(slope, moved, told);
        double mean = mean(errors);
        double spread = Math.sqrt(mean(errors.stream().map(e -> (e - mean) * (e - mean)).toList()));
        assertThat(mean).isCloseTo(bias, within(0.05));
        assertThat(spread).isCloseTo(deviation, within(0.15 * deviation));
        // What it says of its own spread is no less than the error in all.
        assertThat(mean(told)).isGreaterThan(Math.hypot(mean, spread));
    }

    @Test
    void whoGuessesEndsWithoutAThreshold() {
        SplittableRandom random = new SplittableRandom(11);
        long through =
                IntStream.range(0, 20000)
                        .mapToObj(i -> SimulatedEar.deaf().take(new BriefRounds(1, 64), random))
                        .filter(Outcome.Heard.class::isInstance)
                        .count();
        assertThat(through).isLessThan(200);
    }

    @Test
    void itAsksFourteenTimesHalfAnOctaveOverWhatIsLikely() {
        BriefRounds lesson = new BriefRounds(2, 8);
        assertThat(lesson.difference()).isCloseTo(2 * Math.sqrt(2), within(1e-9));
        double wrong = lesson.next().get(1);
        lesson.answer(false);
        assertThat(lesson.difference()).isEqualTo(wrong).isGreaterThan(2 * Math.sqrt(2));
        for (int i = 1; i < BriefRounds.MOST_ANSWERS; i++) {
            assertThat(lesson.outcome()).isEmpty();
            double right = lesson.next().getFirst();
            lesson.answer(true);
            assertThat(lesson.difference()).isEqualTo(right).isLessThanOrEqualTo(8);
        }
        assertThat(lesson.outcome().orElseThrow()).isInstanceOf(Outcome.Heard.class);
        lesson.answer(false);
        assertThat(lesson.answers()).isEqualTo(BriefRounds.MOST_ANSWERS);
        assertThatIllegalArgumentException().isThrownBy(() -> new BriefRounds(0, 3));
        assertThatIllegalArgumentException().isThrownBy(() -> new BriefRounds(4, 3));
    }
}

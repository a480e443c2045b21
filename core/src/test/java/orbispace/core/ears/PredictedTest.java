package orbispace.core.ears;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.DoubleUnaryOperator;
import orbispace.core.hearing.WetState;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PredictedTest {
    private static final double BORDER = WetState.FELT.fromShare();

    /** A share that reaches the border at a difference and rises with a power of it. */
    private static DoubleUnaryOperator rising(double least, double power) {
        return d -> BORDER * Math.pow(d / least, power);
    }

    @ParameterizedTest
    @CsvSource({"1, 1", "0.3, 0.7", "7, 2", "11, 1.5", "0.2, 1.3"})
    void theLeastDifferenceIsFoundWithinATwentieth(double least, double power) {
        AtomicInteger asked = new AtomicInteger();
        DoubleUnaryOperator shares =
                d -> {
                    asked.incrementAndGet();
                    return Math.min(0.4, rising(least, power).applyAsDouble(d));
                };
        assertThat(Predicted.least(shares, 12).orElseThrow())
                .isCloseTo(least, Percentage.withPercentage(5));
        assertThat(asked.get()).isLessThanOrEqualTo(6);
    }

    @Test
    void whereTheGreatestIsNotNoticedNothingIs() {
        assertThat(Predicted.least(rising(13, 1), 12)).isEmpty();
    }

    @Test
    void theOffsetIsTheShareOfWhatWasToldOverTheBorder() {
        Predicted p = Predicted.of(rising(2, 1), 12, 1);
        assertThat(p.offsetDb()).isCloseTo(-3.01, within(0.01));
        assertThat(p.difference().orElseThrow()).isCloseTo(2, within(0.1));
        assertThat(Predicted.offsetDb(0)).isCloseTo(-38.5, within(0.1));
    }

    @Test
    void aFirstGuessTakesOneTry() {
        assertThat(Predicted.guess(rising(2, 1), 12)).isCloseTo(2, within(1e-9));
        assertThat(Predicted.guess(d -> 0, 12)).isEqualTo(12);
        assertThat(Predicted.guess(d -> 1, 12)).isGreaterThan(0);
    }
}

package orbispace.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.time.TempoMap.Change;
import org.junit.jupiter.api.Test;

class TempoMapTest {
    @Test
    void constantTempoPutsEveryBeatWhereArithmeticPutsIt() {
        TempoMap map = TempoMap.constant(84);
        assertThat(map.secondsAt(8)).isCloseTo(8 * 60 / 84.0, within(1e-12));
        assertThat(map.bpmAt(1000)).isEqualTo(84);
    }

    @Test
    void rampAgreesWithNumericalIntegrationOfTheTempo() {
        TempoMap map = TempoMap.of(List.of(new Change(0, 88, 52), Change.step(8, 52)));
        double seconds = 0;
        int steps = 1_000_000;
        for (int i = 0; i < steps; i++) {
            double beat = 8 * (i + 0.5) / steps;
            seconds += 60 / (88 - 36 * beat / 8) * 8 / steps;
        }
        assertThat(map.secondsAt(8)).isCloseTo(seconds, within(1e-8));
        assertThat(map.bpmAt(4)).isCloseTo(70, within(1e-12));
    }

    @Test
    void roundTripHoldsUnderAMicrosecondOverAnHourWithAThousandChanges() {
        SplittableRandom random = new SplittableRandom(7);
        List<Change> changes = new ArrayList<>();
        for (int i = 0; i < 1000; i++) {
            double from = 40 + 200 * random.nextDouble();
            double to = random.nextBoolean() ? from : 40 + 200 * random.nextDouble();
            changes.add(new Change(i * 8.25, from, to));
        }
        TempoMap map = TempoMap.of(changes);
        assertThat(map.secondsAt(8250)).isGreaterThan(3000);
        for (int i = 0; i < 5000; i++) {
            double seconds = 3600 * random.nextDouble();
            assertThat(map.secondsAt(map.beatAt(seconds))).isCloseTo(seconds, within(1e-6));
        }
    }

    @Test
    void refusesATempoThatIsNone() {
        assertThatThrownBy(() -> TempoMap.constant(0)).hasMessageContaining("5 to 1000");
        assertThatThrownBy(() -> TempoMap.of(List.of(Change.step(4, 90))))
                .hasMessageContaining("beat 0");
    }
}

package orbispace.core.prove.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class ExposureTest {
    @Test
    void theGuidanceHalvesTheTimeForEachThreeDecibels() {
        assertThat(Exposure.allowedSeconds(85)).isCloseTo(8 * 3600, within(1e-6));
        assertThat(Exposure.allowedSeconds(88)).isCloseTo(4 * 3600, within(1e-6));
        assertThat(Exposure.allowedSeconds(94)).isCloseTo(3600, within(1e-6));
        assertThat(Exposure.allowedSeconds(79)).isCloseTo(32 * 3600, within(1e-6));
    }

    @Test
    void withoutAReadingOnlyTimeIsCounted() {
        Exposure e = Exposure.NONE.heard(1800, -14);
        assertThat(e.dose()).isZero();
        assertThat(e.words(-14)).contains("0 h 30 min listened", "level not known");
        assertThat(e.restDue()).isFalse();
    }

    @Test
    void aReadingTurnsLoudnessIntoDoseFromThenOn() {
        Exposure e = Exposure.NONE.heard(600, -14).calibrated(88, -14).heard(2 * 3600, -14);
        assertThat(e.dose()).isCloseTo(0.5, within(1e-9));
        assertThat(e.heard(3600, -20).dose()).isCloseTo(0.5 + 1 / 16.0, within(1e-9));
        assertThat(e.words(-14)).contains("at about 88 dB: 50 % of a day");
        assertThat(e.heard(2 * 3600, -14).restDue()).isTrue();
        assertThatThrownBy(() -> e.calibrated(400, -14)).hasMessageContaining("30 to 120 dB");
    }

    @Test
    void anHourAsksForARestAndARestBeginsItAnew() {
        Exposure e = Exposure.NONE.heard(3599, -20);
        assertThat(e.restDue()).isFalse();
        assertThat(e.heard(2, -20).restDue()).isTrue();
        assertThat(e.heard(2, -20).words(-20)).endsWith("A rest is due.");
        Exposure rested = e.heard(2, -20).rested();
        assertThat(rested.restDue()).isFalse();
        assertThat(rested.seconds()).isEqualTo(3601);
    }
}

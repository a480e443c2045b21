package orbispace.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class TapTempoTest {
    @Test
    void evenTapsGiveTheirTempoAfterTheFourth() {
        TapTempo taps = new TapTempo();
        for (int i = 0; i < 3; i++) {
            taps.tap(10 + i * 0.625);
            assertThat(taps.bpm()).isEmpty();
        }
        taps.tap(10 + 3 * 0.625);
        assertThat(taps.bpm().orElseThrow()).isCloseTo(96, within(1e-9));
    }

    @Test
    void unevenTapsAreEvenedOut() {
        TapTempo taps = new TapTempo();
        SplittableRandom random = new SplittableRandom(5);
        for (int i = 0; i < 24; i++) {
            taps.tap(i * 0.5 + 0.02 * random.nextGaussian());
        }
        // 20 ms of unevenness leave a slope error of 20 / sqrt(24^3 / 12) = 0.6 ms in 500.
        assertThat(taps.bpm().orElseThrow()).isCloseTo(120, within(0.5));
    }

    @Test
    void aPauseStartsOverAndAbsurdTempiAreNone() {
        TapTempo taps = new TapTempo();
        for (int i = 0; i < 8; i++) {
            taps.tap(i * 0.5);
        }
        taps.tap(20);
        assertThat(taps.count()).isEqualTo(1);
        assertThat(taps.bpm()).isEmpty();
        for (int i = 1; i < 8; i++) {
            taps.tap(20 + i * 0.01);
        }
        assertThat(taps.bpm()).isEmpty();
    }
}

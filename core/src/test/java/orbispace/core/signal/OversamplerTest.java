package orbispace.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class OversamplerTest {
    @Test
    void theHalfWayFilterIsEvenFlatAndEightyDecibelsDownFrom28Of48On() {
        double[] taps = Oversampler.taps(4, 32);
        assertThat(taps).hasSize(4 * 32 + 1);
        assertThat(Arrays.stream(taps).sum()).isCloseTo(1, within(1e-12));
        for (int i = 0; i < taps.length; i++) {
            assertThat(taps[i]).isCloseTo(taps[taps.length - 1 - i], within(1e-15));
        }
        for (double part = 0; part <= 20 / 48.0; part += 1 / 48.0) {
            assertThat(response(taps, part)).as("at %s", part).isCloseTo(0, within(0.003));
        }
        assertThat(response(taps, 0.5)).isCloseTo(-6.02, within(0.05));
        for (double part = 28 / 48.0; part <= 2; part += 1 / 96.0) {
            assertThat(response(taps, part)).as("at %s", part).isLessThan(-80);
        }
    }

    /** In dB at a part of the sample rate before oversampling. */
    private static double response(double[] taps, double part) {
        double sum = 0;
        for (int i = 0; i < taps.length; i++) {
            sum += taps[i] * Math.cos(2 * Math.PI * part / 4 * (i - taps.length / 2));
        }
        return 20 * Math.log10(Math.abs(sum));
    }
}

package orbispace.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class LoudnessPowerTest {
    @Test
    void agreesWithThePowerAndRises() {
        SplittableRandom random = new SplittableRandom(3);
        double worst = 0;
        double before = 0;
        for (double x = 1e-8; x < 1e14; x *= 1 + 0.02 * random.nextDouble()) {
            double exact = Math.pow(x, LoudnessPower.EXPONENT);
            double value = LoudnessPower.of(x);
            worst = Math.max(worst, Math.abs(value / exact - 1));
            assertThat(value).isGreaterThanOrEqualTo(before);
            before = value;
        }
        assertThat(worst).isLessThan(2e-9);
    }
}

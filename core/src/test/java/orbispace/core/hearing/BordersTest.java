package orbispace.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class BordersTest {
    private static final Borders FINER = new Borders(-3, -4, -1.5, 14, "Ada, headphones");

    @Test
    void theModelsBordersAreThoseOfTheStatesToTheLastBit() {
        SplittableRandom random = new SplittableRandom(1);
        for (int i = 0; i < 1000; i++) {
            double share = 0.2 * random.nextDouble();
            assertThat(Borders.MODEL.of(share)).isEqualTo(WetState.of(share));
        }
        for (WetState s : WetState.values()) {
            assertThat(Borders.MODEL.from(s)).isEqualTo(s.fromShare());
            assertThat(Borders.MODEL.aim(s)).isEqualTo(s.aimShare());
        }
        assertThat(Borders.MODEL.own()).isFalse();
        assertThat(Borders.MODEL.words()).isEmpty();
    }

    @Test
    void whoHearsThreeDecibelsMoreHasAllBordersAtHalf() {
        assertThat(FINER.from(WetState.FELT)).isCloseTo(0.0035, within(0.00002));
        assertThat(FINER.from(WetState.OBVIOUS)).isCloseTo(0.0501, within(0.0001));
        assertThat(FINER.aim(WetState.HEARD)).isCloseTo(0.0276, within(0.0001));
        assertThat(FINER.of(0.004)).isEqualTo(WetState.FELT);
        assertThat(WetState.of(0.004)).isEqualTo(WetState.HIDDEN);
        assertThat(FINER.of(0.003)).isEqualTo(WetState.HIDDEN);
        assertThat(FINER.words())
                .isEqualTo(
                        "borders by the ears of Ada, headphones, \u22123.0 dB (\u22124.0 to"
                                + " \u22121.5)");
    }

    @Test
    void theyAreNotMovedWithoutEndOrOutOfTheirEnds() {
        assertThatIllegalArgumentException().isThrownBy(() -> new Borders(11, 10, 12, 12, "Ada"));
        assertThatIllegalArgumentException().isThrownBy(() -> new Borders(3, 4, 5, 12, "Ada"));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Borders(Double.NaN, 0, 0, 12, "Ada"));
    }
}

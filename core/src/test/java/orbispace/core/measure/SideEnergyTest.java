package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.audio.Audio;
import orbispace.core.audio.Pan;
import orbispace.core.space.Engine;
import orbispace.core.space.Impulses;
import orbispace.core.space.ReverbKind;
import orbispace.core.space.ReverbSettings;
import org.junit.jupiter.api.Test;

class SideEnergyTest {
    private static final double RATE = 48000;

    private static Audio steady(double left, double right) {
        float[][] x = new float[2][(int) RATE];
        java.util.Arrays.fill(x[0], (float) left);
        java.util.Arrays.fill(x[1], (float) right);
        return Audio.of(RATE, x);
    }

    @Test
    void theBearingIsThatOfThePanLawForThePowersOfTheSenders() {
        SideEnergy sides = new SideEnergy(steady(0.2, 0.1), steady(0.1, 0.2), 0.05);
        double position = 90 * Pan.position(0.04, 0.01);
        assertThat(sides.bearingDegrees(0.1, 1, 0)).isCloseTo(position, within(1e-4));
        assertThat(sides.bearingDegrees(0.1, 0, 1)).isCloseTo(-position, within(1e-4));
        assertThat(sides.bearingDegrees(0.1, 0.5, 0.5)).isCloseTo(0, within(1e-4));
        double mixed = 90 * Pan.position(0.75 * 0.04 + 0.25 * 0.01, 0.75 * 0.01 + 0.25 * 0.04);
        assertThat(sides.bearingDegrees(0.1, 3, 1)).isCloseTo(mixed, within(1e-4));
    }

    @Test
    void noSideIsToldBeforeAfterAndWhereNothingSounds() {
        SideEnergy sides = new SideEnergy(steady(0.2, 0.1), steady(0.1, 0.2), 0.05);
        assertThat(sides.bearingDegrees(0.04, 1, 0)).isZero();
        assertThat(sides.bearingDegrees(0.36, 1, 0)).isZero();
        SideEnergy silent = new SideEnergy(steady(0, 0), steady(0, 0), 0);
        assertThat(silent.bearingDegrees(0.1, 1, 0)).isZero();
    }

    @Test
    void aReverbLeansToItsSenderFirstAndMirrorsIt() {
        var hall = new ReverbSettings(ReverbKind.HALL, 2, 1, 0.6, 1);
        SideEnergy sides =
                new SideEnergy(
                        Impulses.response(Engine.of(hall, RATE), 1, 0, 0.4, RATE, 4096),
                        Impulses.response(Engine.of(hall, RATE), 0, 1, 0.4, RATE, 4096),
                        0);
        // 4 to 8 dB in the first 30 ms are 28 to 45 degrees.
        double first = sides.bearingDegrees(0.015, 1, 0);
        assertThat(first).isBetween(-45.0, -25.0);
        assertThat(sides.bearingDegrees(0.015, 0, 1)).isCloseTo(-first, within(3.0));
        assertThat(sides.bearingDegrees(0.28, 1, 0)).isBetween(-10.0, 10.0);
    }
}

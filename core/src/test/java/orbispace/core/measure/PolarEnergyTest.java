package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Pan;
import org.junit.jupiter.api.Test;

class PolarEnergyTest {
    private static final double RATE = 48000;

    private static Audio panned(double seconds, double pan) {
        float[] burst = Signals.noise(0.01, 200, 12000, 0.01, RATE, 3);
        float[] left = new float[(int) RATE];
        float[] right = new float[(int) RATE];
        int at = (int) (seconds * RATE);
        for (int i = 0; i < burst.length; i++) {
            left[at + i] = (float) (burst[i] * Pan.left(pan));
            right[at + i] = (float) (burst[i] * Pan.right(pan));
        }
        return Audio.of(RATE, left, right);
    }

    @Test
    void aPannedSoundHasTheBearingOfItsPan() {
        for (double pan : new double[] {-1, -0.5, 0, 0.3, 1}) {
            PolarEnergy polar = PolarEnergy.of(panned(0.2, pan));
            assertThat(polar.bearingDegrees(0.19, 0.22))
                    .as("pan %s", pan)
                    .isCloseTo(90 * pan, within(3.0));
        }
    }

    @Test
    void energyLiesInTheRingOfItsTime() {
        PolarEnergy polar = PolarEnergy.of(panned(0.3, 0));
        assertThat(polar.levelDbAt(0.305)).isGreaterThan(-6);
        assertThat(polar.levelDbAt(0.1)).isLessThan(-60);
        assertThat(polar.levelDbAt(0.8)).isLessThan(-60);
    }

    @Test
    void unrelatedSidesSpreadWideAroundTheMiddle() {
        Audio wide =
                Audio.of(
                        RATE,
                        Signals.decay(1, -90, 1.2, RATE, 1),
                        Signals.decay(1, -90, 1.2, RATE, 2));
        double[] edges = PolarEnergy.of(wide).edgesDegrees();
        assertThat(edges[0]).isBetween(-80.0, -45.0);
        assertThat(edges[1]).isBetween(45.0, 80.0);
        float[] same = Signals.decay(1, -90, 1.2, RATE, 1);
        double[] narrow = PolarEnergy.of(Audio.of(RATE, same, same.clone())).edgesDegrees();
        assertThat(narrow[1] - narrow[0]).isLessThan(4);
    }

    @Test
    void theRadiusScaleGoesBothWaysAndEndsAtSixSeconds() {
        for (double s : new double[] {0, 0.001, 0.02, 0.5, 2, 6}) {
            assertThat(PolarEnergy.seconds(PolarEnergy.radius(s))).isCloseTo(s, within(1e-9));
        }
        assertThat(PolarEnergy.radius(6)).isCloseTo(1, within(1e-12));
        assertThat(PolarEnergy.radius(-1)).isZero();
    }

    @Test
    void silenceHasNoLevelAndNoEdges() {
        PolarEnergy polar = PolarEnergy.of(Audio.silence(RATE, 2, 4800));
        assertThat(polar.levelDb(3)).isEqualTo(Double.NEGATIVE_INFINITY);
        assertThat(polar.share(3, 10)).isZero();
        assertThat(polar.bearingDegrees(0, 1)).isZero();
    }
}

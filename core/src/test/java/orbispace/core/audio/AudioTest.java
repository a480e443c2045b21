package orbispace.core.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.Signals;
import org.junit.jupiter.api.Test;

class AudioTest {
    @Test
    void levelsOfAFullSineAreZeroAndMinusThree() {
        Audio sine = Signals.mono(48000, Signals.sine(1000, 1, 1, 48000));
        assertThat(Decibels.ofAmplitude(sine.peak())).isCloseTo(0, within(0.001));
        assertThat(Decibels.ofPower(sine.meanSquare())).isCloseTo(-3.01, within(0.01));
    }

    @Test
    void slicesAreCutToWhatExists() {
        Audio ramp = Signals.mono(8000, new float[] {0, 1, 2, 3, 4});
        assertThat(ramp.slice(-5, 2).channel(0)).containsExactly(0f, 1f);
        assertThat(ramp.slice(3, 99).channel(0)).containsExactly(3f, 4f);
        assertThat(ramp.slice(9, 12).frames()).isZero();
    }

    @Test
    void aMonoSoundAnswersForBothChannels() {
        Audio mono = Signals.mono(8000, new float[] {0.5f});
        assertThat(mono.channel(1)).isSameAs(mono.channel(0));
        assertThat(mono.scaled(2).channel(0)).containsExactly(1f);
    }

    @Test
    void refusesWhatIsNoSound() {
        assertThatThrownBy(() -> Audio.of(0, new float[1])).hasMessageContaining("sample rate");
        assertThatThrownBy(() -> Audio.of(48000)).hasMessageContaining("0 channels");
        assertThatThrownBy(() -> Audio.of(48000, new float[1], new float[2]))
                .hasMessageContaining("differ");
        assertThatThrownBy(() -> Audio.of(48000, new float[1], new float[1], new float[1]))
                .hasMessageContaining("3 channels");
    }

    @Test
    void panKeepsThePowerAtEveryPosition() {
        for (double p = -1; p <= 1; p += 0.125) {
            double power = Pan.left(p) * Pan.left(p) + Pan.right(p) * Pan.right(p);
            assertThat(power).isCloseTo(1, within(1e-12));
            assertThat(Pan.left(p)).isCloseTo(Pan.right(-p), within(1e-12));
        }
        assertThat(Pan.balanceLeft(0)).isCloseTo(1, within(1e-12));
        assertThat(Pan.balanceLeft(-1)).isCloseTo(1, within(1e-12));
        assertThat(Pan.balanceRight(-1)).isCloseTo(0, within(1e-12));
    }

    @Test
    void quantilesLieBetweenOrderStatistics() {
        double[] values = {4, 1, 3, 2};
        assertThat(Quantile.of(values, 0)).isEqualTo(1);
        assertThat(Quantile.of(values, 1)).isEqualTo(4);
        assertThat(Quantile.of(values, 0.5)).isEqualTo(2.5);
        assertThat(Quantile.of(new double[0], 0.5)).isZero();
        assertThat(values).containsExactly(4, 1, 3, 2);
    }

    @Test
    void decibelsGoBothWays() {
        for (double db = -120; db <= 24; db += 7.3) {
            assertThat(Decibels.ofAmplitude(Decibels.toAmplitude(db))).isCloseTo(db, within(1e-9));
            assertThat(Decibels.ofPower(Decibels.toPower(db))).isCloseTo(db, within(1e-9));
        }
        assertThat(Decibels.ofAmplitude(0)).isEqualTo(Double.NEGATIVE_INFINITY);
    }
}

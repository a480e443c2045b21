package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SilhouetteTest {
    @ParameterizedTest
    @ValueSource(doubles = {8000, 44100, 48000, 96000})
    void aSineHasItsPeakAndMeanAtAnyRate(double rate) {
        Audio audio = Signals.mono(rate, Signals.sine(1000, 0.5, 1, rate));
        Silhouette s = Silhouette.of(audio);
        assertThat(s.seconds()).isCloseTo(1, within(0.011));
        assertThat(s.peak(0.2, 0.8)).isCloseTo(0.5, within(0.005));
        assertThat(s.mean(0.2, 0.8)).isCloseTo(0.5 / Math.sqrt(2), within(0.01));
    }

    @Test
    void aClickIsSeenHoweverWideTheView() {
        float[] x = new float[480000];
        x[333333] = -0.9f;
        Silhouette s = Silhouette.of(Signals.mono(48000, x));
        assertThat(s.peak(0, 10)).isCloseTo(0.9, within(1e-6));
        assertThat(s.peak(6.94, 6.9401)).isCloseTo(0.9, within(1e-6));
        assertThat(s.peak(7, 10)).isZero();
        assertThat(s.mean(6.94, 6.95)).isLessThan(0.1);
    }

    @Test
    void nothingIsOutsideTheSound() {
        Silhouette s = Silhouette.of(Signals.mono(48000, Signals.sine(100, 1, 1, 48000)));
        assertThat(s.peak(-3, -1)).isLessThanOrEqualTo(1);
        assertThat(s.peak(5, 6)).isZero();
        assertThat(Silhouette.of(Audio.silence(48000, 2, 0)).seconds()).isZero();
    }
}

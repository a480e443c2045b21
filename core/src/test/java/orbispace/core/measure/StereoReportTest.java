package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Pan;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class StereoReportTest {
    private static float[] noise(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = new float[96000];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.1 * random.nextGaussian());
        }
        return x;
    }

    private static float[] scaled(float[] x, double gain) {
        float[] y = x.clone();
        for (int i = 0; i < y.length; i++) {
            y[i] *= (float) gain;
        }
        return y;
    }

    @Test
    void identicalChannelsLoseNothingAndUnrelatedOnesThreeDecibels() {
        float[] x = noise(1);
        StereoReport same = StereoReport.of(Audio.of(48000, x, x));
        assertThat(same.correlation().orElseThrow()).isCloseTo(1, within(1e-6));
        assertThat(same.monoFoldLossDb().orElseThrow()).isCloseTo(0, within(1e-6));
        StereoReport mono = StereoReport.of(Audio.of(48000, x));
        assertThat(mono.monoFoldLossDb().orElseThrow()).isCloseTo(0, within(1e-6));
        StereoReport other = StereoReport.of(Audio.of(48000, x, noise(2)));
        // 96,000 samples leave a correlation of about 1 / sqrt(96000) = 0.003.
        assertThat(other.correlation().orElseThrow()).isCloseTo(0, within(0.015));
        assertThat(other.monoFoldLossDb().orElseThrow()).isCloseTo(3.01, within(0.07));
        assertThat(other.bands()).hasSize(9);
        // Octaves from 250 Hz on hold enough cells to come near.
        assertThat(other.bands().get(5).monoFoldLossDb().orElseThrow())
                .isCloseTo(3.01, within(0.3));
    }

    @Test
    void channelsThatCancelLoseEverything() {
        float[] x = noise(1);
        StereoReport report = StereoReport.of(Audio.of(48000, x, scaled(x, -1)));
        assertThat(report.correlation().orElseThrow()).isCloseTo(-1, within(1e-6));
        assertThat(report.monoFoldLossDb()).isEmpty();
        StereoReport silence = StereoReport.of(Audio.silence(48000, 2, 4800));
        assertThat(silence.correlation()).isEmpty();
        assertThat(silence.monoFoldLossDb()).isEmpty();
        assertThat(silence.bands().get(4).angleDegrees()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(doubles = {-1, -0.5, 0, 0.25, 1})
    void aPannedSoundLiesAtItsAngleAndIsNarrow(double pan) {
        float[] x = noise(3);
        Audio panned = Audio.of(48000, scaled(x, Pan.left(pan)), scaled(x, Pan.right(pan)));
        StereoReport.Band band = StereoReport.of(panned).bands().get(4);
        assertThat(band.centreHz()).isEqualTo(1000);
        assertThat(band.angleDegrees().orElseThrow()).isCloseTo(90 * pan, within(0.01));
        assertThat(band.widthDegrees().orElseThrow()).isCloseTo(0, within(0.01));
        assertThat(Pan.position(0, 0)).isZero();
    }

    @Test
    void eachOctaveIsMeasuredByItself() {
        float[] low = Signals.sine(125, 0.3, 2, 48000);
        float[] high = Signals.sine(4000, 0.3, 2, 48000);
        float[] left = new float[low.length];
        float[] right = new float[low.length];
        for (int i = 0; i < left.length; i++) {
            left[i] = low[i] + high[i];
            right[i] = low[i] - high[i];
        }
        StereoReport report = StereoReport.of(Audio.of(48000, left, right));
        assertThat(report.bands().get(1).correlation().orElseThrow()).isGreaterThan(0.999);
        assertThat(report.bands().get(6).correlation().orElseThrow()).isLessThan(-0.999);
        assertThat(report.correlation().orElseThrow()).isCloseTo(0, within(0.001));
        assertThat(StereoReport.of(Audio.silence(8000, 1, 100)).bands()).hasSize(6);
    }
}

package orbispace.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ResamplerTest {
    private static double levelDb(Audio a) {
        int edge = (int) (0.05 * a.sampleRateHz());
        return 10 * Math.log10(2 * a.slice(edge, a.frames() - edge).meanSquare());
    }

    @ParameterizedTest
    @CsvSource({
        "44100, 48000",
        "48000, 44100",
        "96000, 48000",
        "48000, 96000",
        "192000, 44100",
        "8000, 48000",
        "44099, 48000"
    })
    void thePassBandIsFlatToNearlyHalfTheLowerRate(double from, double to) {
        double lower = Math.min(from, to);
        for (double share : new double[] {0.01, 0.1, 0.3, 0.4, 0.449}) {
            Audio in = Signals.mono(from, Signals.sine(share * lower, 1, 0.4, from));
            assertThat(levelDb(Resampler.convert(in, to)))
                    .as("%s", share)
                    .isCloseTo(0, within(0.1));
        }
    }

    @ParameterizedTest
    @CsvSource({"44100, 48000, 22000", "48000, 44100, 23500", "96000, 44100, 30000"})
    void nothingFoldsBackUnderTheBandEdge(double from, double to, double hz) {
        Audio out = Resampler.convert(Signals.mono(from, Signals.sine(hz, 1, 0.5, from)), to);
        int n = 8192;
        double[] x = new double[n];
        double[] w = Fft.hann(n);
        for (int i = 0; i < n; i++) {
            // Hann squared: its side lobes lie well under what is asked for.
            x[i] = out.channel(0)[4000 + i] * w[i] * w[i];
        }
        new Fft(n).forward(x);
        double most = 0;
        for (int k = 4; k * to / n < 0.45 * Math.min(from, to); k++) {
            boolean itself = Math.abs(k * to / n - hz) < 200;
            most = itself ? most : Math.max(most, Math.hypot(x[2 * k], x[2 * k + 1]));
        }
        assertThat(20 * Math.log10(most / (0.375 * n / 2))).isLessThan(-110);
    }

    @Test
    void soundStaysWhereItIsInTime() {
        float[] x = new float[44100];
        x[22050] = 1;
        Audio out = Resampler.convert(Signals.mono(44100, x), 48000);
        assertThat(out.frames()).isEqualTo(48000);
        float[] y = out.channel(0);
        int peak = 0;
        for (int i = 0; i < y.length; i++) {
            peak = Math.abs(y[i]) > Math.abs(y[peak]) ? i : peak;
        }
        assertThat(peak).isEqualTo(24000);
        assertThat(y[23999]).isCloseTo(y[24001], within(1e-6f));
    }

    @Test
    void backAndForthIsTheSameSound() {
        Audio in = Signals.mono(44100, Signals.sine(3000, 0.5, 0.5, 44100));
        Audio back = Resampler.convert(Resampler.convert(in, 96000), 44100);
        for (int i = 2000; i < 20000; i++) {
            assertThat(back.channel(0)[i]).isCloseTo(in.channel(0)[i], within(1e-4f));
        }
    }

    @Test
    void oddRatesAreAsCleanAsEvenOnes() {
        Audio in = Signals.mono(44099, Signals.sine(997, 1, 0.3, 44099));
        Audio out = Resampler.convert(in, 48000);
        for (int i = 2000; i < 12000; i++) {
            double want = Math.sin(2 * Math.PI * 997 * i / 48000.0);
            assertThat(out.channel(0)[i]).isCloseTo((float) want, within(2e-4f));
        }
    }

    @Test
    void oneRateNeedsNoWorkAndNonsenseIsRefused() {
        Audio in = Audio.silence(48000, 2, 10);
        assertThat(Resampler.convert(in, 48000)).isSameAs(in);
        assertThat(Resampler.convert(Audio.silence(44100, 2, 0), 48000).frames()).isZero();
        assertThatThrownBy(() -> Resampler.convert(in, 0)).hasMessageContaining("8000");
    }
}

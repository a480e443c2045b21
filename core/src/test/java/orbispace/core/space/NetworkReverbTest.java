package orbispace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.audio.Audio;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.DecayReport;
import orbispace.core.measure.DecayTime;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NetworkReverbTest {
    private static final double RATE = 48000;

    static Audio response(EngineSettings settings, double seconds, double rate, int block) {
        Engine engine = Engine.of(settings, rate);
        float[] left = new float[(int) (seconds * rate)];
        float[] right = new float[left.length];
        left[0] = (float) Math.sqrt(0.5);
        right[0] = left[0];
        for (int at = 0; at < left.length; at += block) {
            engine.process(left, right, at, Math.min(left.length, at + block));
        }
        return Audio.of(rate, left, right);
    }

    private static double t30(BandDecay band) {
        return band.t30() instanceof DecayTime.Measured(double seconds) ? seconds : Double.NaN;
    }

    @ParameterizedTest
    @CsvSource({
        "0.3, 48000",
        "0.6, 48000",
        "1.5, 48000",
        "3, 48000",
        "6, 48000",
        "8, 48000",
        "1.5, 44100",
        "3, 96000"
    })
    void measuredDecayIsTheSetOneInEveryBand(double seconds, double rate) {
        var settings = new ReverbSettings(ReverbKind.HALL, seconds, 1.2, 0.7, 1);
        DecayReport report =
                DecayMeter.measure(response(settings, seconds * 2.2 + 0.5, rate, 4096));
        for (BandDecay band : report.bands()) {
            double hz = band.centreHz();
            if (hz >= 500 && hz <= 2000) {
                assertThat(t30(band)).as("%s Hz", hz).isCloseTo(seconds, within(0.05 * seconds));
            } else if (hz == 125 && seconds > 0.4) {
                assertThat(t30(band))
                        .as("%s Hz", hz)
                        .isCloseTo(1.2 * seconds, within(0.12 * seconds));
            } else if (hz == 8000) {
                assertThat(t30(band))
                        .as("%s Hz", hz)
                        .isCloseTo(0.7 * seconds, within(0.07 * seconds));
            }
        }
    }

    @Test
    void blockSizesDoNotChangeTheSound() {
        var settings = new ReverbSettings(ReverbKind.HALL, 1.2, 1.1, 0.6, 1);
        Audio whole = response(settings, 0.5, RATE, 24000);
        for (int block : new int[] {1, 64, 1000}) {
            Audio parts = response(settings, 0.5, RATE, block);
            assertThat(parts.channel(0)).isEqualTo(whole.channel(0));
            assertThat(parts.channel(1)).isEqualTo(whole.channel(1));
        }
    }

    @Test
    void energyIsOneWhateverTheDecay() {
        for (double seconds : new double[] {0.5, 2, 6}) {
            Audio a =
                    response(
                            new ReverbSettings(ReverbKind.HALL, seconds, 1, 1, 1),
                            seconds * 1.6 + 0.3,
                            RATE,
                            4096);
            assertThat(10 * Math.log10(a.meanSquare() * a.frames()))
                    .as("%s s", seconds)
                    .isCloseTo(0, within(2.0));
        }
    }

    @Test
    void echoDensityReachesThatOfNoiseWithin150Millis() {
        Audio a = response(new ReverbSettings(ReverbKind.HALL, 2.1, 1, 0.7, 1), 0.4, RATE, 4096);
        assertThat(echoDensity(a.channel(0), (int) (0.15 * RATE))).isGreaterThan(0.9);
    }

    /**
     * Abel and Huang 2006: share of samples beyond one standard deviation, 1 for Gaussian noise.
     */
    private static double echoDensity(float[] x, int centre) {
        int half = (int) (0.01 * RATE);
        double sum = 0;
        for (int i = centre - half; i < centre + half; i++) {
            sum += x[i] * x[i];
        }
        double deviation = Math.sqrt(sum / (2 * half));
        int beyond = 0;
        for (int i = centre - half; i < centre + half; i++) {
            beyond += Math.abs(x[i]) > deviation ? 1 : 0;
        }
        return beyond / (2.0 * half) / 0.3173;
    }

    @Test
    void sidesAreUnrelatedSoThatFoldingToMonoLosesAboutThreeDecibels() {
        Audio a = response(new ReverbSettings(ReverbKind.HALL, 2, 1, 1, 1), 2.5, RATE, 4096);
        double folded = 0;
        for (int i = 0; i < a.frames(); i++) {
            double m = (a.channel(0)[i] + a.channel(1)[i]) / Math.sqrt(2);
            folded += m * m;
        }
        double loss = 10 * Math.log10(a.meanSquare() * a.frames() / folded);
        assertThat(loss).isBetween(2.0, 4.0);
    }

    @Test
    void tailFallsBelowMinus120AndThenToExactZero() {
        Audio a = response(new ReverbSettings(ReverbKind.HALL, 0.5, 1, 0.8, 1), 4, RATE, 512);
        for (int i = (int) (1.6 * RATE); i < a.frames(); i++) {
            assertThat(Math.abs(a.channel(0)[i])).isLessThan(1e-6f);
        }
        assertThat(a.channel(0)[a.frames() - 1]).isEqualTo(0f);
        assertThat(a.channel(1)[a.frames() - 1]).isEqualTo(0f);
    }
}

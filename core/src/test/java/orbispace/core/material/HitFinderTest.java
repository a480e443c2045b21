package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HitFinderTest {
    private static final double RATE = 48000;

    private static void strike(
            float[] x,
            double seconds,
            double level,
            double t60,
            double hz,
            SplittableRandom random) {
        strike(x, RATE, seconds, level, t60, hz, random);
    }

    private static void strike(
            float[] x,
            double rate,
            double seconds,
            double level,
            double t60,
            double hz,
            SplittableRandom random) {
        int from = (int) (seconds * rate);
        for (int i = 0; i < t60 * rate && from + i < x.length; i++) {
            double t = i / rate;
            double e = Math.min(1, t / 0.001) * Math.pow(10, -3 * t / t60);
            x[from + i] +=
                    (float)
                            (level
                                    * e
                                    * (Math.sin(2 * Math.PI * hz * t)
                                            + 0.2 * random.nextGaussian()));
        }
    }

    @Test
    void findsTwoHundredHitsAndPartsThemFromTheBleed() {
        SplittableRandom random = new SplittableRandom(9);
        float[] x = new float[(int) (105 * RATE)];
        List<Double> times = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            double at = 0.3 + 0.5 * i + 0.04 * random.nextDouble();
            times.add(at);
            strike(x, at, 0.4 * Math.pow(10, random.nextGaussian() * 0.5 / 20), 0.25, 110, random);
            strike(x, at + 0.22 + 0.03 * random.nextDouble(), 0.4 * 0.22, 0.05, 5000, random);
        }
        for (int i = 0; i < x.length; i++) {
            x[i] += (float) (1e-4 * random.nextGaussian());
        }
        Hits found = HitFinder.find(Signals.mono(RATE, x));
        assertThat(found.hits()).hasSize(200);
        assertThat(found.bleed()).hasSize(200);
        for (int i = 0; i < 200; i++) {
            assertThat(found.hits().get(i).seconds()).isCloseTo(times.get(i), within(0.005));
        }
        assertThat(found.separationDb().orElseThrow()).isGreaterThan(6.0);
        assertThat(found.intervalSeconds(0.5)).isCloseTo(0.5, within(0.02));
    }

    /** Strokes at a tempo and level over bleed 12 dB below and noise, many seeds in one number. */
    @ParameterizedTest
    @CsvSource({
        "60, -3, -80, 48000",
        "90, -12, -80, 44100",
        "120, -3, -60, 48000",
        "140, -24, -80, 96000",
        "170, -12, -70, 44100",
    })
    void strokesAreFoundAcrossTempiLevelsNoiseAndRates(
            double bpm, double levelDb, double noiseDb, double rate) {
        SplittableRandom random = new SplittableRandom((long) bpm);
        double beat = 60 / bpm;
        double level = Math.pow(10, levelDb / 20);
        float[] x = new float[(int) ((0.5 + 60 * beat) * rate)];
        List<Double> times = new ArrayList<>();
        for (int i = 0; i < 58; i++) {
            double at = 0.3 + beat * i + 0.01 * random.nextDouble();
            times.add(at);
            double loud = level * Math.pow(10, random.nextGaussian() * 0.5 / 20);
            strike(x, rate, at, loud, Math.min(0.25, 0.4 * beat), 110, random);
            strike(x, rate, at + 0.5 * beat, 0.25 * level, 0.05, 5000, random);
        }
        double noise = level * Math.pow(10, noiseDb / 20);
        for (int i = 0; i < x.length; i++) {
            x[i] += (float) (noise * random.nextGaussian());
        }
        Hits found = HitFinder.find(Signals.mono(rate, x));
        assertThat(found.hits()).hasSize(58);
        assertThat(found.bleed()).hasSize(58);
        for (int i = 0; i < 58; i++) {
            assertThat(found.hits().get(i).seconds()).isCloseTo(times.get(i), within(0.005));
        }
    }

    @Test
    void hitsOfOneLevelHaveNoBleed() {
        SplittableRandom random = new SplittableRandom(2);
        float[] x = new float[(int) (6 * RATE)];
        for (int i = 0; i < 10; i++) {
            strike(x, 0.3 + 0.5 * i, 0.5, 0.2, 200, random);
        }
        Hits found = HitFinder.find(Signals.mono(RATE, x));
        assertThat(found.hits()).hasSize(10);
        assertThat(found.bleed()).isEmpty();
        assertThat(found.separationDb()).isEmpty();
    }

    @Test
    void silenceHasNoHits() {
        Hits none = HitFinder.find(Audio.silence(RATE, 1, 48000));
        assertThat(none.hits()).isEmpty();
        assertThat(none.intervalSeconds(0.5)).isZero();
    }

    @Test
    void aSilhouetteKnowsPeakAndMean() {
        float[] x = new float[48000];
        java.util.Arrays.fill(x, 24000, 36000, 0.5f);
        Silhouette s = Silhouette.of(Signals.mono(RATE, x));
        assertThat(s.seconds()).isCloseTo(1, within(1e-9));
        assertThat(s.peak(0.5, 0.75)).isEqualTo(0.5);
        assertThat(s.mean(0.55, 0.6)).isCloseTo(0.5, within(1e-6));
        assertThat(s.peak(0, 0.4)).isZero();
        assertThat(s.peak(5, 9)).isZero();
    }

    @Test
    void strokesOnOppositeSidesAreFoundLikeAnyOthers() {
        float[] x = new float[4 * 48000];
        for (int hit = 0; hit < 7; hit++) {
            int at = 12000 + hit * 24000;
            for (int i = 0; i < 6000; i++) {
                x[at + i] += (float) (0.4 * Math.exp(-i / 1200.0) * Math.cos(i * 0.05));
            }
        }
        float[] turned = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            turned[i] = -x[i];
        }
        assertThat(HitFinder.find(Audio.of(48000, x, turned)).seconds())
                .isEqualTo(HitFinder.find(Audio.of(48000, x)).seconds())
                .hasSize(7);
    }
}

package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class StemFactsTest {
    private static final double RATE = 48000;

    private static float[] noise(int frames, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = new float[frames];
        for (int i = 0; i < frames; i++) {
            x[i] = (float) (0.1 * random.nextGaussian());
        }
        return x;
    }

    private static float[] later(float[] x, int frames, double gain) {
        float[] y = new float[x.length];
        for (int i = 0; i < y.length; i++) {
            int from = i - frames;
            y[i] = from >= 0 && from < x.length ? (float) (gain * x[from]) : 0;
        }
        return y;
    }

    @ParameterizedTest
    @CsvSource({"0, 1", "1, 1", "154, -0.27", "-1234, 1", "1234, -1", "40000, 0.5"})
    void delayAndPolarityAreExactUnderNoise(int delay, double gain) {
        float[] a = noise(6 * 48000, 1);
        float[] b = later(a, delay, gain);
        float[] other = noise(a.length, 2);
        for (int i = 0; i < b.length; i++) {
            // Another sound 10 dB under the shared one.
            b[i] += (float) (0.316 * Math.abs(gain) * other[i]);
        }
        LineUp found = LineUp.of(Signals.mono(RATE, a), Signals.mono(RATE, b)).orElseThrow();
        assertThat(found.delaySamples()).isEqualTo(delay);
        assertThat(found.inverted()).isEqualTo(gain < 0);
        assertThat(found.confidence()).isGreaterThan(LineUp.SURE);
    }

    @Test
    void strangersAreNotLinedUp() {
        LineUp found =
                LineUp.of(
                                Signals.mono(RATE, noise(300000, 5)),
                                Signals.mono(RATE, noise(300000, 6)))
                        .orElseThrow();
        assertThat(found.confidence()).isLessThan(LineUp.SURE);
        assertThat(LineUp.of(Audio.silence(RATE, 1, 999), Signals.mono(RATE, noise(999, 1))))
                .isEmpty();
        assertThatThrownBy(() -> LineUp.of(Audio.silence(RATE, 1, 9), Audio.silence(44100, 1, 9)))
                .hasMessageContaining("44100");
    }

    @Test
    void clippingIsCountedWhereItIs() {
        float[] x = Signals.sine(220, 1.3, 2, RATE);
        for (int i = 0; i < x.length; i++) {
            x[i] = i > 48000 ? Math.clamp(x[i], -0.99f, 0.99f) : 0.5f * x[i];
        }
        StemCheck check = StemCheck.of(Signals.mono(RATE, x));
        assertThat(check.clippedRuns()).isBetween(436, 441);
        assertThat(check.firstClipSeconds()).isCloseTo(1, within(0.005));
    }

    @ParameterizedTest
    @ValueSource(doubles = {20, 60, 997, 15000})
    void roundTopsAreNotClipping(double hz) {
        for (double rate : new double[] {44100, 192000}) {
            float[] x = Signals.sine(hz, 1, 1, rate);
            for (int i = 0; i < x.length; i++) {
                x[i] = Math.round(x[i] * 32767) / 32768f;
            }
            assertThat(StemCheck.of(Signals.mono(rate, x)).clippedRuns()).isZero();
        }
        assertThat(StemCheck.of(Signals.mono(RATE, noise(48000, 3))).clippedRuns()).isZero();
    }

    @Test
    void constantOffsetsAndSilenceAreSeen() {
        float[] x = noise(480000, 4);
        for (int i = 0; i < x.length; i++) {
            x[i] += 0.01f;
        }
        StemCheck check = StemCheck.of(Signals.mono(RATE, x));
        assertThat(check.constantOffset()).isCloseTo(0.01, within(0.001));
        assertThat(check.silent()).isFalse();
        assertThat(StemCheck.of(Signals.mono(RATE, noise(480000, 4))).constantOffset()).isZero();
        StemCheck none = StemCheck.of(Audio.silence(RATE, 2, 100));
        assertThat(none.silent()).isTrue();
        assertThat(none.clippedRuns()).isZero();
    }

    @Test
    void theSpectrumHoldsTheMeanSquareOfEachBand() {
        Audio tone = Signals.mono(RATE, Signals.sine(1000, 0.5, 4, RATE));
        Spectrum s = Spectrum.of(tone);
        assertThat(Spectrum.centreHz(16)).isCloseTo(1000, within(1e-9));
        assertThat(s.levelsDb()).hasSize(Spectrum.BANDS);
        assertThat(s.levelsDb().get(16)).isCloseTo(-9.03, within(0.3));
        assertThat(s.levelsDb().get(10)).isLessThan(-80);
        Spectrum white = Spectrum.of(Signals.mono(RATE, noise(480000, 7)));
        // White noise of 0.1 rms: the band at 1 kHz is 231 Hz of 24 kHz wide.
        assertThat(white.levelsDb().get(16))
                .isCloseTo(-20 + 10 * Math.log10(230.8 / 24000), within(0.3));
    }

    /** Chords that stop, let go in 80 ms, with a room of a decay and level behind them. */
    private static float[] chords(double decay, double roomDb, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] dry = new float[(int) (16 * RATE)];
        for (int n = 0; n < 4; n++) {
            for (int k = 1; k < 12; k++) {
                double hz = 196 * k * (1 + 0.2 * n) * (1 + 0.001 * random.nextGaussian());
                double phase = random.nextDouble() * 6.28;
                for (int i = 0; i < 2.5 * RATE; i++) {
                    double t = i / RATE;
                    double e = Math.min(1, t / 0.05) * Math.min(1, (2.5 - t) / 0.08);
                    dry[(int) (n * 4 * RATE) + i] +=
                            (float) (0.05 / k * e * Math.sin(2 * Math.PI * hz * t + phase));
                }
            }
        }
        return roomDb < -90 ? dry : inRoom(dry, decay, roomDb, random);
    }

    private static float[] inRoom(
            float[] dry, double decay, double roomDb, SplittableRandom random) {
        int length = Integer.highestOneBit(dry.length) * 2;
        orbispace.core.signal.Fft fft = new orbispace.core.signal.Fft(2 * length);
        double[] x = new double[2 * length];
        double[] h = new double[2 * length];
        double dryPower = 0;
        for (int i = 0; i < dry.length; i++) {
            x[i] = dry[i];
            dryPower += dry[i] * dry[i];
        }
        for (int i = 0; i < 2 * decay * RATE; i++) {
            h[i + 500] = random.nextGaussian() * Math.pow(10, -3 * i / RATE / decay);
        }
        fft.forward(x);
        fft.forward(h);
        x[0] *= h[0];
        x[1] *= h[1];
        for (int k = 1; k < length; k++) {
            double re = x[2 * k] * h[2 * k] - x[2 * k + 1] * h[2 * k + 1];
            x[2 * k + 1] = x[2 * k] * h[2 * k + 1] + x[2 * k + 1] * h[2 * k];
            x[2 * k] = re;
        }
        fft.inverse(x);
        double wetPower = 0;
        for (int i = 0; i < dry.length; i++) {
            wetPower += x[i] * x[i];
        }
        double gain = Math.sqrt(dryPower / wetPower) * Math.pow(10, roomDb / 20);
        float[] out = new float[dry.length];
        for (int i = 0; i < dry.length; i++) {
            out[i] = (float) (dry[i] + gain * x[i]);
        }
        return out;
    }

    @ParameterizedTest
    @CsvSource({"0.5, -10", "0.9, -14", "1.5, -12", "2.5, -10"})
    void aPrintedRoomIsFoundWithItsDecay(double decay, double roomDb) {
        List<Double> found = new ArrayList<>();
        for (int seed = 1; seed <= 3; seed++) {
            Optional<Ambience> room =
                    AmbienceFinder.find(Signals.mono(RATE, chords(decay, roomDb, seed)));
            assertThat(room).as("seed %d", seed).isPresent();
            found.add(room.get().decaySeconds());
        }
        double mean = found.stream().mapToDouble(Double::doubleValue).average().orElse(0);
        assertThat(mean).isCloseTo(decay, within(0.2 * decay));
    }

    @Test
    void dryStemsAndStemsThatRingByThemselvesAreNotWet() {
        assertThat(AmbienceFinder.find(Signals.mono(RATE, chords(1, -99, 1)))).isEmpty();
        float[] bars = new float[(int) (12 * RATE)];
        for (int n = 0; n < 8; n++) {
            double hz = 300 * Math.pow(1.12, n);
            for (int i = 0; i < 1.4 * RATE; i++) {
                double t = i / RATE;
                double e = Math.min(1, t / 0.002);
                bars[(int) (1.45 * n * RATE) + i] +=
                        (float)
                                (e
                                        * (0.3
                                                        * Math.pow(10, -3 * t / 1.2)
                                                        * Math.sin(2 * Math.PI * hz * t)
                                                + 0.2
                                                        * Math.pow(10, -3 * t / 0.2)
                                                        * Math.sin(2 * Math.PI * 3.9 * hz * t)));
            }
        }
        assertThat(AmbienceFinder.find(Signals.mono(RATE, bars))).isEmpty();
        assertThat(AmbienceFinder.find(Audio.silence(RATE, 1, 48000))).isEmpty();
        assertThat(AmbienceFinder.find(Audio.silence(RATE, 1, 10))).isEmpty();
    }

    /** Low drum strokes with a bright rattle between them that is as loud. */
    private static float[] drumWithLoudRattle(double rattleDb) {
        SplittableRandom random = new SplittableRandom(8);
        float[] x = new float[(int) (20 * RATE)];
        for (int n = 0; n < 36; n++) {
            int at = (int) ((0.2 + 0.5 * n) * RATE);
            int between = at + (int) (0.25 * RATE);
            double level = 0.3 * Math.pow(10, random.nextGaussian() / 20);
            double rattle = 0.3 * Math.pow(10, (rattleDb + random.nextGaussian()) / 20);
            double last = 0;
            for (int i = 0; i < 0.2 * RATE; i++) {
                double t = i / RATE;
                x[at + i] +=
                        (float)
                                (level
                                        * Math.min(1, t / 0.001)
                                        * Math.exp(-t / 0.04)
                                        * Math.sin(2 * Math.PI * 95 * t));
                double white = random.nextGaussian();
                x[between + i] += (float) (0.25 * rattle * Math.exp(-t / 0.02) * (white - last));
                last = white;
            }
        }
        return x;
    }

    @Test
    void theKeyFilterPartsWhatLevelAloneDoesNot() {
        Audio drum = Signals.mono(RATE, drumWithLoudRattle(-1));
        Hits plain = HitFinder.find(drum);
        assertThat(plain.separationDb().orElse(0)).isLessThan(GateKeyFinder.ENOUGH_DB);
        GateKey key = GateKeyFinder.find(drum, plain).orElseThrow();
        assertThat(key.separationDb()).isGreaterThan(12);
        assertThat(key.keyLowPassHz()).isBetween(100.0, 1300.0);
        assertThat(key.hysteresisDb()).isCloseTo(key.separationDb() / 3, within(1e-9));
    }

    @Test
    void faintBleedNeedsNoFilterAndNoBleedNeedsNoGate() {
        Audio drum = Signals.mono(RATE, drumWithLoudRattle(-16));
        Hits plain = HitFinder.find(drum);
        GateKey key = GateKeyFinder.find(drum, plain).orElseThrow();
        assertThat(key.keyHighPassHz()).isZero();
        assertThat(key.keyLowPassHz()).isZero();
        double weakest = plain.hits().stream().mapToDouble(Hits.Hit::peakDb).min().orElse(0);
        double strongest = plain.bleed().stream().mapToDouble(Hits.Hit::peakDb).max().orElse(0);
        assertThat(key.thresholdDb()).isCloseTo((weakest + strongest) / 2, within(1e-9));
        assertThat(GateKeyFinder.find(Audio.silence(RATE, 1, 9600), new Hits(List.of(), List.of())))
                .isEmpty();
    }
}

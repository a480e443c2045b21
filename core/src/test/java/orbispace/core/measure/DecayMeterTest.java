package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DecayMeterTest {
    private static double seconds(DecayTime time) {
        return time.fitted().orElse(Double.NaN);
    }

    /** Several decays of different noise on two channels, so that chance does not decide. */
    private static Audio decay(double t60, double floorDb, double rate, long seed) {
        double length = Math.max(1.0, t60 * 1.6);
        return Audio.of(
                rate,
                Signals.decay(t60, floorDb, length, rate, seed),
                Signals.decay(t60, floorDb, length, rate, seed + 1000));
    }

    @ParameterizedTest
    @CsvSource({"0.5, 48000", "1, 48000", "2, 44100", "4, 48000"})
    void broadbandTimesAreWithinThreePercentWithANoiseFloor50DecibelsDown(double t60, double rate) {
        BandDecay b = DecayMeter.measure(decay(t60, -50, rate, 11)).broadband();
        assertThat(seconds(b.t20())).isCloseTo(t60, within(0.03 * t60));
        assertThat(seconds(b.t30())).isCloseTo(t60, within(0.03 * t60));
    }

    @Test
    void octaveTimesAreWithinThreePercentOnAverageOverNoises() {
        double t60 = 1.5;
        double[] sums = new double[8];
        int runs = 8;
        for (int k = 0; k < runs; k++) {
            DecayReport report = DecayMeter.measure(decay(t60, -60, 48000, 100 + k));
            for (int b = 0; b < 8; b++) {
                sums[b] += seconds(report.bands().get(b).t30()) / runs;
            }
        }
        for (int b = 2; b < 8; b++) {
            assertThat(sums[b]).as("band %d", b).isCloseTo(t60, within(0.03 * t60));
        }
        assertThat(sums[0]).isCloseTo(t60, within(0.08 * t60));
        assertThat(sums[1]).isCloseTo(t60, within(0.06 * t60));
    }

    @Test
    void clarityAgreesWithTheIntegralOfAnExponentialDecay() {
        for (double t60 : new double[] {0.8, 1.5, 3}) {
            double rate = 13.815510558 / t60;
            double expected50 = 10 * Math.log10(Math.exp(rate * 0.05) - 1);
            double expected80 = 10 * Math.log10(Math.exp(rate * 0.08) - 1);
            BandDecay b = DecayMeter.measure(decay(t60, -80, 48000, 31)).broadband();
            assertThat(b.clarity50Db()).isCloseTo(expected50, within(0.3));
            assertThat(b.clarity80Db()).isCloseTo(expected80, within(0.3));
            assertThat(b.centreSeconds()).isCloseTo(1 / rate, within(0.05 / rate));
            assertThat(b.definition50()).isCloseTo(1 - Math.exp(-rate * 0.05), within(0.02));
        }
    }

    @Test
    void predelayIsTheOnset() {
        float[] late = new float[48000];
        float[] tail = Signals.decay(0.6, -90, 0.9, 48000, 5);
        System.arraycopy(tail, 0, late, 2400, tail.length);
        DecayReport report = DecayMeter.measure(Signals.mono(48000, late));
        assertThat(report.predelaySeconds()).isCloseTo(0.05, within(0.0005));
    }

    @Test
    void aHighNoiseFloorIsFlaggedNotGuessed() {
        DecayReport report = DecayMeter.measure(decay(2, -25, 48000, 3));
        assertThat(report.broadband().t30()).isInstanceOf(DecayTime.TooNoisy.class);
        assertThat(report.broadband().reliable()).isFalse();
    }

    /** T20 falls to -25 dB and T30 to -35 dB; the noise must lie 10 dB lower still. */
    @ParameterizedTest
    @CsvSource({
        "-34.2, false, false",
        "-35.8, true, false",
        "-44.2, true, false",
        "-45.8, true, true"
    })
    void aDecayIsToldWhereTheNoiseLiesTenDecibelsUnderItsRange(
            double floorDb, boolean twenty, boolean thirty) {
        BandDecay b = DecayMeter.measure(decay(1, floorDb, 48000, 21)).broadband();
        assertThat(b.t20() instanceof DecayTime.Measured).isEqualTo(twenty);
        assertThat(b.t30() instanceof DecayTime.Measured).isEqualTo(thirty);
    }

    @Test
    void lowBandsOfAVeryShortDecayAreFlagged() {
        DecayReport report = DecayMeter.measure(decay(0.05, -80, 48000, 3));
        for (BandDecay band : report.bands()) {
            assertThat(band.reliable()).isFalse();
        }
        // 0.9 / sqrt(B T) of itself: 4 % where the octave around 2 kHz decays in 0.35 s.
        Audio one = Audio.of(48000, Signals.decay(0.35, -80, 1, 48000, 3));
        BandDecay two = DecayMeter.measure(one).bands().get(5);
        assertThat(two.t20())
                .isInstanceOfSatisfying(
                        DecayTime.NotSure.class,
                        n -> assertThat(n.doubt()).isEqualTo(DecayTime.Doubt.CHANCE));
    }

    /**
     * 0.9 and 0.6 of itself over the root of B T: at 1.2 s of the octave around 2 kHz 2.3, 1.5 %.
     */
    @Test
    void whatChanceMovesByAFewPercentIsFlaggedAndYetReliable() {
        Audio one = Audio.of(48000, Signals.decay(1.2, -80, 2, 48000, 3));
        BandDecay two = DecayMeter.measure(one).bands().get(5);
        assertThat(two.t20())
                .isInstanceOfSatisfying(
                        DecayTime.NotSure.class,
                        n -> assertThat(n.doubt()).isEqualTo(DecayTime.Doubt.SLIGHT));
        assertThat(two.t30()).isInstanceOf(DecayTime.Measured.class);
        assertThat(two.reliable()).isTrue();
    }

    /** A direct sound, a gap, and a tail over noise, in a file much longer than the tail. */
    @ParameterizedTest
    @CsvSource({"0.02, 8, -8", "0.06, 15, -8", "0.06, 8, 6", "0.02, 15, 12"})
    void aGapAfterTheDirectSoundNeverMakesASureDecayWrong(
            double gap, double seconds, double directDb) {
        double rate = 48000;
        for (long seed = 0; seed < 4; seed++) {
            float[] tail = Signals.decay(1.5, -50, seconds, rate, seed);
            float[] x = new float[tail.length];
            int late = (int) (gap * rate);
            double energy = 0;
            for (int i = late; i < x.length; i++) {
                x[i] = tail[i - late];
                energy += x[i] * x[i];
            }
            x[0] = (float) (Math.sqrt(energy) * Math.pow(10, directDb / 20));
            BandDecay b = DecayMeter.measure(Audio.of(rate, x)).broadband();
            for (DecayTime time : java.util.List.of(b.t20(), b.t30())) {
                if (time instanceof DecayTime.Measured(double s)) {
                    assertThat(s).isCloseTo(1.5, within(0.05 * 1.5));
                }
            }
        }
    }

    @Test
    void twoSlopesAreNotOneTime() {
        double rate = 48000;
        float[] x = Signals.decay(0.4, -200, 3, rate, 1);
        float[] late = Signals.scaled(Signals.decay(2.4, -200, 3, rate, 2), 0.1);
        BandDecay b = DecayMeter.measure(Audio.of(rate, Signals.sum(x, late))).broadband();
        assertThat(b.t30())
                .isInstanceOfSatisfying(
                        DecayTime.NotSure.class,
                        n -> assertThat(n.doubt()).isEqualTo(DecayTime.Doubt.BENT));
        assertThat(b.reliable()).isFalse();
    }

    @Test
    void noiseIsNoPartOfClarityNorOfTheCentre() {
        double rate = 48000;
        for (double floor : new double[] {-90, -45, -35}) {
            BandDecay b =
                    DecayMeter.measure(Audio.of(rate, Signals.decay(0.3, floor, 8, rate, 5)))
                            .broadband();
            double k = 13.815510558 / 0.3;
            assertThat(b.clarity80Db())
                    .isCloseTo(10 * Math.log10(Math.exp(k * 0.08) - 1), within(0.3));
            assertThat(b.centreSeconds()).isCloseTo(1 / k, within(0.05 / k));
        }
    }

    /** Cut at 0.5 s, where it is 52 dB down, and then through a filter that rings on. */
    @Test
    void aResponseThatWasCutOffDecaysAsItDidBefore() {
        double rate = 48000;
        float[] x =
                java.util.Arrays.copyOf(
                        Signals.decay(0.58, -200, 0.5, rate, 6), (int) (0.7 * rate));
        for (Biquad b : FilterDesign.highPass(150, 2, rate)) {
            new Cascade(List.of(b)).process(x, x.clone(), 0, x.length);
        }
        BandDecay b = DecayMeter.measure(Audio.of(rate, x)).broadband();
        assertThat(seconds(b.t30())).isCloseTo(0.58, within(0.02));
        assertThat(b.reliable()).isTrue();
        float[] brief = Signals.decay(0.05, -200, 0.2, rate, 7);
        assertThat(seconds(DecayMeter.measure(Audio.of(rate, brief)).broadband().t30()))
                .isCloseTo(0.05, within(0.003));
    }

    @Test
    void anImpulseOverNoiseHasNoDecay() {
        SplittableRandom random = new SplittableRandom(4);
        float[] x = new float[96000];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (1e-3 * random.nextGaussian());
        }
        x[10] = 1;
        BandDecay b = DecayMeter.measure(Audio.of(48000, x)).broadband();
        assertThat(b.t20()).isInstanceOf(DecayTime.TooNoisy.class);
        assertThat(b.t30()).isInstanceOf(DecayTime.TooNoisy.class);
    }

    /** Octave by octave another decay: no neighbour's late part is taken for the band's own. */
    @Test
    void aBandIsNotTakenOverByANeighbourThatDecaysMoreSlowly() {
        double rate = 48000;
        float[] x = new float[96000];
        for (int b = 0; b < 4; b++) {
            double hz = 1000 * Math.pow(2, b);
            float[] band = Signals.noise(0.01, hz / Math.sqrt(2), hz * Math.sqrt(2), 2, rate, b);
            double t60 = 2.0 / (b + 1);
            for (int i = 0; i < x.length; i++) {
                x[i] += (float) (band[i] * Math.pow(10, -3 * i / rate / t60));
            }
        }
        DecayReport report = DecayMeter.measure(Audio.of(rate, x));
        for (int b = 0; b < 4; b++) {
            assertThat(seconds(report.bands().get(4 + b).t30()))
                    .isCloseTo(2.0 / (b + 1), within(0.06 * 2 / (b + 1)));
        }
    }

    @Test
    void silenceIsRefused() {
        assertThatThrownBy(() -> DecayMeter.measure(Audio.silence(48000, 1, 48000)))
                .hasMessageContaining("silent");
        float[] end = new float[4800];
        end[4790] = 1;
        assertThatThrownBy(() -> DecayMeter.measure(Signals.mono(48000, end)))
                .hasMessageContaining("20 ms");
    }

    @Test
    void curveFallsSixtyDecibelsInTheDecayTime() {
        DecayCurve curve = DecayMeter.curve(decay(1.2, -90, 48000, 8));
        double at10 = curve.secondsAt(-10);
        double at50 = curve.secondsAt(-50);
        assertThat(at50 - at10).isCloseTo(1.2 * 40 / 60, within(0.02));
        assertThat(curve.levelDbAt(-1)).isZero();
        assertThat(curve.levelDbAt(100)).isEqualTo(Double.NEGATIVE_INFINITY);
    }

    @Test
    void bandsStopWhereTheSampleRateDoes() {
        DecayReport report = DecayMeter.measure(decay(0.8, -80, 16000, 4));
        assertThat(report.bands().getLast().centreHz()).isEqualTo(4000);
    }
}

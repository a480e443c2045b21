package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Cases after the compliance signals of EBU Tech 3341 and 3342, and ITU-R BS.2217. */
class LoudnessMeterTest {

    private static Audio stereoSine(double hz, double peakDb, double seconds, double rate) {
        float[] x = Signals.sine(hz, Math.pow(10, peakDb / 20), seconds, rate);
        return Audio.of(rate, x, x.clone());
    }

    private static Audio joined(Audio... parts) {
        int n = Arrays.stream(parts).mapToInt(Audio::frames).sum();
        float[][] out = new float[2][n];
        int at = 0;
        for (Audio part : parts) {
            for (int c = 0; c < 2; c++) {
                System.arraycopy(part.channel(c), 0, out[c], at, part.frames());
            }
            at += part.frames();
        }
        return Audio.of(parts[0].sampleRateHz(), out);
    }

    @ParameterizedTest
    @ValueSource(doubles = {44100, 48000, 88200, 96000, 192000})
    void aStereoSineAtMinus23ReadsMinus23AtEveryRate(double rate) {
        Loudness l = LoudnessMeter.measure(stereoSine(1000, -23, 20, rate));
        assertThat(l.integratedLufs().orElseThrow()).isCloseTo(-23, within(0.1));
        assertThat(l.momentaryMaxLufs().orElseThrow()).isCloseTo(-23, within(0.1));
        assertThat(l.shortTermMaxLufs().orElseThrow()).isCloseTo(-23, within(0.1));
    }

    @Test
    void oneChannelOfAFullSineAt997HertzReadsMinus3() {
        Loudness l = LoudnessMeter.measure(Signals.mono(48000, Signals.sine(997, 1, 10, 48000)));
        assertThat(l.integratedLufs().orElseThrow()).isCloseTo(-3.01, within(0.05));
    }

    @Test
    void theRelativeGateLeavesQuietPartsOut() {
        Audio programme =
                joined(
                        stereoSine(1000, -36, 10, 48000),
                        stereoSine(1000, -23, 60, 48000),
                        stereoSine(1000, -36, 10, 48000));
        assertThat(LoudnessMeter.integratedLufs(programme).orElseThrow())
                .isCloseTo(-23, within(0.1));
    }

    @Test
    void theAbsoluteGateLeavesSilenceOut() {
        Audio programme =
                joined(
                        stereoSine(1000, -72, 10, 48000),
                        stereoSine(1000, -23, 30, 48000),
                        stereoSine(1000, -72, 10, 48000));
        assertThat(LoudnessMeter.integratedLufs(programme).orElseThrow())
                .isCloseTo(-23, within(0.1));
    }

    @Test
    void rangeOfTwoSteadyPartsIsTheirDistance() {
        Audio ten = joined(stereoSine(1000, -20, 20, 48000), stereoSine(1000, -30, 20, 48000));
        assertThat(LoudnessMeter.measure(ten).rangeLu().orElseThrow()).isCloseTo(10, within(1.0));
        Audio five = joined(stereoSine(1000, -20, 20, 48000), stereoSine(1000, -15, 20, 48000));
        assertThat(LoudnessMeter.measure(five).rangeLu().orElseThrow()).isCloseTo(5, within(1.0));
    }

    @Test
    void rangeReachesFromTheTenthToTheNinetyFifthPercentile() {
        // Levels of all windows lie evenly over 97 % of 20 dB, so that shares are decibels.
        double rate = 24000;
        float[] x = Signals.sine(1000, 0.1, 100, rate);
        for (int i = 0; i < x.length; i++) {
            x[i] *= (float) Math.pow(10, (double) i / x.length);
        }
        double range = LoudnessMeter.measure(Signals.mono(rate, x)).rangeLu().orElseThrow();
        assertThat(range).isCloseTo(20 * 0.97 * (0.95 - 0.10), within(0.1));
    }

    @ParameterizedTest
    @ValueSource(doubles = {44100, 48000, 88200, 96000})
    void truePeakFindsWhatLiesBetweenTheSamples(double rate) {
        // A quarter of the sample rate, 45 degrees off: every sample is 3 dB under the peak.
        float[] x = new float[(int) rate];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.5 * Math.sin(Math.PI / 2 * i + Math.PI / 4));
        }
        Loudness l = LoudnessMeter.measure(Signals.mono(rate, x));
        assertThat(l.samplePeakDbfs().orElseThrow()).isCloseTo(-9.03, within(0.01));
        assertThat(l.truePeakDbtp().orElseThrow()).isCloseTo(-6.02, within(0.2));
    }

    @ParameterizedTest
    @ValueSource(doubles = {44100, 48000, 22050})
    void aBurstOf400MillisecondsReadsItsLevelWhereverItFalls(double rate) {
        float[] tone = Signals.sine(1000, Math.pow(10, -20.0 / 20), 0.4, rate);
        for (double at = 1; at < 1.1; at += 0.0137) {
            float[] x = new float[(int) (3 * rate)];
            System.arraycopy(tone, 0, x, (int) (at * rate), tone.length);
            Loudness l = LoudnessMeter.measure(Audio.of(rate, x, x.clone()));
            assertThat(l.momentaryMaxLufs().orElseThrow()).isCloseTo(-20, within(0.1));
        }
    }

    @Test
    void silenceAndTooShortAreUndefinedNotMinusInfinity() {
        Loudness silent = LoudnessMeter.measure(Audio.silence(48000, 2, 96000));
        assertThat(silent.integratedLufs()).isEmpty();
        assertThat(silent.truePeakDbtp()).isEmpty();
        Loudness brief = LoudnessMeter.measure(stereoSine(1000, -10, 0.2, 48000));
        assertThat(brief.integratedLufs()).isEmpty();
        assertThat(brief.samplePeakDbfs()).isPresent();
        assertThat(LoudnessMeter.measure(stereoSine(1000, -10, 1, 48000)).shortTermMaxLufs())
                .isEmpty();
    }

    @Test
    void kWeightingHasItsPublishedCoefficientsAt48Kilohertz() {
        var k = LoudnessMeter.kWeighting(48000);
        assertThat(k.get(0).b0()).isCloseTo(1.53512485958697, within(1e-6));
        assertThat(k.get(0).a1()).isCloseTo(-1.69065929318241, within(1e-6));
        assertThat(k.get(1).a1()).isCloseTo(-1.99004745483398, within(1e-6));
        assertThat(k.get(1).a2()).isCloseTo(0.99007225036621, within(1e-6));
    }
}

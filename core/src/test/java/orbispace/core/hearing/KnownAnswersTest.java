package orbispace.core.hearing;

import static orbispace.core.Signals.amplitude;
import static orbispace.core.Signals.noise;
import static orbispace.core.Signals.scaled;
import static orbispace.core.Signals.sine;
import static orbispace.core.Signals.sum;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** The answers of the model that are known from its formulas and from loudness standards. */
class KnownAnswersTest {
    private static final double RATE = 48000;
    private static final Ear EAR = new Ear(RATE, 98);

    private static float[] tone(double hz, double level) {
        return sine(hz, amplitude(level, 98), 2, RATE);
    }

    private static float[] noiseAt(
            double level, double low, double high, double seconds, long seed) {
        return noise(Math.pow(10, (level - 98) / 10), low, high, seconds, RATE, seed);
    }

    private static Excitation hear(float[]... channels) {
        return EAR.hear(Audio.of(RATE, channels));
    }

    private static double meanSones(Excitation e) {
        double[] sones = e.sones();
        return IntStream.range(8, sones.length - 8)
                .mapToDouble(i -> sones[i])
                .average()
                .orElseThrow();
    }

    private static Cover cover(float[] dry, float[] wet, float[] rest) {
        Excitation d = hear(dry);
        return new CoverMeter(d, hear(wet), hear(rest), 0, Passages.ofLoudness(d)).cover();
    }

    private static float[] silence(float[] like) {
        return new float[like.length];
    }

    @Test
    void aToneOfFortyDecibelsAtOneKilohertzIsOneSone() {
        assertThat(meanSones(hear(tone(1000, 40)))).isCloseTo(1.0, within(0.01));
    }

    @Test
    void loudnessGrowsWithLevelAsItShould() {
        double[] levels = {10, 20, 30, 50, 60, 70, 80, 90};
        double[] sones = {0.033, 0.147, 0.430, 2.06, 3.96, 7.29, 13.07, 23.0};
        for (int i = 0; i < levels.length; i++) {
            assertThat(meanSones(hear(tone(1000, levels[i]))))
                    .isCloseTo(sones[i], withinPercentage(3));
        }
    }

    @Test
    void widebandNoiseIsFourTimesAsLoudAsAToneOfItsLevel() {
        assertThat(meanSones(hear(noiseAt(60, 20, 20000, 2, 1))))
                .isCloseTo(15.9, withinPercentage(2));
    }

    @Test
    void powersOfTwoChannelsAddWhateverTheirPhase() {
        float[] t = tone(1000, 36.99);
        assertThat(meanSones(hear(t, t))).isCloseTo(1.0, within(0.01));
        assertThat(meanSones(hear(t, scaled(t, -1)))).isCloseTo(1.0, within(0.01));
    }

    @Test
    void partialLoudnessFollowsItsFormula() {
        assertThat(HearingModel.centreHz(16)).isCloseTo(1210.27, within(0.01));
        double[][] cases = {
            {1e4, 0, 0.42330}, {1e4, 1e4, 0.084651}, {1e4, 1e5, 5.2516e-4},
            {1e6, 1e4, 1.32247}, {2, 0, 0.0071387}, {0.5, 0, 3.7308e-4}
        };
        for (double[] c : cases) {
            assertThat(HearingModel.partialLoudness(16, c[0], c[1]))
                    .isCloseTo(c[2], withinPercentage(0.1));
        }
    }

    @Test
    void aToneRisesOutOfNoiseFromItsMaskedThreshold() {
        Excitation masker = hear(noiseAt(79.31, 20, 20000, 4, 3));
        double[] snr = {-10, -3, 0, 10, 20};
        double[] low = {0, 0.03, 0.23, 2.48, 8.5};
        double[] high = {0.01, 0.15, 0.31, 2.88, 9.3};
        for (int i = 0; i < snr.length; i++) {
            Excitation tone =
                    hear(sine(HearingModel.centreHz(20), amplitude(60 + snr[i], 98), 4, RATE));
            double mean = 0;
            for (int f = 8; f < masker.frames() - 8; f++) {
                for (int b = 0; b < HearingModel.BANDS; b++) {
                    mean += HearingModel.partialLoudness(b, tone.at(100, b), masker.at(f, b));
                }
            }
            assertThat(mean / (masker.frames() - 16))
                    .as("SNR %s", snr[i])
                    .isBetween(low[i], high[i]);
        }
    }

    @Test
    void aCopyOfTheDryTakesWhatTheFormulaSays() {
        float[] dry = sum(sum(tone(500, 65), tone(1000, 62)), sum(tone(2000, 60), tone(4000, 55)));
        double[] levels = {0, -10, -20};
        for (double level : levels) {
            double g2 = Math.pow(10, level / 10);
            double expected = 1 / ((1 + 3 * g2) * (1 + g2 * g2 / 4));
            Cover c = cover(dry, scaled(dry, Math.sqrt(g2)), silence(dry));
            assertThat(c.presenceKept().orElseThrow()).isCloseTo(expected, within(0.0005));
        }
        assertThat(cover(dry, dry, silence(dry)).wetShare()).isCloseTo(0.167, within(0.004));
        assertThat(cover(dry, scaled(dry, Math.pow(10, -0.5)), silence(dry)).clashArea())
                .isEqualTo(1);
        assertThat(cover(dry, scaled(dry, Math.pow(10, -0.8)), silence(dry)).clashArea()).isZero();
    }

    @Test
    void farBandsDoNotCoverAndNearOnesDo() {
        assertThat(keptInTheMiddle(500, 65, 6000)).isGreaterThan(0.995);
        assertThat(keptInTheMiddle(4000, 65, 200)).isGreaterThan(0.995);
        assertThat(keptInTheMiddle(1000, 65, 1100)).isCloseTo(0.114, within(0.02));
    }

    /** Presence under a wet tone of 75 dB, without the frames in which the tones are switched. */
    private static double keptInTheMiddle(double dryHz, double dryLevel, double wetHz) {
        Excitation d = hear(tone(dryHz, dryLevel));
        Excitation dry = d.slice(8, d.frames() - 8);
        Excitation wet = hear(tone(wetHz, 75)).slice(8, d.frames() - 8);
        Excitation none = Excitation.none(dry.frames(), dry.framesPerSecond());
        return new CoverMeter(dry, wet, none, 0, Passages.ofLoudness(dry))
                .cover()
                .presenceKept()
                .orElseThrow();
    }

    @Test
    void wetThatSoundsOnlyInTheGapsBloomsAndCoversNothing() {
        float[] dry = noiseAt(70, 200, 6000, 24, 5);
        float[] wet = noiseAt(40, 200, 6000, 24, 6);
        List<Span> phrases = new ArrayList<>();
        for (int i = 0; i < dry.length; i++) {
            double t = i / RATE % 4;
            dry[i] = t < 2 ? dry[i] : 0;
            wet[i] = t >= 2.1 && t < 3.9 ? wet[i] : 0;
        }
        for (int k = 0; k < 6; k++) {
            phrases.add(new Span(4 * k, 4 * k + 2));
        }
        Excitation d = hear(dry);
        Excitation w = hear(wet);
        Passages passages = Passages.ofPhrases(phrases, d.frames(), d.framesPerSecond());
        passages.resting().clear();
        for (int f = 0; f < d.frames(); f++) {
            double t = f / d.framesPerSecond() % 4;
            passages.resting().set(f, t > 2.2 && t < 3.8);
        }
        Cover c =
                new CoverMeter(d, w, Excitation.none(d.frames(), d.framesPerSecond()), 0, passages)
                        .cover();
        assertThat(c.presenceKept().orElseThrow()).isCloseTo(1, within(0.0001));
        assertThat(c.bloomDb().orElseThrow()).isCloseTo(-30, within(0.3));
        assertThat(c.clashArea()).isZero();
        assertThat(c.wetShare()).isCloseTo(0.09, within(0.006));
        assertThat(c.state()).isEqualTo(WetState.HEARD);
    }

    @Test
    void silenceIsUndefinedNotZeroAndNothingBreaks() {
        float[] t = tone(1000, 60);
        Cover dryGone = cover(silence(t), t, silence(t));
        assertThat(dryGone.presenceKept()).isEmpty();
        Cover wetGone = cover(t, silence(t), silence(t));
        assertThat(wetGone.presenceKept().orElseThrow()).isEqualTo(1);
        assertThat(wetGone.wetShare()).isZero();
        assertThat(wetGone.clashArea()).isZero();
        assertThat(wetGone.bloomDb()).isEmpty();
        assertThat(wetGone.state()).isEqualTo(WetState.HIDDEN);
        float[] steady = new float[(int) (2 * RATE)];
        java.util.Arrays.fill(steady, 0.1f);
        double[] sones = hear(steady).sones();
        assertThat(sones[100]).isLessThan(0.01);
    }

    @Test
    void otherSampleRatesGiveTheSameLoudness() {
        for (double rate : new double[] {44100, 96000}) {
            Excitation e =
                    new Ear(rate, 98).hear(Audio.of(rate, sine(1000, amplitude(40, 98), 2, rate)));
            assertThat(meanSones(e)).isCloseTo(1.0, within(0.01));
        }
    }

    @Test
    void scalingSoundAndScaleTogetherChangesNothing() {
        float[] dry = noiseAt(65, 200, 5000, 3, 8);
        float[] wet = noiseAt(58, 100, 4000, 3, 9);
        Cover a = cover(dry, wet, silence(dry));
        Ear other = new Ear(RATE, 98 + 20 * Math.log10(2));
        Excitation d = other.hear(Audio.of(RATE, scaled(dry, 0.5)));
        Excitation w = other.hear(Audio.of(RATE, scaled(wet, 0.5)));
        Cover b =
                new CoverMeter(
                                d,
                                w,
                                Excitation.none(d.frames(), d.framesPerSecond()),
                                0,
                                Passages.ofLoudness(d))
                        .cover();
        assertThat(b.presenceKept().orElseThrow())
                .isCloseTo(a.presenceKept().orElseThrow(), offset(1e-6));
        assertThat(b.wetShare()).isCloseTo(a.wetShare(), offset(1e-6));
    }

    @Test
    void statesHaveHysteresis() {
        double[] shares = {.5, .75, .85, .65, .58, 3.3, 3.6, 2.7, 2.5, 12, .1};
        List<String> seen = new ArrayList<>();
        WetState state = WetState.HIDDEN;
        for (double share : shares) {
            state = state.next(share / 100);
            seen.add(state.name().toLowerCase(java.util.Locale.ROOT));
        }
        assertThat(String.join(" ", seen))
                .isEqualTo("hidden hidden felt felt hidden felt heard heard felt obvious hidden");
    }
}

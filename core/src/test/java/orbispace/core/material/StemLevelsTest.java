package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** Levels of stems whose every step is known. */
class StemLevelsTest {
    private static final double RATE = 8000;
    private static final int STEP = 80;

    /** One amplitude for each hundredth of a second, as a square wave of full cycles. */
    private static float[] steps(double... amplitudes) {
        float[] x = new float[amplitudes.length * STEP];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (i % 8 < 4 ? amplitudes[i / STEP] : -amplitudes[i / STEP]);
        }
        return x;
    }

    private static double[] even(int count, double amplitude) {
        double[] all = new double[count];
        Arrays.fill(all, amplitude);
        return all;
    }

    @Test
    void aSilhouetteHoldsPeakAndMeanOfEachHundredth() {
        float[] x = steps(0.1, 0.2, 0.4, 0.2, 0);
        x[2 * STEP + 5] = -0.9f;
        Silhouette s = Silhouette.of(Signals.mono(RATE, Arrays.copyOf(x, x.length - 1)));
        assertThat(s.seconds()).isEqualTo(0.05);
        assertThat(s.peak(0, 0.01)).isCloseTo(0.1, within(1e-6));
        assertThat(s.peak(0, 0.0101)).isCloseTo(0.2, within(1e-6));
        assertThat(s.peak(0.02, 0.02)).isCloseTo(0.9, within(1e-6));
        assertThat(s.peak(-1, 9)).isCloseTo(0.9, within(1e-6));
        assertThat(s.peak(0.03, 0.05)).isCloseTo(0.2, within(1e-6));
        assertThat(s.mean(0.01, 0.02)).isCloseTo(0.2, within(1e-6));
        assertThat(s.mean(0.0399, 0.0399)).isCloseTo(0.2, within(1e-6));
        assertThat(s.power(0, 0.02)).isCloseTo((0.01 + 0.04) / 2, within(1e-6));
        assertThat(s.power(0.03, 0.05)).isCloseTo(0.02, within(1e-6));
        assertThat(s.power(0.03, 9)).isCloseTo(0.02, within(1e-6));
        assertThat(s.power(-3, 0.01)).isCloseTo(0.01, within(1e-6));
        assertThat(s.power(0.031, 0.0301)).isCloseTo(0.04, within(1e-6));
    }

    @Test
    void bothSidesOfAStemCountHalfEach() {
        Silhouette s = Silhouette.of(Audio.of(RATE, steps(0.4, 0.4), steps(0, 0.2)));
        assertThat(s.mean(0, 0.01)).isCloseTo(Math.sqrt(0.08), within(1e-6));
        assertThat(s.mean(0.01, 0.02)).isCloseTo(Math.sqrt(0.1), within(1e-6));
        assertThat(s.peak(0.01, 0.02)).isCloseTo(0.4, within(1e-6));
    }

    private static StemFacts facts(float[] x, boolean phrases, boolean hits) {
        Audio audio = Signals.mono(RATE, x);
        return StemFacts.measure(audio, Silhouette.of(audio), new StemFacts.Wanted(phrases, hits));
    }

    @Test
    void aStemSoundsSixtyDecibelsUnderItsPeakAndCrestIsOverItsMeanThere() {
        double[] all = new double[100];
        Arrays.fill(all, 0, 25, 0.5);
        Arrays.fill(all, 40, 45, 0.00051);
        Arrays.fill(all, 60, 70, 0.00049);
        StemFacts f = facts(steps(all), false, false);
        assertThat(f.peakDbfs()).isCloseTo(-6.02, within(0.01));
        assertThat(f.soundingShare()).isCloseTo(0.3, within(1e-9));
        assertThat(f.lastSoundSeconds()).isCloseTo(0.45, within(1e-9));
        // 25 of 30 sounding steps are loud: 10 log10(30 / 25).
        assertThat(f.crestDb()).isCloseTo(0.79, within(0.01));
        assertThat(f.phrases()).isEmpty();
        assertThat(f.hits()).isEmpty();
        assertThat(f.gate()).isEmpty();
        StemFacts silent = facts(new float[800], true, true);
        assertThat(silent.peakDbfs()).isEqualTo(-150);
        assertThat(silent.crestDb()).isZero();
        assertThat(silent.soundingShare()).isZero();
        assertThat(silent.integratedLufs()).isEmpty();
        assertThat(silent.phrases()).isPresent();
        assertThat(silent.hits()).isPresent();
    }

    @Test
    void phrasesFoundOtherwiseTakeThePlaceOfItsOwnAndNothingElse() {
        StemFacts f = facts(steps(even(100, 0.3)), true, false);
        Phrases other =
                Phrases.found(
                        List.of(new Span(0.1, 0.2)), List.of(), new Phrases.Levels(-80, -50, -20));
        StemFacts changed = f.withPhrases(other);
        assertThat(changed.phrases()).contains(other);
        assertThat(changed.withPhrases(f.phrases().orElseThrow())).isEqualTo(f);
    }

    @Test
    void bandsOfTheSpectrumMeetHalfWayBetweenTheirCentres() {
        double edge = 1000 * Math.pow(10, 0.05);
        Spectrum under = spectrum(edge * 0.99);
        assertThat(under.levelsDb().get(16)).isGreaterThan(under.levelsDb().get(17) + 12);
        Spectrum over = spectrum(edge * 1.01);
        assertThat(over.levelsDb().get(17)).isGreaterThan(over.levelsDb().get(16) + 12);
        assertThat(Spectrum.centreHz(0)).isCloseTo(25.1, within(0.02));
        assertThat(Spectrum.centreHz(Spectrum.BANDS - 1)).isCloseTo(19953, within(1.0));
        // What lies beyond the lowest and highest band is in none.
        assertThat(spectrum(18).levelsDb().getFirst()).isLessThan(-30);
        assertThat(spectrum(22900).levelsDb().getLast()).isLessThan(-30);
        assertThat(spectrum(21000).levelsDb().getLast()).isCloseTo(-9.03, within(0.2));
    }

    private static Spectrum spectrum(double hz) {
        return Spectrum.of(Signals.mono(48000, Signals.sine(hz, 0.5, 3, 48000)));
    }

    @Test
    void powersOfBothSidesAddUpInTheSpectrumHoweverLongTheStem() {
        float[] tone = Signals.sine(1000, 0.5, 3, 48000);
        Spectrum both = Spectrum.of(Audio.of(48000, tone, tone));
        assertThat(both.levelsDb().get(16)).isCloseTo(-6.02, within(0.05));
        // In a short stem what is missing is silence.
        float[] half = Arrays.copyOf(tone, 8192);
        assertThat(Spectrum.of(Signals.mono(48000, half)).levelsDb().get(16))
                .isCloseTo(-9.03 - 3.01, within(0.1));
        // Of a long one 256 stretches are heard all over it: here its second half is 20 dB down.
        float[] longer = Signals.sine(1000, 0.5, 90, 48000);
        for (int i = longer.length / 2; i < longer.length; i++) {
            longer[i] *= 0.1f;
        }
        assertThat(Spectrum.of(Signals.mono(48000, longer)).levelsDb().get(16))
                .isCloseTo(-9.03 + 10 * Math.log10(0.505), within(0.1));
    }

    private static List<Double> dips(double depthDb, int from, int to, int all) {
        double[] level = even(all, 0.5);
        Arrays.fill(level, from, to, 0.5 * Math.pow(10, -depthDb / 20));
        return Syllables.dips(
                Silhouette.of(Signals.mono(RATE, steps(level))), new Span(0, all / 100.0));
    }

    @Test
    void aDipOfNineDecibelsOverThirtyMillisecondsPartsSyllables() {
        assertThat(dips(9.2, 20, 25, 60)).hasSize(1);
        assertThat(dips(9.2, 20, 25, 60).getFirst()).isBetween(0.2, 0.25);
        assertThat(dips(8.8, 20, 25, 60)).isEmpty();
        // One step alone, over three, is no deeper than 4.8 dB.
        assertThat(dips(60, 20, 21, 60)).isEmpty();
        assertThat(dips(30, 20, 23, 60)).hasSize(1);
    }

    @Test
    void neitherSyllableIsShorterThanEightyMilliseconds() {
        assertThat(dips(30, 9, 12, 60)).hasSize(1);
        assertThat(dips(30, 5, 8, 60)).isEmpty();
        assertThat(dips(30, 48, 51, 60)).hasSize(1);
        assertThat(dips(30, 52, 55, 60)).isEmpty();
    }

    @Test
    void eachPartIsPartedAgainAndDipsComeInOrder() {
        double[] level = even(100, 0.5);
        Arrays.fill(level, 20, 24, 0.1);
        Arrays.fill(level, 50, 54, 0.01);
        Arrays.fill(level, 75, 79, 0.05);
        Silhouette s = Silhouette.of(Signals.mono(RATE, steps(level)));
        List<Double> dips = Syllables.dips(s, new Span(0, 1));
        assertThat(dips).hasSize(3).isSorted();
        assertThat(dips.get(0)).isBetween(0.2, 0.24);
        assertThat(dips.get(1)).isBetween(0.5, 0.54);
        assertThat(dips.get(2)).isBetween(0.75, 0.79);
        assertThat(Syllables.dips(s, new Span(0.3, 0.7))).hasSize(1);
        assertThat(Syllables.dips(s, new Span(0.3, 0.3))).isEmpty();
    }

    @Test
    void whatTwoStemsShareLinesThemUpAlsoWhenOneIsAsLongAsTheOther() {
        SplittableRandom random = new SplittableRandom(5);
        float[] a = new float[48000];
        for (int i = 0; i < a.length; i++) {
            a[i] = (float) (0.1 * random.nextGaussian());
        }
        float[] b = new float[a.length];
        System.arraycopy(a, 0, b, 100, a.length - 100);
        Audio one = Signals.mono(48000, a);
        Audio other = Signals.mono(48000, b);
        LineUp found = LineUp.of(one, other).orElseThrow().sharing(one, other);
        assertThat(found.delaySamples()).isEqualTo(100);
        assertThat(found.sharedShare()).isCloseTo(1, within(1e-6));
        for (int i = 0; i < b.length; i++) {
            b[i] += (float) (0.1 * random.nextGaussian());
        }
        Audio noisy = Signals.mono(48000, b);
        assertThat(LineUp.of(one, noisy).orElseThrow().sharing(one, noisy).sharedShare())
                .isCloseTo(0.5, within(0.02));
        LineUp back = LineUp.of(other, one).orElseThrow().sharing(other, one);
        assertThat(back.delaySamples()).isEqualTo(-100);
        assertThat(back.sharedShare()).isCloseTo(0.5, within(0.02));
    }
}

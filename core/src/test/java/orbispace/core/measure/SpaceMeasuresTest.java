package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.space.ReverbKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SpaceMeasuresTest {
    private static final double RATE = 48000;

    private static float[] noise(double seconds, double decaySeconds, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = new float[(int) (seconds * RATE)];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (random.nextGaussian() * Math.pow(10, -3 * i / (decaySeconds * RATE)));
        }
        return x;
    }

    private static double t30(Audio a, double hz) {
        return DecayMeter.measure(a).bands().stream()
                .filter(b -> b.centreHz() == hz)
                .map(b -> b.t30().fitted().orElse(Double.NaN))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void echoDensityIsOneForNoiseAndNearNothingForSingleEchoes() {
        assertThat(EchoDensity.at(noise(0.2, 100, 1), 4800, RATE)).isCloseTo(1, within(0.12));
        float[] single = new float[9600];
        single[4800] = 1;
        assertThat(EchoDensity.at(single, 4800, RATE)).isLessThan(0.02);
        assertThat(EchoDensity.at(new float[9600], 4800, RATE)).isZero();
    }

    @Test
    void densityIsReachedWhenEchoesBecomeNoise() {
        float[] x = new float[24000];
        for (int i = 0; i < 9600; i += 480) {
            x[i] = 1;
        }
        float[] dense = noise(0.5, 100, 2);
        System.arraycopy(dense, 0, x, 9600, 14400);
        assertThat(EchoDensity.denseSeconds(x, RATE).orElseThrow()).isCloseTo(0.2, within(0.015));
        assertThat(EchoDensity.denseSeconds(new float[4800], RATE)).isEmpty();
    }

    @Test
    void noiseHasTheLinesOfChanceAndWhatRepeatsItselfHasMore() {
        double prominence = 0;
        double flatness = 0;
        double self = 0;
        for (int seed = 0; seed < 8; seed++) {
            TailLines lines = TailLines.ofNoise(2.5, RATE, seed);
            prominence += lines.prominenceDb() / 8;
            flatness += lines.flatness() / 8;
            self += lines.selfCorrelation() / 8;
        }
        // The largest of 80 to 1,250 bins of exponential chance, the worst of five bands twice.
        assertThat(prominence).isCloseTo(10.5, within(1.0));
        assertThat(flatness).isCloseTo(0.53, within(0.05));
        assertThat(self).isCloseTo(0.16, within(0.05));
        float[] comb = noise(4, 2.5, 9);
        for (int i = 9600; i < comb.length; i++) {
            comb[i] += (float) (0.8 * Math.pow(10, -3 * 0.2 / 2.5) * comb[i - 9600]);
        }
        TailLines combed = TailLines.of(Audio.of(RATE, comb), hz -> 2.5);
        assertThat(combed.selfCorrelation()).isCloseTo(0.8, within(0.1));
        assertThat(combed.flatness()).isLessThan(0.4);
        assertThat(combed.prominenceDb()).isGreaterThan(14);
    }

    @Test
    void aLineInALateTailIsSeenInItsBandThoughTheTailIsLoud() {
        float[] x = noise(4, 2.5, 10);
        TailLines plain = TailLines.of(Audio.of(RATE, x), hz -> 2.5);
        for (int i = 0; i < x.length; i++) {
            x[i] +=
                    (float) (0.1 * Math.sin(6.28 * 2003 * i / RATE))
                            * (float) Math.pow(10, -3 * i / (2.5 * RATE));
        }
        TailLines ringing = TailLines.of(Audio.of(RATE, x), hz -> 2.5);
        assertThat(plain.prominenceDb()).isLessThan(13);
        assertThat(ringing.prominenceDb()).isGreaterThan(16);
    }

    @Test
    void aRingingModeStandsOut() {
        float[] plain = noise(5, 2.5, 3);
        float[] ringing = plain.clone();
        for (int i = 0; i < ringing.length; i++) {
            ringing[i] +=
                    (float)
                            (0.5
                                    * Math.pow(10, -3 * i / (2.5 * RATE))
                                    * Math.sin(2 * Math.PI * 880 * i / RATE));
        }
        Audio even = Audio.of(RATE, plain, noise(5, 2.5, 4));
        Audio metallic = Audio.of(RATE, ringing, noise(5, 2.5, 4));
        assertThat(TailQuality.of(even, 2.5).highestModeDb()).isLessThan(6);
        assertThat(TailQuality.of(metallic, 2.5).highestModeDb()).isGreaterThan(12);
        assertThat(TailQuality.of(metallic, 2.5).flatness())
                .isLessThan(TailQuality.of(even, 2.5).flatness());
    }

    @Test
    void flutterShowsInTheLevelsCorrelation() {
        float[] x = noise(3, 1.5, 5);
        for (int i = 0; i < x.length; i++) {
            double beat = i / RATE % 0.03;
            x[i] *= (float) (beat < 0.008 ? 1.6 : 0.6);
        }
        double flutter = TailQuality.of(Audio.of(RATE, x, x.clone()), 1.5).flutter();
        assertThat(flutter).isGreaterThan(0.5);
        Audio even = Audio.of(RATE, noise(3, 1.5, 6), noise(3, 1.5, 7));
        assertThat(TailQuality.of(even, 1.5).flutter()).isLessThan(0.2);
    }

    @Test
    void sidesAreToldApart() {
        float[] x = noise(1, 0.6, 8);
        TailQuality same = TailQuality.of(Audio.of(RATE, x, x.clone()), 0.6);
        assertThat(same.correlation()).isCloseTo(1, within(1e-6));
        assertThat(same.foldLossDb()).isCloseTo(0, within(1e-6));
        TailQuality apart = TailQuality.of(Audio.of(RATE, x, noise(1, 0.6, 9)), 0.6);
        assertThat(apart.correlation()).isCloseTo(0, within(0.05));
        assertThat(apart.foldLossDb()).isCloseTo(3, within(0.2));
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.5, 0.8, 1.4})
    void decaysAreScaledInTheMiddleAlone(double scale) {
        Audio a = Audio.of(RATE, noise(4, 1.2, 10));
        Audio scaled = DecayScaling.of(a, 1, scale, 1);
        assertThat(t30(scaled, 1000)).isCloseTo(1.2 * scale, within(0.07 * 1.2 * scale));
        assertThat(t30(scaled, 8000)).isCloseTo(1.2, within(0.12));
        assertThat(t30(scaled, 125)).isCloseTo(1.2, within(0.3));
    }

    @Test
    void highsAreScaledByThemselvesAndNothingIsNothing() {
        Audio a = Audio.of(RATE, noise(4, 1.2, 11), noise(4, 1.2, 12));
        Audio dull = DecayScaling.of(a, 1, 1, 0.5);
        assertThat(t30(dull, 8000)).isCloseTo(0.6, within(0.06));
        assertThat(t30(dull, 1000)).isCloseTo(1.2, within(0.08));
        assertThat(dull.channelCount()).isEqualTo(2);
        assertThat(DecayScaling.of(a, 1, 1, 1)).isSameAs(a);
    }

    @Test
    void aNoisyRecordingMadeLongerGoesOnAsItselfAndNotAsItsNoise() {
        float[] x = noise(3, 1.2, 14);
        java.util.Random random = new java.util.Random(15);
        for (int i = 0; i < x.length; i++) {
            x[i] += (float) (0.003 * random.nextGaussian());
        }
        Audio a = Audio.of(RATE, x);
        Audio longer = DecayScaling.of(a, 2, 2, 2);
        assertThat(longer.seconds()).isGreaterThan(2 * 1.2 * 100 / 60);
        DecayReport was = DecayMeter.measure(a);
        DecayReport is = DecayMeter.measure(longer);
        for (int b = 1; b < was.bands().size(); b++) {
            double wanted = 2 * was.bands().get(b).t30().fitted().orElseThrow();
            assertThat(is.bands().get(b).t30().fitted().orElseThrow())
                    .as("%s Hz", was.bands().get(b).centreHz())
                    .isCloseTo(wanted, within(0.05 * wanted));
        }
        Audio end = longer.slice(longer.frames() - 4800, longer.frames());
        assertThat(10 * Math.log10(end.meanSquare() / a.slice(0, 4800).meanSquare()))
                .isLessThan(-100);
        assertThat(longer.channel(0)[longer.frames() - 1]).isZero();
    }

    @Test
    void whatCannotBeMeasuredIsLeftAsItIs() {
        Audio click = Audio.of(RATE, new float[] {1, 0, 0, 0});
        Audio scaled = DecayScaling.of(click, 0.5, 0.5, 0.5);
        assertThat(scaled).isSameAs(click);
    }

    @Test
    void aSurveyKnowsWhatItSetAndFindsIt() {
        SpaceSurvey survey = SpaceSurvey.of(ReverbKind.PLATE, 1, RATE);
        assertThat(survey.setSeconds(125)).isCloseTo(1.1, within(1e-12));
        assertThat(survey.setSeconds(8000)).isCloseTo(0.7, within(1e-12));
        for (BandDecay band : survey.report().bands()) {
            if (band.centreHz() >= 500 && band.centreHz() <= 2000) {
                assertThat(band.t30().fitted().orElseThrow()).isCloseTo(1, within(0.05));
            }
        }
        assertThat(survey.quality().denseSeconds().orElse(1)).isLessThan(0.04);
    }

    @ParameterizedTest
    @ValueSource(strings = {"ROOM", "CHAMBER", "PLATE", "HALL", "VAST"})
    void sustainedTonesStandStill(String kind) {
        assertThat(SpaceSurvey.of(ReverbKind.valueOf(kind), 2.5, RATE).sidebandDb())
                .isLessThan(-18);
    }

    @Test
    void silenceAndShortSoundsDoNotBreakTheMeasures() {
        TailQuality silent = TailQuality.of(Audio.silence(RATE, 2, 4800), 1);
        assertThat(silent.denseSeconds()).isEmpty();
        assertThat(silent.flutter()).isZero();
        float[] few = new float[100];
        Arrays.fill(few, 0.1f);
        assertThat(TailQuality.of(Audio.of(RATE, few, few.clone()), 0.3).highestModeDb())
                .isGreaterThanOrEqualTo(0);
    }
}

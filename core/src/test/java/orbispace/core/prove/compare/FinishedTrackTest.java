package orbispace.core.prove.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FinishedTrackTest {
    private static final double RATE = 48000;
    private static final int FRAMES = (int) (20 * RATE);

    private static float[] noise(long seed, double level) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = new float[FRAMES];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (level * random.nextGaussian());
        }
        return x;
    }

    private static float[] filtered(float[] x, orbispace.core.signal.Biquad... filters) {
        float[] y = x.clone();
        new Cascade(java.util.List.of(filters)).process(y, y.clone(), 0, y.length);
        return y;
    }

    private static double third(FinishedTrack t, double hz) {
        return t.thirds().stream()
                .filter(b -> b.centreHz() == hz)
                .findFirst()
                .orElseThrow()
                .db()
                .orElseThrow();
    }

    @ParameterizedTest
    @ValueSource(doubles = {44100, 48000, 96000})
    void whiteNoiseGainsADecibelPerThirdAndAToneStandsInItsOwn(double rate) {
        float[] x = noise(1, 0.05);
        FinishedTrack white = FinishedTrack.of(Audio.of(rate, x));
        // Each third is 2^(1/3) as wide as the one before: 1.003 dB.
        assertThat(third(white, 4000) - third(white, 1000)).isCloseTo(6.02, within(0.3));
        float[] tone = new float[FRAMES];
        for (int i = 0; i < tone.length; i++) {
            tone[i] = (float) (0.2 * Math.sin(2 * Math.PI * 997 * i / rate));
        }
        FinishedTrack one = FinishedTrack.of(Audio.of(rate, tone, tone));
        // A tone at 1 kHz in both channels: its power over its loudness is the 0.691 of BS.1770.
        assertThat(third(one, 1000)).isCloseTo(0.0, within(0.15));
        assertThat(third(one, 2000)).isLessThan(-50);
    }

    @Test
    void aDifferenceOfSpectrumIsFoundInThirdsAndInWordsWhateverTheLevel() {
        float[] x = filtered(noise(2, 0.1), FilterDesign.lowPass(900, 2, RATE).getFirst());
        float[] y = x.clone();
        for (var b : java.util.List.of(FilterDesign.bell(100, 9, 1, RATE))) {
            y = filtered(y, b);
        }
        float[] quiet = Signals.scaled(y, 0.2);
        TrackDifference d =
                TrackDifference.of(
                        FinishedTrack.of(Audio.of(RATE, quiet)),
                        FinishedTrack.of(Audio.of(RATE, x)));
        assertThat(d.words().getFirst()).startsWith("The bass is").endsWith("stronger");
        assertThat(d.mixGainDb()).isZero();
        assertThat(d.trackGainDb()).isLessThan(-8);
        double at100 = d.thirds().get(5).orElseThrow();
        double at3k = d.thirds().get(20).orElseThrow();
        assertThat(at100 - at3k).isCloseTo(9, within(0.7));
    }

    @Test
    void widthIsComparedBandByBandAndTheSameTrackHasNothingToSay() {
        float[] x = noise(3, 0.1);
        float[] y = noise(4, 0.1);
        FinishedTrack wide = FinishedTrack.of(Audio.of(RATE, x, y));
        FinishedTrack narrow = FinishedTrack.of(Audio.of(RATE, x, x));
        assertThat(TrackDifference.of(wide, narrow).words())
                .anyMatch(w -> w.matches("The middle is \\d+ degrees wider"));
        TrackDifference none = TrackDifference.of(wide, wide);
        assertThat(none.words()).isEmpty();
        assertThat(none.thirds()).allMatch(t -> t.isEmpty() || Math.abs(t.getAsDouble()) < 1e-9);
        FinishedTrack silent = FinishedTrack.of(Audio.silence(RATE, 2, 96000));
        assertThat(TrackDifference.of(wide, silent).thirds()).allMatch(OptionalDouble::isEmpty);
    }

    @Test
    void aQuietTrackIsRaisedOnlyAsFarAsItsPeaksAllow() {
        float[] loud = noise(7, 0.2);
        float[] peaky = noise(8, 0.01);
        for (int i = 0; i < peaky.length; i += 24000) {
            peaky[i] = 0.8f;
        }
        TrackDifference d =
                TrackDifference.of(
                        FinishedTrack.of(Audio.of(RATE, loud)),
                        FinishedTrack.of(Audio.of(RATE, peaky)));
        FinishedTrack track = FinishedTrack.of(Audio.of(RATE, peaky));
        double peak = track.loudness().truePeakDbtp().orElseThrow();
        assertThat(d.trackGainDb()).isPositive();
        assertThat(peak + d.trackGainDb()).isLessThanOrEqualTo(-1 + 1e-9);
        assertThat(d.mixGainDb()).isLessThan(-10);
        double mix = FinishedTrack.of(Audio.of(RATE, loud)).loudness().integratedLufs().orElse(0);
        double other = track.loudness().integratedLufs().orElse(0);
        assertThat(mix + d.mixGainDb()).isCloseTo(other + d.trackGainDb(), within(1e-9));
    }

    private static Audio stopping(double decaySeconds, long seed) {
        float[] x = noise(seed, 0.2);
        for (int i = 0; i < x.length; i++) {
            double t = i / RATE % 4;
            double level = t < 1.5 ? 0 : -10 - 60 * (t - 1.5) / decaySeconds;
            x[i] *= (float) Math.pow(10, level / 20);
        }
        return Audio.of(RATE, x);
    }

    @Test
    void aLongerOrShorterRingAndAWiderRangeAreSaid() {
        FinishedTrack shorter = FinishedTrack.of(stopping(0.7, 11));
        FinishedTrack longer = FinishedTrack.of(stopping(1.6, 12));
        assertThat(TrackDifference.of(longer, shorter).words())
                .anyMatch(w -> w.startsWith("Where it stops it rings longer: 1."));
        assertThat(TrackDifference.of(shorter, longer).words())
                .anyMatch(w -> w.startsWith("Where it stops it rings shorter: 0."));
        float[] x = noise(13, 0.1);
        float[] y = x.clone();
        for (int i = 0; i < y.length / 2; i++) {
            y[i] *= 0.3f;
        }
        assertThat(
                        TrackDifference.of(
                                        FinishedTrack.of(Audio.of(RATE, y)),
                                        FinishedTrack.of(Audio.of(RATE, x)))
                                .words())
                .anyMatch(w -> w.matches("Its loudness ranges \\d+\\.\\d LU more"));
    }

    @Test
    void theFreeDecayOfItsStopsIsFound() {
        // Noise for a second and a half, a knee of 10 dB, and then a decay, over and over.
        FinishedTrack track = FinishedTrack.of(stopping(1.2, 5));
        assertThat(track.stop().orElseThrow().decaySeconds()).isCloseTo(1.2, within(0.1));
    }

    @Test
    void theLoudestStretchIsFound() {
        float[] x = noise(6, 0.02);
        for (int i = (int) (11 * RATE); i < 15 * RATE; i++) {
            x[i] *= 8;
        }
        Audio audio = Audio.of(RATE, x);
        assertThat(FinishedTrack.loudestStart(audio, 4)).isCloseTo(11, within(0.01));
        assertThat(FinishedTrack.loudestStart(audio, 60)).isZero();
    }
}

package orbispace.core.hearing;

import static orbispace.core.Signals.noise;
import static orbispace.core.Signals.scaled;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Scenes of a gated voice-like noise, its reverb and a dense rest, with answers computed
 * beforehand.
 */
class KnownScenesTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 24;
    private static final Ear EAR = new Ear(RATE, 98);

    private static float[] dry = new float[0];
    private static float[] reverb = new float[0];
    private static Excitation voice = Excitation.none(0, 1);
    private static Excitation wet = Excitation.none(0, 1);
    private static Excitation rest = Excitation.none(0, 1);
    private static Excitation nothing = Excitation.none(0, 1);
    private static Passages passages = new Passages(List.of(), new BitSet(), new BitSet());

    private static double power(double level) {
        return Math.pow(10, (level - 98) / 10);
    }

    @BeforeAll
    static void makeScene() {
        dry = noise(power(70), 200, 6000, SECONDS, RATE, 5);
        for (int i = 0; i < dry.length; i++) {
            dry[i] *= i / RATE % 4 < 2 ? 1 : 0;
        }
        reverb = convolved(dry, 1.5);
        double gain = Math.sqrt(meanSquare(dry) / meanSquare(reverb)) * Math.pow(10, -0.5);
        reverb = scaled(reverb, gain);
        voice = EAR.hear(Audio.of(RATE, dry));
        wet = EAR.hear(Audio.of(RATE, reverb));
        rest = EAR.hear(Audio.of(RATE, noise(power(60), 20, 20000, SECONDS, RATE, 77)));
        nothing = Excitation.none(voice.frames(), voice.framesPerSecond());
        passages = gated(voice.frames(), voice.framesPerSecond());
    }

    private static Passages gated(int frames, double perSecond) {
        List<BitSet> phrases = new ArrayList<>();
        BitSet speaking = new BitSet(frames);
        BitSet resting = new BitSet(frames);
        for (int f = 0; f < frames; f++) {
            double t = f / perSecond % 4;
            speaking.set(f, t <= 2);
            resting.set(f, t > 2.2 && t < 3.8);
        }
        for (int k = 0; k < 6; k++) {
            BitSet phrase = new BitSet(frames);
            phrase.set((int) Math.ceil(4 * k * perSecond), (int) ((4 * k + 2) * perSecond));
            phrases.add(phrase);
        }
        return new Passages(phrases, speaking, resting);
    }

    private static double meanSquare(float[] x) {
        return Audio.of(RATE, x).meanSquare();
    }

    /** Convolution with decaying noise, cut to the length of the sound. */
    private static float[] convolved(float[] x, double t60) {
        SplittableRandom random = new SplittableRandom(9);
        int length = (int) (1.3 * t60 * RATE);
        int n = Integer.highestOneBit(x.length + length) * 2;
        double[] a = new double[n];
        double[] b = new double[n];
        for (int i = 0; i < x.length; i++) {
            a[i] = x[i];
        }
        for (int i = 0; i < length; i++) {
            b[i] = random.nextGaussian() * Math.pow(10, -3 * i / RATE / t60);
        }
        Fft fft = new Fft(n);
        fft.forward(a);
        fft.forward(b);
        a[0] *= b[0];
        a[1] *= b[1];
        for (int k = 1; k < n / 2; k++) {
            double re = a[2 * k] * b[2 * k] - a[2 * k + 1] * b[2 * k + 1];
            a[2 * k + 1] = a[2 * k] * b[2 * k + 1] + a[2 * k + 1] * b[2 * k];
            a[2 * k] = re;
        }
        fft.inverse(a);
        float[] out = new float[x.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = (float) a[i];
        }
        return out;
    }

    private static Cover cover(Excitation of, Excitation beside) {
        return new CoverMeter(voice, of, beside, 0, passages).cover();
    }

    @Test
    void reverbTenDecibelsDownKeepsThreeQuartersOfTheVoice() {
        Cover c = cover(wet, nothing);
        assertThat(c.presenceKept().orElseThrow()).isCloseTo(0.776, within(0.02));
        assertThat(c.bloomDb().orElseThrow()).isCloseTo(-29.8, within(1.2));
        assertThat(c.wetShare()).isCloseTo(0.058, within(0.008));
    }

    @Test
    void reverbTwentyDecibelsDownHardlyCovers() {
        Cover c = cover(wet.times(0.1), nothing);
        assertThat(c.presenceKept().orElseThrow()).isCloseTo(0.971, within(0.01));
        assertThat(c.bloomDb().orElseThrow()).isCloseTo(-39.8, within(1.2));
        assertThat(c.wetShare()).isCloseTo(0.023, within(0.006));
    }

    @Test
    void aDenseRestHidesTheReverbAndClashesMore() {
        Cover c = cover(wet, rest);
        assertThat(c.presenceKept().orElseThrow()).isCloseTo(0.792, within(0.02));
        assertThat(c.bloomDb().orElseThrow()).isCloseTo(-35.3, within(1.5));
        assertThat(c.wetShare()).isCloseTo(0.0086, within(0.0025));
        assertThat(c.clashArea()).isCloseTo(0.52, within(0.08));
    }

    @Test
    void duckingBySixDecibelsRaisesPresenceByFourteenPoints() {
        float[] gain = new float[voice.frames()];
        for (int f = 0; f < gain.length; f++) {
            double t = f / voice.framesPerSecond() % 4;
            double db = t < 2 ? -6 : -6 * Math.exp(-(t - 2) / 0.2);
            gain[f] = (float) Math.pow(10, db / 10);
        }
        Cover before = cover(wet, rest);
        Cover after = cover(wet.times(gain), rest);
        double gained = after.presenceKept().orElseThrow() - before.presenceKept().orElseThrow();
        assertThat(gained).isCloseTo(0.144, within(0.02));
        assertThat(after.bloomDb().orElseThrow() - before.bloomDb().orElseThrow())
                .isCloseTo(-3.8, within(1.2));
        assertThat(after.clashArea()).isLessThan(0.03);
    }

    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void louderNeverKeepsMoreAndNeverShowsLess(boolean dense) {
        Excitation beside = dense ? rest : nothing;
        Cover last = cover(wet.times(Math.pow(10, -3)), beside);
        for (double db = -28; db <= 10; db += 2) {
            Cover now = cover(wet.times(Math.pow(10, db / 10)), beside);
            assertThat(now.presenceKept().orElseThrow())
                    .isLessThanOrEqualTo(last.presenceKept().orElseThrow() + 1e-9);
            assertThat(now.wetShare()).isGreaterThanOrEqualTo(last.wetShare() - 1e-9);
            assertThat(now.bloomDb().orElse(-60))
                    .isGreaterThanOrEqualTo(last.bloomDb().orElse(-60) - 1e-9);
            assertThat(now.clashArea()).isGreaterThanOrEqualTo(last.clashArea() - 1e-9);
            last = now;
        }
    }

    @Test
    void aWetOfGapsUnderADenseRestIsHidden() {
        float[] gaps = noise(power(40), 200, 6000, SECONDS, RATE, 6);
        for (int i = 0; i < gaps.length; i++) {
            double t = i / RATE % 4;
            gaps[i] *= t >= 2.1 && t < 3.9 ? 1 : 0;
        }
        Excitation quiet = EAR.hear(Audio.of(RATE, gaps));
        Cover c = cover(quiet, rest);
        assertThat(c.wetShare()).isLessThan(0.0001);
        assertThat(c.state()).isEqualTo(WetState.HIDDEN);
        assertThat(c.bloomDb().orElse(-99)).isLessThan(-48);
        assertThat(c.presenceKept().orElseThrow()).isCloseTo(1, within(0.0002));
    }

    @Test
    void roomNoiseHidesTailsThatNobodyWouldHear() {
        Excitation faint = wet.times(1e-4);
        Cover inSilence = new CoverMeter(voice, faint, nothing, 0, passages).cover();
        Cover inARoom =
                new CoverMeter(voice, faint, nothing, Ear.QUIET_ROOM_POWER, passages).cover();
        assertThat(inARoom.wetShareInGaps()).isLessThan(inSilence.wetShareInGaps());
    }

    @Test
    void excitationsAddScaleAndCut() {
        Excitation twice = voice.plus(voice);
        assertThat(twice.at(40, 20))
                .isCloseTo(2 * voice.at(40, 20), within(1e-3 * voice.at(40, 20) + 1e-9));
        assertThat(twice.minus(voice).at(40, 20))
                .isCloseTo(voice.at(40, 20), within(1e-3 * voice.at(40, 20) + 1e-9));
        assertThat(voice.minus(twice).at(40, 20)).isZero();
        assertThat(voice.slice(10, 20).frames()).isEqualTo(10);
        assertThat(voice.slice(10, 20).at(0, 5)).isEqualTo(voice.at(10, 5));
        assertThat(Excitation.even(3, 10, 7).at(2, 39)).isEqualTo(7);
    }

    @Test
    void passagesLeaveTheEdgesOfPhrasesOutOfTheGaps() {
        List<orbispace.core.time.Span> spans =
                List.of(
                        new orbispace.core.time.Span(0, 1),
                        new orbispace.core.time.Span(2, 3),
                        new orbispace.core.time.Span(3.2, 4));
        Passages p = Passages.ofPhrases(spans, 500, 100);
        assertThat(p.phrases()).hasSize(3);
        assertThat(p.speaking().cardinality()).isEqualTo(280);
        assertThat(p.resting().nextSetBit(0)).isEqualTo(106);
        assertThat(p.resting().length()).isEqualTo(197);
        assertThat(p.resting().get(305)).isFalse();
    }

    @Test
    void whatSoundsOnlyInTheLastSecondIsMeasured() {
        int frames = (int) (4.8 * 93.75);
        float[] power = new float[frames];
        java.util.Arrays.fill(power, frames - 70, frames, 1);
        Excitation wet = Excitation.even(frames, 93.75, 1e5).times(power);
        Excitation none = Excitation.none(frames, 93.75);
        Cover cover = new CoverMeter(none, wet, none, 0, Passages.ofLoudness(none)).cover();
        assertThat(cover.wetShare()).isGreaterThan(0.9);
    }
}

package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PhraseFinderTest {

    /** Noise phrases with random lengths and gaps over a noise floor. */
    private static Audio phrases(
            List<Span> spans, double levelDb, double snrDb, double rate, long seed) {
        double end = spans.getLast().endSeconds() + 1;
        float[] x = Signals.noise(Math.pow(10, (levelDb - snrDb) / 10), 100, 7000, end, rate, seed);
        float[] voice = Signals.noise(Math.pow(10, levelDb / 10), 200, 6000, end, rate, seed + 1);
        for (Span s : spans) {
            for (int i = (int) (s.startSeconds() * rate); i < s.endSeconds() * rate; i++) {
                x[i] += voice[i];
            }
        }
        return Audio.of(rate, x);
    }

    private static List<Span> random(long seed, int count) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Span> spans = new ArrayList<>();
        double at = 0.5;
        for (int i = 0; i < count; i++) {
            double length = 0.4 + 2 * random.nextDouble();
            spans.add(new Span(at, at + length));
            at += length + 0.3 + 1.2 * random.nextDouble();
        }
        return spans;
    }

    @ParameterizedTest
    @CsvSource({
        "-20, 20, 48000",
        "-35, 20, 48000",
        "-12, 40, 48000",
        "-20, 60, 48000",
        "-20, 25, 44100",
        "-20, 25, 96000"
    })
    void edgesAreWithinThirtyMillis(double level, double snr, double rate) {
        for (long seed = 1; seed <= 3; seed++) {
            List<Span> expected = random(seed, 8);
            List<Span> found = PhraseFinder.find(phrases(expected, level, snr, rate, seed)).spans();
            assertThat(found).hasSameSizeAs(expected);
            for (int i = 0; i < expected.size(); i++) {
                assertThat(found.get(i).startSeconds())
                        .isCloseTo(expected.get(i).startSeconds(), within(0.03));
                assertThat(found.get(i).endSeconds())
                        .isCloseTo(expected.get(i).endSeconds(), within(0.03));
            }
        }
    }

    @Test
    void restsUnder150MillisDoNotPartAPhraseAndAreKeptAsInnerGaps() {
        List<Span> spans =
                List.of(
                        new Span(0.5, 1),
                        new Span(1.08, 1.6),
                        new Span(1.7, 2.2),
                        new Span(3, 3.5));
        Phrases found = PhraseFinder.find(phrases(spans, -20, 50, 48000, 4));
        assertThat(found.spans()).hasSize(2);
        assertThat(found.innerGaps()).hasSize(2);
        assertThat(found.innerGaps().getFirst().seconds()).isCloseTo(0.08, within(0.025));
        assertThat(found.gapSeconds(0.5)).isCloseTo(0.8, within(0.04));
    }

    @Test
    void clicksAreNoPhrases() {
        List<Span> spans = List.of(new Span(0.5, 1.5), new Span(2.5, 2.55), new Span(3.5, 4.5));
        assertThat(PhraseFinder.find(phrases(spans, -20, 50, 48000, 4)).spans()).hasSize(2);
    }

    @Test
    void aSteadySoundIsOnePhraseAndSilenceIsNone() {
        Audio steady = Signals.mono(48000, Signals.noise(0.01, 200, 6000, 3, 48000, 2));
        assertThat(PhraseFinder.find(steady).spans()).containsExactly(new Span(0, 3));
        assertThat(PhraseFinder.find(Audio.silence(48000, 1, 48000)).spans()).isEmpty();
        assertThat(PhraseFinder.find(Audio.silence(48000, 1, 10)).spans()).isEmpty();
    }

    @Test
    void phrasesBetweenDigitalSilenceAreFound() {
        float[] x = new float[48000 * 4];
        float[] voice = Signals.noise(0.01, 200, 6000, 4, 48000, 7);
        System.arraycopy(voice, 0, x, 48000, 48000);
        System.arraycopy(voice, 0, x, 120000, 48000);
        List<Span> found = PhraseFinder.find(Signals.mono(48000, x)).spans();
        assertThat(found).hasSize(2);
        assertThat(found.get(1).startSeconds()).isCloseTo(2.5, within(0.03));
    }

    @Test
    void phrasesStayWhereTheyAreOverFourMinutesAtAnyRate() {
        for (double rate : new double[] {22050, 11025, 44100}) {
            float[] x = new float[(int) (240 * rate)];
            SplittableRandom random = new SplittableRandom(7);
            for (int i = 0; i < x.length; i++) {
                double t = i / rate;
                x[i] = (float) ((t % 4 < 2 ? 0.1 : 1e-4) * random.nextGaussian());
            }
            Phrases found = PhraseFinder.find(Audio.of(rate, x));
            assertThat(found.spans()).hasSize(60);
            assertThat(found.spans().getLast().startSeconds()).isCloseTo(236, within(0.03));
            assertThat(found.spans().getLast().endSeconds()).isCloseTo(238, within(0.03));
        }
    }

    /** Sung stretches with a breath of 0.3 s, 50 ms before each but the first. */
    private static float[] breathing(List<Span> spans, double breathDb, double end, double rate) {
        float[] x = Signals.noise(1e-8, 100, 7000, end, rate, 11);
        float[] voice = Signals.noise(0.01, 200, 6000, end, rate, 12);
        float[] breath =
                Signals.noise(0.01 * Math.pow(10, breathDb / 10), 400, 6000, end, rate, 13);
        for (Span s : spans) {
            for (int i = (int) (s.startSeconds() * rate); i < s.endSeconds() * rate; i++) {
                x[i] += voice[i];
            }
            int from = (int) ((s.startSeconds() - 0.35) * rate);
            for (int i = Math.max(0, from); i < (s.startSeconds() - 0.05) * rate; i++) {
                x[i] += breath[i];
            }
        }
        return x;
    }

    private static void are(List<Span> found, List<Span> expected) {
        assertThat(found).hasSameSizeAs(expected);
        for (int i = 0; i < expected.size(); i++) {
            assertThat(found.get(i).startSeconds())
                    .isCloseTo(expected.get(i).startSeconds(), within(0.02));
            assertThat(found.get(i).endSeconds())
                    .isCloseTo(expected.get(i).endSeconds(), within(0.02));
        }
    }

    @ParameterizedTest
    @CsvSource({"-20", "-23", "-26", "-30"})
    void breathsAreNeitherPhrasesNorTheirBeginnings(double breathDb) {
        List<Span> expected = random(5, 10);
        double end = expected.getLast().endSeconds() + 1;
        are(
                PhraseFinder.find(Audio.of(48000, breathing(expected, breathDb, end, 48000)))
                        .spans(),
                expected);
    }

    @Test
    void aVoiceThatSingsATwentiethOfItsStemHasItsPhrases() {
        List<Span> expected = List.of(new Span(20, 21.5), new Span(22.5, 24), new Span(70, 71.3));
        are(
                PhraseFinder.find(Audio.of(48000, breathing(expected, -25, 100, 48000))).spans(),
                expected);
    }

    @Test
    void aVerseThirtyDecibelsSofterIsFoundWithoutItsBreaths() {
        List<Span> loud = random(6, 6);
        double half = loud.getLast().endSeconds() + 1;
        float[] x = breathing(loud, -24, 2 * half, 48000);
        int turn = (int) (half * 48000);
        List<Span> expected = new ArrayList<>(loud);
        for (Span s : loud) {
            expected.add(new Span(s.startSeconds() + half, s.endSeconds() + half));
        }
        for (int i = turn; i < x.length; i++) {
            x[i] = (float) (0.0316 * x[i - turn]);
        }
        are(PhraseFinder.find(Audio.of(48000, x)).spans(), expected);
    }

    /** The tail is that of noise convolved with a decay: it has the level of its energy. */
    @Test
    void aPrintedRoomMovesEndsByLittle() {
        double rate = 24000;
        List<Span> expected = random(7, 8);
        double end = expected.getLast().endSeconds() + 2;
        float[] dry = breathing(expected, -60, end, rate);
        float[] wet = dry.clone();
        SplittableRandom random = new SplittableRandom(3);
        double t60 = 1.2;
        double decay = Math.pow(10, -3 / (t60 * rate));
        // Two hundred one-pole rooms of random sign that each take in every 200th sample.
        double[] state = new double[200];
        double gain = Math.pow(10, -10 / 20.0) * Math.sqrt(1 - decay * decay);
        for (int i = 0; i < dry.length; i++) {
            double sum = 0;
            state[i % 200] += (random.nextBoolean() ? 1 : -1) * dry[i] * Math.sqrt(200);
            for (int k = 0; k < 200; k += 10) {
                sum += state[(i + k) % 200] * Math.sqrt(10 / 200.0);
            }
            for (int k = 0; k < 200; k++) {
                state[k] *= decay;
            }
            wet[i] += (float) (gain * sum * (random.nextBoolean() ? 1 : -1));
        }
        assertThat(PhraseFinder.find(Audio.of(rate, dry)).sure()).isTrue();
        Phrases inRoom = PhraseFinder.find(Audio.of(rate, wet));
        assertThat(inRoom.sure()).isFalse();
        List<Span> found = inRoom.spans();
        assertThat(found).hasSameSizeAs(expected);
        for (int i = 0; i < expected.size(); i++) {
            assertThat(found.get(i).endSeconds())
                    .isCloseTo(expected.get(i).endSeconds(), within(0.03));
        }
    }
}

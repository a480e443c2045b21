package orbispace.core.prove.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigInteger;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.measure.Loudness;
import orbispace.core.measure.LoudnessMeter;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

class ComparingTest {
    private static final double RATE = 24000;

    private static Audio scaled(Audio a, double db) {
        return Audio.of(a.sampleRateHz(), Signals.scaled(a.channel(0), Decibels.toAmplitude(db)));
    }

    /** Noise with rests, so that the gates of the loudness measure have work. */
    private static Audio random(SplittableRandom random) {
        float[] x =
                Signals.noise(
                        0.003 + 0.2 * random.nextDouble(),
                        60 + 200 * random.nextDouble(),
                        3000 + 9000 * random.nextDouble(),
                        4,
                        RATE,
                        random.nextLong());
        double rest = random.nextDouble();
        for (int i = 0; i < x.length; i++) {
            x[i] *= i / RATE % 1 < rest * 0.6 ? 0.02f : 1;
        }
        return Signals.mono(RATE, x);
    }

    @Test
    @Tag("sweep")
    void aHundredPairsAreEquallyLoudWithinATwentiethAndNeverTooHigh() {
        SplittableRandom random = new SplittableRandom(11);
        for (int i = 0; i < 100; i++) {
            Audio a = random(random);
            Audio b = random(random);
            MatchedPair pair = MatchedPair.of(a, b);
            Loudness matchedA = LoudnessMeter.measure(scaled(a, pair.gainADb()));
            Loudness matchedB = LoudnessMeter.measure(scaled(b, pair.gainBDb()));
            assertThat(matchedA.integratedLufs().orElseThrow())
                    .as("pair " + i)
                    .isCloseTo(matchedB.integratedLufs().orElseThrow(), within(0.05));
            assertThat(pair.gainADb() > 0 ? matchedA.truePeakDbtp().orElseThrow() : -1)
                    .isLessThanOrEqualTo(-0.999);
            assertThat(pair.gainBDb() > 0 ? matchedB.truePeakDbtp().orElseThrow() : -1)
                    .isLessThanOrEqualTo(-0.999);
        }
    }

    @Test
    void silenceIsNotMatched() {
        Audio silence = Audio.silence(RATE, 1, (int) RATE);
        MatchedPair pair = MatchedPair.of(silence, random(new SplittableRandom(1)));
        assertThat(pair.gainDb()).isZero();
        assertThat(pair.lufsA()).isEmpty();
    }

    /** The binomial tail by whole numbers. */
    private static double exact(int k, int n) {
        BigInteger sum = BigInteger.ZERO;
        for (int i = Math.max(0, k); i <= n; i++) {
            BigInteger choose = BigInteger.ONE;
            for (int j = 1; j <= i; j++) {
                choose =
                        choose.multiply(BigInteger.valueOf(n - j + 1))
                                .divide(BigInteger.valueOf(j));
            }
            sum = sum.add(choose);
        }
        return sum.doubleValue() / Math.pow(2, n);
    }

    @Test
    void theChanceIsTheExactBinomialForAllOutcomesUpToTwentyFive() {
        for (int n = 1; n <= 25; n++) {
            for (int k = 0; k <= n; k++) {
                assertThat(BlindTrial.chanceOfAtLeast(k, n))
                        .as(k + " of " + n)
                        .isCloseTo(exact(k, n), within(1e-12));
            }
        }
    }

    @Test
    void aGuesserPassesAboutOneTimeInTwentyAtMost() {
        SplittableRandom random = new SplittableRandom(5);
        int passed = 0;
        for (int run = 0; run < 10_000; run++) {
            BlindTrial trial = new BlindTrial(BlindTrial.Kind.WHICH, 16, random);
            while (!trial.finished()) {
                trial.answer(random.nextBoolean(), 1);
            }
            passed += trial.result().orElseThrow().significant() ? 1 : 0;
        }
        // 12 of 16 are needed, which guessing gets in 3.8 % of trials.
        assertThat(passed).isBetween(300, 500);
    }

    @Test
    void nothingIsToldBeforeTheLastAnswerAndOrdersDiffer() {
        BlindTrial trial = new BlindTrial(BlindTrial.Kind.WHICH, 8, new SplittableRandom(1));
        for (int i = 0; i < 8; i++) {
            assertThat(trial.result()).isEmpty();
            trial.answer(trial.hiddenIsA(), 2.5);
        }
        BlindTrial.Result all = trial.result().orElseThrow();
        assertThat(all.count()).isEqualTo(8);
        assertThat(all.chance()).isCloseTo(1 / 256.0, within(1e-12));
        assertThat(all.words()).contains("8 of 8 right", "The difference was heard");
        assertThat(all.course().split(", ")).hasSize(8).allMatch(a -> a.matches("(A/A|B/B) 2\\.5"));
        trial.answer(true, 1);
        assertThat(trial.answered()).isEqualTo(8);
        BlindTrial other = new BlindTrial(BlindTrial.Kind.WHICH, 64, new SplittableRandom(2));
        BlindTrial third = new BlindTrial(BlindTrial.Kind.WHICH, 64, new SplittableRandom(3));
        int same = 0;
        for (int i = 0; i < 64; i++) {
            same += other.hiddenIsA() == third.hiddenIsA() ? 1 : 0;
            other.answer(true, 1);
            third.answer(true, 1);
        }
        assertThat(same).isBetween(16, 48);
    }

    @Test
    void aPreferenceIsJudgedOnBothSides() {
        BlindTrial trial = new BlindTrial(BlindTrial.Kind.PREFERENCE, 10, new SplittableRandom(1));
        for (int i = 0; i < 10; i++) {
            trial.answer(i == 0, 1);
        }
        BlindTrial.Result result = trial.result().orElseThrow();
        assertThat(result.chance()).isCloseTo(2 * exact(9, 10), within(1e-12));
        assertThat(result.words()).contains("A liked better in 1 of 10", "B is liked better");
        assertThatThrownBy(() -> new BlindTrial(BlindTrial.Kind.WHICH, 0, new SplittableRandom(1)))
                .hasMessageContaining("1 to 500");
    }
}

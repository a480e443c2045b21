package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MonoFoldTest {
    private static final double RATE = 48000;

    private static float[] noise(int n, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = new float[n];
        for (int i = 0; i < n; i++) {
            x[i] = (float) (0.1 * random.nextGaussian());
        }
        return x;
    }

    private static float[] later(float[] x, int frames) {
        float[] y = new float[x.length];
        System.arraycopy(x, 0, y, frames, x.length - frames);
        return y;
    }

    @Test
    void equalChannelsLoseNothingAndUnrelatedOnesThreeDecibels() {
        float[] x = noise(480_000, 1);
        MonoFold same = MonoFold.of(Audio.of(RATE, x));
        assertThat(same.wholeLossDb().orElseThrow()).isCloseTo(0, within(1e-9));
        assertThat(same.notches()).isEmpty();
        MonoFold apart = MonoFold.of(Audio.of(RATE, x, noise(480_000, 2)));
        assertThat(apart.wholeLossDb().orElseThrow()).isCloseTo(3.01, within(0.05));
        assertThat(apart.opposed()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(ints = {19, 48, 96})
    void twoEqualCopiesApartLeaveNotchesAtOddMultiplesOfHalfTheirInverse(int frames) {
        float[] x = noise(960_000, 3);
        MonoFold fold = MonoFold.of(Audio.of(RATE, x, later(x, frames)));
        double first = RATE / (2 * frames);
        List<MonoFold.Notch> notches = fold.notches();
        // A twelfth of an octave is 6 %, so half a band is 3 %.
        assertThat(notches.get(0).hz()).isCloseTo(first, within(0.035 * first));
        assertThat(notches.get(1).hz()).isCloseTo(3 * first, within(0.035 * 3 * first));
        assertThat(notches.getFirst().lossDb()).isGreaterThan(9);
        assertThat(notches.getFirst().inVoice()).isEqualTo(first > 200);
        // Between them the copies add up.
        double add = 2 * first;
        assertThat(
                        fold.bands().stream()
                                .filter(b -> Math.abs(b.centreHz() / add - 1) < 0.03)
                                .findFirst()
                                .orElseThrow()
                                .lossDb()
                                .orElseThrow())
                .isLessThan(0.5);
    }

    @ParameterizedTest
    @ValueSource(doubles = {44100, 88200, 96000})
    void theNotchIsWhereItIsAtAnyRate(double rate) {
        float[] x = noise(900_000, 5);
        int frames = (int) Math.round(0.0004 * rate);
        MonoFold fold = MonoFold.of(Audio.of(rate, x, later(x, frames)));
        double first = rate / (2.0 * frames);
        assertThat(fold.notches().getFirst().hz()).isCloseTo(first, within(0.035 * first));
        assertThat(fold.bands().getLast().centreHz()).isBetween(14000.0, 16000.0);
    }

    @Test
    void aMonoLowEndUnderAWideTopLosesOnlyAbove() {
        float[] low = new float[480_000];
        for (int i = 0; i < low.length; i++) {
            low[i] = (float) (0.3 * Math.sin(2 * Math.PI * 100 * i / RATE));
        }
        float[] left = low.clone();
        float[] right = low.clone();
        float[] a = noise(480_000, 6);
        float[] b = noise(480_000, 7);
        for (int i = 0; i < low.length; i++) {
            left[i] += 0.01f * a[i];
            right[i] += 0.01f * b[i];
        }
        MonoFold fold = MonoFold.of(Audio.of(RATE, left, right));
        assertThat(loss(fold, 100)).isLessThan(0.05);
        assertThat(loss(fold, 3200)).isCloseTo(3, within(0.5));
        assertThat(fold.wholeLossDb().orElseThrow()).isLessThan(0.05);
    }

    private static double loss(MonoFold fold, double hz) {
        return fold.bands().stream()
                .filter(b -> Math.abs(b.centreHz() / hz - 1) < 0.03)
                .findFirst()
                .orElseThrow()
                .lossDb()
                .orElseThrow();
    }

    @Test
    void sidesThatCancelAreToldAndSilenceIsNothing() {
        float[] x = noise(96_000, 4);
        float[] y = x.clone();
        for (int i = 0; i < y.length; i++) {
            y[i] = -y[i];
        }
        MonoFold turned = MonoFold.of(Audio.of(RATE, x, y));
        assertThat(turned.wholeLossDb()).isEmpty();
        assertThat(turned.opposed()).isTrue();
        MonoFold silent = MonoFold.of(Audio.silence(RATE, 2, 48_000));
        assertThat(silent.wholeLossDb()).isEmpty();
        assertThat(silent.opposed()).isFalse();
        assertThat(silent.bands()).allMatch(b -> b.lossDb().isEmpty());
    }
}

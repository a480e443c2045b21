package orbispace.core.dynamics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class DuckerTest {
    private static final double RATE = 48000;
    private static final double STEP = 16 / RATE;

    /** Gains reach the sound a step after the one that they were worked out for. */
    private static final double LATE = STEP;

    private static float[] gains(DuckerSettings settings, float[] key, int block) {
        Ducker ducker = new Ducker(settings, RATE);
        float[] ones = new float[key.length];
        Arrays.fill(ones, 1);
        KeyPeaks peaks = new KeyPeaks(java.util.List.of(), block, RATE);
        for (int at = 0; at < key.length; at += block) {
            int to = Math.min(key.length, at + block);
            peaks.process(key, new float[key.length], at, to);
            ducker.process(peaks.steps(), 0, ones, new float[key.length], at, to);
        }
        return ones;
    }

    private static float[] step(double on, double off, double level) {
        float[] key = new float[(int) ((on + off) * RATE)];
        Arrays.fill(key, 0, (int) (on * RATE), (float) Math.pow(10, level / 20));
        return key;
    }

    @Test
    void staticCurveFollowsTheFormulaWithKneeAndRange() {
        GainComputer curve = new GainComputer(-30, 4, 6, 12);
        for (double level = -50; level <= 0; level += 2.5) {
            double over = level + 30;
            double knee =
                    over <= -3 ? 0 : over >= 3 ? 0.75 * over : 0.75 * (over + 3) * (over + 3) / 12;
            float[] gain =
                    gains(new DuckerSettings(curve, 0.005, 0, 0.1), step(0.5, 0, level), 512);
            double measured = -20 * Math.log10(gain[gain.length - 1]);
            assertThat(measured).isCloseTo(Math.min(12, knee), within(0.1));
        }
    }

    @Test
    void attackAndReleaseTakeTheirTimeToOneMinusOneOverE() {
        var settings = new DuckerSettings(new GainComputer(-40, 100, 0, 12), 0.05, 0.1, 0.2);
        float[] key = orbispace.core.Signals.sine(3000, Math.pow(10, -0.5), 2.5, RATE);
        Arrays.fill(key, (int) RATE, key.length, 0);
        float[] gain = gains(settings, key, 512);
        assertThat(secondsUntil(gain, 0, -12 * (1 - Math.exp(-1)), true))
                .isCloseTo(0.05 + LATE, within(STEP));
        double back = secondsUntil(gain, (int) RATE, -12 * Math.exp(-1), false);
        assertThat(back).isCloseTo(0.1 + 0.2 + LATE, within(3 * STEP));
    }

    @Test
    void aLowKeyIsFollowedWithoutRippleAtAnySettings() {
        for (double hz : new double[] {45, 50, 80, 200}) {
            var settings = new DuckerSettings(new GainComputer(-40, 20, 0, 40), 0.0005, 0, 0.005);
            float[] gain = gains(settings, orbispace.core.Signals.sine(hz, 0.5, 1, RATE), 512);
            double least = 200;
            double most = -200;
            for (int i = gain.length / 2; i < gain.length; i++) {
                double db = 20 * Math.log10(gain[i]);
                least = Math.min(least, db);
                most = Math.max(most, db);
            }
            assertThat(most - least).as("%.0f Hz", hz).isLessThan(0.3);
        }
    }

    private static double secondsUntil(float[] gain, int from, double db, boolean falling) {
        int i = from;
        while (falling == (20 * Math.log10(gain[i]) > db)) {
            i++;
        }
        return (i - from) / RATE;
    }

    @Test
    void blockSizesDoNotMatterAndNoSettingsChangeNothing() {
        var settings = new DuckerSettings(new GainComputer(-40, 8, 6, 9), 0.005, 0.02, 0.1);
        float[] key = orbispace.core.Signals.sine(300, 0.3, 0.3, RATE);
        assertThat(gains(settings, key, 7)).isEqualTo(gains(settings, key, 4096));
        Ducker off = new Ducker(null, RATE);
        float[] x = {0.5f, 0.25f};
        off.process(new float[1], 0, x, new float[2], 0, 2);
        assertThat(x).containsExactly(0.5f, 0.25f);
    }

    private static float[] key(int steps, float db) {
        float[] key = new float[steps + 1];
        Arrays.fill(key, db);
        return key;
    }

    @Test
    void aDuckerThatIsTakenAwayComesBackWithItsReleaseAndRests() {
        var settings = new DuckerSettings(new GainComputer(-40, 100, 0, 12), 0.001, 0.01, 0.02);
        Ducker ducker = new Ducker(settings, RATE);
        ducker.curve(key(600, -10), 600);
        assertThat(ducker.reductionDb()).isCloseTo(12, within(1e-6));
        assertThat(ducker.idle()).isFalse();
        ducker.apply(null, null);
        ducker.curve(key(30, -10), 30);
        // The hold of 10 ms, 30 steps, then 12 dB to 1/e in 20 ms, 60 steps.
        assertThat(ducker.reductionDb()).isCloseTo(12, within(1e-6));
        ducker.curve(key(60, -10), 60);
        assertThat(ducker.reductionDb()).isCloseTo(12 / Math.E, within(1e-6));
        ducker.curve(key(3000, -10), 3000);
        assertThat(ducker.reductionDb()).isZero();
        assertThat(ducker.idle()).isTrue();
    }

    @Test
    void aResetDuckerWorksLikeANewOne() {
        var settings = new DuckerSettings(new GainComputer(-40, 8, 6, 9), 0.005, 0.02, 0.1);
        Ducker used = new Ducker(settings, RATE);
        used.curve(key(100, -10), 100);
        used.reset();
        assertThat(used.curve(key(99, -60), 99))
                .isEqualTo(new Ducker(settings, RATE).curve(key(99, -60), 99));
    }

    @Test
    void gainsRunStraightBetweenStepsInBlocksOfAnySize() {
        var settings = new DuckerSettings(new GainComputer(-40, 8, 6, 9), 0.005, 0, 0.1);
        float[] peaks = key(60, -10);
        float[] curve = new Ducker(settings, RATE).curve(peaks, 60);
        float[] ones = new float[60 * KeyPeaks.STEP];
        Arrays.fill(ones, 1);
        float[] other = ones.clone();
        new Ducker(settings, RATE).process(peaks, 0, ones, other, 0, ones.length);
        for (int i = 0; i < ones.length; i++) {
            int s = i / KeyPeaks.STEP;
            float part = (i % KeyPeaks.STEP + 1) / (float) KeyPeaks.STEP;
            assertThat(ones[i])
                    .isCloseTo(curve[s] + part * (curve[s + 1] - curve[s]), within(1e-5f));
        }
        assertThat(other).isEqualTo(ones);
    }

    @Test
    void peaksAreThoseOfEachSixteenFramesAndBeginAnewAfterAReset() {
        float[] x = new float[64];
        x[3] = 0.5f;
        x[16] = -0.25f;
        x[63] = 1;
        KeyPeaks peaks = new KeyPeaks(java.util.List.of(), 64, RATE);
        peaks.process(x, new float[64], 0, 64);
        assertThat(peaks.count()).isEqualTo(4);
        assertThat(Arrays.copyOf(peaks.steps(), 4))
                .usingComparatorWithPrecision(1e-4f)
                .startsWith(-6.0206f, -12.0412f)
                .endsWith(0f);
        // Of a click the envelope leaves a little behind it.
        assertThat(peaks.steps()[2]).isLessThan(-30);
        peaks.process(x, new float[64], 60, 64);
        assertThat(peaks.count()).isZero();
        peaks.reset();
        peaks.process(x, new float[64], 16, 32);
        assertThat(peaks.count()).isEqualTo(1);
        assertThat(peaks.steps()[0]).isCloseTo(-12.0412f, within(1e-4f));
        peaks.reset();
        assertThat(peaks.count()).isZero();
    }

    @Test
    void aFilteredKeyIsFilteredWhereItLiesAndForgottenByAReset() {
        var filter = orbispace.core.signal.FilterDesign.lowPass(400, 4, RATE);
        float[] tone = orbispace.core.Signals.sine(300, 0.5, 0.1, RATE);
        KeyPeaks whole = new KeyPeaks(filter, 4800, RATE);
        whole.process(tone, new float[4800], 0, 4800);
        KeyPeaks parts = new KeyPeaks(filter, 480, RATE);
        for (int at = 0; at < 4800; at += 480) {
            parts.process(tone, new float[4800], at, at + 480);
            assertThat(Arrays.copyOf(parts.steps(), 30))
                    .isEqualTo(Arrays.copyOfRange(whole.steps(), at / 16, at / 16 + 30));
        }
        parts.reset();
        parts.process(tone, new float[4800], 0, 480);
        assertThat(parts.steps()[0]).isEqualTo(whole.steps()[0]);
    }
}

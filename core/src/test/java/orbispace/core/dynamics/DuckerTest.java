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
        KeyPeaks peaks = new KeyPeaks(java.util.List.of(), block);
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
        float[] gain = gains(settings, step(1, 1.5, -10), 512);
        assertThat(secondsUntil(gain, 0, -12 * (1 - Math.exp(-1)), true))
                .isCloseTo(0.05 + LATE, within(STEP));
        double back = secondsUntil(gain, (int) RATE, -12 * Math.exp(-1), false);
        assertThat(back).isCloseTo(0.1 + 0.2 + LATE, within(3 * STEP));
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
}

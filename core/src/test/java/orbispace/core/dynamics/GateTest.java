package orbispace.core.dynamics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import orbispace.core.Signals;
import org.junit.jupiter.api.Test;

class GateTest {
    private static final double RATE = 48000;

    private static float[] gains(GateSettings settings, float[] key, int block) {
        Gate gate = new Gate(settings, RATE);
        KeyPeaks peaks = new KeyPeaks(List.of(), block);
        float[] ones = new float[key.length];
        Arrays.fill(ones, 1);
        for (int at = 0; at < key.length; at += block) {
            int to = Math.min(key.length, at + block);
            peaks.process(key, new float[key.length], at, to);
            gate.process(peaks.steps(), 0, ones, new float[key.length], at, to);
        }
        return ones;
    }

    /** Strokes that ring for a while, each peak at its level. */
    private static float[] strokes(double seconds, double[] at, double[] db, double ringSeconds) {
        float[] x = new float[(int) (seconds * RATE)];
        for (int s = 0; s < at.length; s++) {
            int start = (int) (at[s] * RATE);
            for (int i = start; i < x.length; i++) {
                double t = (i - start) / RATE;
                x[i] +=
                        (float)
                                (Math.pow(10, db[s] / 20 - 3 * t / ringSeconds)
                                        * Math.cos(2 * Math.PI * 110 * t));
            }
        }
        return x;
    }

    private static double fallen(float[] gain, double from, double db) {
        int i = (int) (from * RATE);
        while (20 * Math.log10(gain[i] + 1e-12) > db) {
            i++;
        }
        return i / RATE;
    }

    @Test
    void aTimedGateIsFortyDecibelsDownAtItsLengthAfterEachHit() {
        for (double bpm : new double[] {84, 141.3}) {
            double beat = 60 / bpm;
            double hold = GateSettings.holdSeconds(beat, 0.002, 0.025);
            var settings = new GateSettings(-20, 4, 120, 0.002, hold, 0.025, true);
            double[] hits = {0.3, 0.3 + 2 * beat, 0.3 + 4 * beat};
            float[] key = strokes(6 * beat + 1, hits, new double[] {-6, -9, -3}, 0.42);
            float[] gain = gains(settings, key, 512);
            for (double hit : hits) {
                assertThat(fallen(gain, hit + 0.01, -40) - hit)
                        .as("%s bpm", bpm)
                        .isCloseTo(beat, within(0.005));
            }
        }
    }

    @Test
    void aNewHitBeforeTheEndOpensItAnew() {
        var settings = new GateSettings(-20, 4, 120, 0.002, 0.2, 0.025, true);
        float[] key = strokes(1.5, new double[] {0.2, 0.35}, new double[] {-6, -6}, 0.42);
        double end = fallen(gains(settings, key, 512), 0.3, -40);
        assertThat(end).isCloseTo(0.35 + 0.2 + 0.002 + 0.025, within(0.005));
    }

    @Test
    void bleedUnderTheThresholdNeverOpensIt() {
        var settings = new GateSettings(-20, 4, 120, 0.001, 0.05, 0.03, false);
        float[] key = strokes(1, new double[] {0.1, 0.4, 0.7}, new double[] {-24, -30, -22}, 0.1);
        for (float g : gains(settings, key, 512)) {
            assertThat(g).isZero();
        }
    }

    @Test
    void closesToItsRangeAndHoldsThroughWavesOfTheKey() {
        var settings = new GateSettings(-30, 6, 12, 0.001, 0.1, 0.02, false);
        float[] key = Signals.sine(60, 0.3, 0.5, RATE);
        float[] longer = Arrays.copyOf(key, (int) RATE);
        float[] gain = gains(settings, longer, 512);
        for (int i = 2000; i < 24000; i++) {
            assertThat(gain[i]).isCloseTo(1f, within(1e-6f));
        }
        assertThat(20 * Math.log10(gain[gain.length - 1])).isCloseTo(-12, within(0.01));
    }

    @Test
    void blockSizesDoNotMatterAndNoSettingsLetAllPass() {
        var settings = new GateSettings(-20, 4, 120, 0.002, 0.1, 0.025, true);
        float[] key = strokes(0.6, new double[] {0.1, 0.3}, new double[] {-6, -6}, 0.2);
        assertThat(gains(settings, key, 7)).isEqualTo(gains(settings, key, 4096));
        Gate off = new Gate(null, RATE);
        assertThat(off.idle()).isTrue();
    }

    @Test
    void aKeyOfOppositeSidesIsHeardAsLoudAsOneInTheMiddle() {
        float[] tone = Signals.sine(300, 0.5, 0.1, RATE);
        for (var filter :
                List.of(
                        List.<orbispace.core.signal.Biquad>of(),
                        orbispace.core.signal.FilterDesign.lowPass(2000, 4, RATE))) {
            KeyPeaks middle = new KeyPeaks(filter, 4800);
            KeyPeaks side = new KeyPeaks(filter, 4800);
            middle.process(tone, new float[4800], 0, 4800);
            side.process(new float[4800], tone, 0, 4800);
            assertThat(side.steps()[side.count() - 1])
                    .isEqualTo(middle.steps()[middle.count() - 1]);
            assertThat(side.steps()[100]).isGreaterThan(-20f);
        }
    }

    @Test
    void keyFiltersPartWhatLevelsDoNot() {
        KeyPeaks low = new KeyPeaks(orbispace.core.signal.FilterDesign.lowPass(400, 4, RATE), 4800);
        float[] hiss = Signals.sine(6000, 0.5, 0.1, RATE);
        low.process(hiss, new float[4800], 0, 4800);
        assertThat(low.steps()[low.count() - 1]).isLessThan(-60f);
    }

    @Test
    void driveKeepsItsLevelAddsHarmonicsAndComesOutLateBySoMuch() {
        float[] x = Signals.sine(1000, Math.pow(10, -15 / 20.0), 0.5, RATE);
        float[] y = x.clone();
        float[] z = x.clone();
        new Drive(18).process(y, z, 0, y.length);
        double in = 0;
        double out = 0;
        for (int i = 12000; i < 16800; i++) {
            in += x[i] * x[i];
            out += y[i] * y[i];
        }
        assertThat(10 * Math.log10(out / in)).isCloseTo(0, within(0.2));
        // Zero crossings are those of the input, later by the latency.
        for (int i = 12000; i < 12480; i++) {
            if (x[i - 1] < 0 && x[i + 1] > 0) {
                int late = i + Drive.LATENCY_FRAMES;
                assertThat((double) y[late]).isCloseTo(3 * x[i], within(0.25));
            }
        }
    }

    @Test
    void drivenHighTonesDoNotAlias() {
        float[] x = Signals.sine(9000, 0.25, 0.5, RATE);
        float[] other = x.clone();
        new Drive(12).process(x, other, 0, x.length);
        // Its third harmonic of 27 kHz would fold to 21 kHz, its fifth of 45 kHz to 3 kHz.
        assertThat(level(x, 3000)).isLessThan(level(x, 9000) - 60);
    }

    private static double level(float[] x, double hz) {
        double re = 0;
        double im = 0;
        for (int i = 4800; i < 4800 + 9600; i++) {
            double w = 0.5 - 0.5 * Math.cos(2 * Math.PI * (i - 4800) / 9600);
            re += w * x[i] * Math.cos(2 * Math.PI * hz * i / RATE);
            im += w * x[i] * Math.sin(2 * Math.PI * hz * i / RATE);
        }
        return 10 * Math.log10(re * re + im * im);
    }

    @Test
    void theCurveOfAWholeSongIsWhatBlocksGive() {
        GateSettings settings = new GateSettings(-20, 4, 60, 0.002, 0.03, 0.05, false);
        java.util.Random random = new java.util.Random(8);
        int steps = 600;
        float[] peaks = new float[steps + 1];
        for (int s = 0; s < peaks.length; s++) {
            peaks[s] = s / 60 % 2 == 0 ? -10 - random.nextFloat() : -50;
        }
        float[] curve = new Gate(settings, 48000).curve(peaks, steps);
        float[] left = new float[steps * KeyPeaks.STEP];
        java.util.Arrays.fill(left, 1);
        float[] right = left.clone();
        new Gate(settings, 48000).process(peaks, 0, left, right, 0, left.length);
        for (int s = 0; s < steps; s++) {
            for (int k = 0; k < KeyPeaks.STEP; k++) {
                float slope = (curve[s + 1] - curve[s]) / KeyPeaks.STEP;
                float expected = curve[s] + slope * (k + 1);
                assertThat(left[s * KeyPeaks.STEP + k])
                        .isCloseTo(expected, org.assertj.core.api.Assertions.within(1e-4f));
            }
        }
    }
}

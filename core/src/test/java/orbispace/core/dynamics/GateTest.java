package orbispace.core.dynamics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import org.junit.jupiter.api.Test;

class GateTest {
    private static final double RATE = 48000;

    private static float[] gains(GateSettings settings, float[] key, int block) {
        Gate gate = new Gate(settings, RATE);
        KeyPeaks peaks = new KeyPeaks(List.of(), block, RATE);
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
            KeyPeaks middle = new KeyPeaks(filter, 4800, RATE);
            KeyPeaks side = new KeyPeaks(filter, 4800, RATE);
            middle.process(tone, new float[4800], 0, 4800);
            side.process(new float[4800], tone, 0, 4800);
            assertThat(side.steps()[side.count() - 1])
                    .isEqualTo(middle.steps()[middle.count() - 1]);
            assertThat(side.steps()[100]).isGreaterThan(-20f);
        }
    }

    @Test
    void keyFiltersPartWhatLevelsDoNot() {
        KeyPeaks low =
                new KeyPeaks(orbispace.core.signal.FilterDesign.lowPass(400, 4, RATE), 4800, RATE);
        float[] hiss = Signals.sine(6000, 0.5, 0.1, RATE);
        low.process(hiss, new float[4800], 0, 4800);
        assertThat(low.steps()[low.count() - 1]).isLessThan(-60f);
    }

    @Test
    void theCurveOfAWholeSongIsWhatBlocksGive() {
        GateSettings settings = new GateSettings(-20, 4, 60, 0.002, 0.03, 0.05, false);
        SplittableRandom random = new SplittableRandom(8);
        int steps = 600;
        float[] peaks = new float[steps + 1];
        for (int s = 0; s < peaks.length; s++) {
            peaks[s] = s / 60 % 2 == 0 ? -10 - random.nextFloat() : -50;
        }
        float[] curve = new Gate(settings, 48000).curve(peaks, steps);
        float[] left = new float[steps * KeyPeaks.STEP];
        Arrays.fill(left, 1);
        float[] right = left.clone();
        new Gate(settings, 48000).process(peaks, 0, left, right, 0, left.length);
        for (int s = 0; s < steps; s++) {
            for (int k = 0; k < KeyPeaks.STEP; k++) {
                float slope = (curve[s + 1] - curve[s]) / KeyPeaks.STEP;
                float expected = curve[s] + slope * (k + 1);
                assertThat(left[s * KeyPeaks.STEP + k]).isCloseTo(expected, within(1e-4f));
            }
        }
    }

    private static float[] levels(int steps, float db) {
        float[] peaks = new float[steps + 1];
        Arrays.fill(peaks, db);
        return peaks;
    }

    @Test
    void opensAlongALineOfAmplitudeFromItsFloorInItsAttackTime() {
        var settings = new GateSettings(-20, 4, 6, 0.01, 0.1, 0.05, false);
        float[] curve = new Gate(settings, RATE).curve(levels(60, -10), 60);
        double floor = Math.pow(10, -6 / 20.0);
        for (int s = 0; s < 60; s++) {
            double expected = Math.min(1, floor + (1 - floor) * Math.max(0, s - 1) / 30.0);
            assertThat((double) curve[s]).as("step " + s).isCloseTo(expected, within(1e-5));
        }
    }

    @Test
    void closesAlongALineOfLevelOfFortyDecibelsInItsReleaseTime() {
        var settings = new GateSettings(-20, 4, 80, 0.0001, 0, 0.1, false);
        float[] peaks = levels(700, -60);
        Arrays.fill(peaks, 0, 100, -10);
        float[] curve = new Gate(settings, RATE).curve(peaks, 700);
        // The key falls at 350 dB a second, from -10 dB to under -24 dB in 120 steps.
        int closes = 100 + (int) Math.ceil(14 / (350 * KeyPeaks.STEP / RATE));
        assertThat(curve[closes]).isEqualTo(1);
        for (int s = closes + 30; s < closes + 300; s += 30) {
            double expected = -40 * (s - closes) * (KeyPeaks.STEP / RATE) / 0.1;
            assertThat(20 * Math.log10(curve[s])).isCloseTo(expected, within(0.3));
        }
    }

    @Test
    void aRangeOfAHundredDecibelsIsSilenceAndOneLessIsNot() {
        assertThat(
                        new Gate(new GateSettings(-20, 4, 100, 0.01, 0, 0.05, false), RATE)
                                .curve(levels(1, -90), 1)[0])
                .isZero();
        assertThat(
                        new Gate(new GateSettings(-20, 4, 99, 0.01, 0, 0.05, false), RATE)
                                .curve(levels(1, -90), 1)[0])
                .isCloseTo((float) Math.pow(10, -99 / 20.0), within(1e-8f));
    }

    @Test
    void onlyAKeyOverTheThresholdOpensAndOnlyOneUnderTheHysteresisCloses() {
        var settings = new GateSettings(-20, 4, 60, 0.0001, 0, 0.01, false);
        assertThat(last(settings, levels(200, -20), 200)).isLessThan(0.01f);
        assertThat(last(settings, levels(200, -19.99f), 200)).isEqualTo(1);
        float[] resting = levels(900, -24);
        Arrays.fill(resting, 0, 50, -10);
        assertThat(last(settings, resting, 900)).isEqualTo(1);
        float[] gone = levels(900, -24.01f);
        Arrays.fill(gone, 0, 50, -10);
        assertThat(last(settings, gone, 900)).isLessThan(0.01f);
    }

    private static float last(GateSettings settings, float[] peaks, int steps) {
        return new Gate(settings, RATE).curve(peaks, steps)[steps];
    }

    @Test
    void aTimedGateOpensAnewAtARiseOfNineDecibelsOrItsHysteresisIfThatIsMore() {
        assertThat(opensAnew(4, 8.9f)).isFalse();
        assertThat(opensAnew(4, 9.1f)).isTrue();
        assertThat(opensAnew(14, 13.9f)).isFalse();
        assertThat(opensAnew(14, 14.1f)).isTrue();
    }

    /** Whether a second stroke, after the level fell but not under the threshold, opens. */
    private static boolean opensAnew(double hysteresisDb, float rise) {
        var settings = new GateSettings(-60, hysteresisDb, 120, 0.0005, 0.1, 0.005, true);
        float[] peaks = levels(3000, -40);
        Arrays.fill(peaks, 0, 20, -20);
        Arrays.fill(peaks, 2000, 2020, -40 + rise);
        float[] curve = new Gate(settings, RATE).curve(peaks, 3000);
        assertThat(curve[1990]).isZero();
        return curve[2100] == 1;
    }

    @Test
    void aResetGateIsClosedAndWorksLikeANewOne() {
        var settings = new GateSettings(-20, 4, 60, 0.002, 0.1, 0.05, true);
        float[] peaks = levels(200, -10);
        float[] fresh = new Gate(settings, RATE).curve(peaks, 200);
        Gate used = new Gate(settings, RATE);
        used.curve(peaks, 77);
        used.process(peaks, 0, new float[100], new float[100], 0, 99);
        used.reset();
        assertThat(used.curve(peaks, 200)).isEqualTo(fresh);
    }

    @Test
    void settingsTakenAwayLetEverythingPassInSixtyFourSteps() {
        Gate gate = new Gate(new GateSettings(-20, 4, 120, 0.002, 0.1, 0.05, true), RATE);
        assertThat(gate.idle()).isFalse();
        gate.apply(null);
        float[] curve = gate.curve(levels(80, -90), 80);
        assertThat(curve[33]).isCloseTo(0.5f, within(1e-6f));
        assertThat(curve[64]).isLessThan(1);
        assertThat(curve[65]).isEqualTo(1);
        assertThat(gate.idle()).isTrue();
    }

    @Test
    void aTimedHoldLeavesRoomForAttackAndReleaseAndIsNeverNegative() {
        assertThat(GateSettings.holdSeconds(0.5, 0.002, 0.025)).isCloseTo(0.473, within(1e-12));
        assertThat(GateSettings.holdSeconds(0.01, 0.002, 0.025)).isZero();
    }
}

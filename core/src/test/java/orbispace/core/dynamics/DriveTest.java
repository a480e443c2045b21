package orbispace.core.dynamics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import orbispace.core.Signals;
import org.junit.jupiter.api.Test;

class DriveTest {
    private static final double RATE = 48000;

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
    void theHalfWayFilterIsEvenFlatAndEightyDecibelsDownFrom28Of48On() {
        double[] taps = Drive.taps();
        assertThat(taps).hasSize(4 * Drive.LATENCY_FRAMES + 1);
        assertThat(Arrays.stream(taps).sum()).isCloseTo(1, within(1e-12));
        for (int i = 0; i < taps.length; i++) {
            assertThat(taps[i]).isCloseTo(taps[taps.length - 1 - i], within(1e-15));
        }
        for (double part = 0; part <= 20 / 48.0; part += 1 / 48.0) {
            assertThat(response(taps, part)).as("at %s", part).isCloseTo(0, within(0.003));
        }
        assertThat(response(taps, 0.5)).isCloseTo(-6.02, within(0.05));
        for (double part = 28 / 48.0; part <= 2; part += 1 / 96.0) {
            assertThat(response(taps, part)).as("at %s", part).isLessThan(-80);
        }
    }

    /** In dB at a part of the sample rate before oversampling. */
    private static double response(double[] taps, double part) {
        double sum = 0;
        for (int i = 0; i < taps.length; i++) {
            sum += taps[i] * Math.cos(2 * Math.PI * part / 4 * (i - taps.length / 2));
        }
        return 20 * Math.log10(Math.abs(sum));
    }

    @Test
    void aFaintImpulseComesOutWholeAtItsLatencyWhateverTheBlocks() {
        float[] whole = new float[600];
        whole[300] = 1e-4f;
        float[] parts = whole.clone();
        new Drive(0).process(whole, new float[600], 0, 600);
        Drive drive = new Drive(0);
        for (int at = 0; at < 600; at += 50) {
            drive.process(parts, new float[600], at, at + 50);
        }
        assertThat(parts).isEqualTo(whole);
        double[] taps = Drive.taps();
        for (int n = -Drive.LATENCY_FRAMES; n <= Drive.LATENCY_FRAMES; n++) {
            double expected = 0;
            for (int i = 0; i < taps.length; i++) {
                int other = 4 * (n + Drive.LATENCY_FRAMES) - i;
                expected += other >= 0 && other < taps.length ? 4 * taps[i] * taps[other] : 0;
            }
            double got = whole[300 + Drive.LATENCY_FRAMES + n] / whole[332];
            assertThat(got * middle(taps)).isCloseTo(expected, within(2e-6));
        }
    }

    private static double middle(double[] taps) {
        return 4 * Arrays.stream(taps).map(t -> t * t).sum();
    }

    @Test
    void anotherDriveIsReachedAsAnExponentialOf1024Frames() {
        Drive drive = new Drive(0);
        float[] x = new float[9000];
        Arrays.fill(x, 1e-4f);
        drive.process(x, new float[9000], 0, 4000);
        double before = x[3999];
        drive.apply(20);
        drive.process(x, new float[9000], 4000, 9000);
        float[] rest = new float[4000];
        Arrays.fill(rest, 1e-4f);
        new Drive(20).process(rest, new float[4000], 0, 4000);
        double after = rest[3999];
        assertThat(after / before).isGreaterThan(1.4);
        double share = Math.exp(-1);
        double gain = Math.pow(10, 20 / 20.0);
        // What is driven and what makes up for it glide side by side.
        double made = after / gain;
        double expected = (gain + (1 - gain) * share) * (made + (before - made) * share);
        assertThat((double) x[4000 + 1024 + Drive.LATENCY_FRAMES / 2])
                .isCloseTo(expected, within(0.02 * expected));
        assertThat((double) x[8999]).isCloseTo(after, within(0.15 * after));
    }

    @Test
    void aResetDriveHasForgottenTheSoundAndTheGlide() {
        Drive drive = new Drive(0);
        float[] x = Signals.sine(300, 0.5, 0.05, RATE);
        drive.process(x, x.clone(), 0, x.length);
        drive.apply(12);
        drive.reset();
        float[] y = Signals.sine(300, 0.5, 0.05, RATE);
        float[] z = y.clone();
        drive.process(y, y.clone(), 0, y.length);
        new Drive(12).process(z, z.clone(), 0, z.length);
        assertThat(y).isEqualTo(z);
    }
}

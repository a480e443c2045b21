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
        new Drive(18, RATE).process(y, z, 0, y.length);
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
        new Drive(12, RATE).process(x, other, 0, x.length);
        // Its third harmonic of 27 kHz would fold to 21 kHz, its fifth of 45 kHz to 3 kHz.
        assertThat(level(x, 3000)).isLessThan(level(x, 9000) - 60);
    }

    @Test
    void aLoudTreblePushedHardLeavesNothingUnderIt() {
        float[] x = Signals.sine(15000, 1, 0.5, RATE);
        new Drive(24, RATE).process(x, x.clone(), 0, x.length);
        for (double hz = 300; hz < 14500; hz += 300) {
            assertThat(level(x, hz)).as("%.0f Hz", hz).isLessThan(level(x, 15000) - 70);
        }
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
    void aFaintImpulseComesOutWholeAtItsLatencyWhateverTheBlocks() {
        float[] whole = new float[600];
        whole[300] = 1e-4f;
        float[] parts = whole.clone();
        new Drive(0, RATE).process(whole, new float[600], 0, 600);
        Drive drive = new Drive(0, RATE);
        for (int at = 0; at < 600; at += 50) {
            drive.process(parts, new float[600], at, at + 50);
        }
        assertThat(parts).isEqualTo(whole);
        // Both filters are symmetric, and together pass what is in the range of hearing whole, by
        // so much louder at rest as a sine of -15 dBFS is made softer by the curve.
        int middle = 300 + Drive.LATENCY_FRAMES;
        for (int n = 1; n <= Drive.LATENCY_FRAMES; n++) {
            assertThat((double) whole[middle + n]).isCloseTo(whole[middle - n], within(1e-10));
        }
        double atRest = 0.0607;
        for (double hz : new double[] {0, 1000, 10000, 19000}) {
            double sum = whole[middle];
            for (int n = 1; n < 200; n++) {
                sum += 2 * whole[middle + n] * Math.cos(2 * Math.PI * hz * n / RATE);
            }
            assertThat(20 * Math.log10(sum / 1e-4)).as("%s Hz", hz).isCloseTo(atRest, within(0.02));
        }
    }

    @Test
    void anotherDriveIsReachedAsAnExponentialOf1024Frames() {
        Drive drive = new Drive(0, RATE);
        float[] x = new float[9000];
        Arrays.fill(x, 1e-4f);
        drive.process(x, new float[9000], 0, 4000);
        double before = x[3999];
        drive.apply(20, DriveCurve.SOFT);
        drive.process(x, new float[9000], 4000, 9000);
        float[] rest = new float[4000];
        Arrays.fill(rest, 1e-4f);
        new Drive(20, RATE).process(rest, new float[4000], 0, 4000);
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
        Drive drive = new Drive(0, RATE);
        float[] x = Signals.sine(300, 0.5, 0.05, RATE);
        drive.process(x, x.clone(), 0, x.length);
        drive.apply(12, DriveCurve.SOFT);
        drive.reset();
        float[] y = Signals.sine(300, 0.5, 0.05, RATE);
        float[] z = y.clone();
        drive.process(y, y.clone(), 0, y.length);
        new Drive(12, RATE).process(z, z.clone(), 0, z.length);
        assertThat(y).isEqualTo(z);
    }
}

package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Polarity;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.Fft;
import orbispace.core.signal.FilterDesign;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class UnitMeterTest {
    private static final double RATE = 24000;
    private static final Sweep SWEEP = new Sweep(RATE, 3);

    /** A response of an arrival, two reflections and a decay, of which nothing lies under 40 Hz. */
    private static float[] response(double decaySeconds) {
        float[] x = Signals.scaled(Signals.decay(decaySeconds, -200, 0.6, RATE, 3), 0.05);
        x[0] += 0.5f;
        x[311] -= 0.2f;
        x[977] += 0.15f;
        new Cascade(FilterDesign.highPass(80, 4, RATE)).process(x, x.clone(), 0, x.length);
        return x;
    }

    /** Linear convolution by one transform. */
    private static float[] through(float[] x, float[] h, int late, double gain) {
        int n = Integer.highestOneBit(x.length + h.length) * 2;
        Fft fft = new Fft(n);
        double[] a = new double[n];
        double[] b = new double[n];
        for (int i = 0; i < x.length; i++) {
            a[i] = x[i];
        }
        for (int i = 0; i < h.length; i++) {
            b[i] = h[i];
        }
        fft.forward(a);
        fft.forward(b);
        double first = a[0] * b[0];
        double middle = a[1] * b[1];
        for (int k = 2; k < n; k += 2) {
            double re = a[k] * b[k] - a[k + 1] * b[k + 1];
            a[k + 1] = a[k] * b[k + 1] + a[k + 1] * b[k];
            a[k] = re;
        }
        a[0] = first;
        a[1] = middle;
        fft.inverse(a);
        float[] y = new float[x.length + late];
        for (int i = 0; i < x.length; i++) {
            y[i + late] = (float) (gain * a[i]);
        }
        return y;
    }

    private static float[] noisy(float[] y, double snrDb, long seed) {
        double power = 0;
        int n = (int) (3 * RATE);
        for (int i = 0; i < n; i++) {
            power += y[i] * y[i];
        }
        double amplitude = Math.sqrt(power / n) * Math.pow(10, -snrDb / 20);
        SplittableRandom random = new SplittableRandom(seed);
        float[] out = y.clone();
        for (int i = 0; i < out.length; i++) {
            out[i] += (float) (amplitude * random.nextGaussian());
        }
        return out;
    }

    private static double errorDb(Audio found, float[] truth, double gain) {
        double error = 0;
        double power = 0;
        for (int i = 0; i < Math.min(truth.length, found.frames()); i++) {
            double t = gain * truth[i];
            error += Math.pow(found.channel(0)[i] - t, 2);
            power += t * t;
        }
        return 10 * Math.log10(error / power);
    }

    @Test
    void aKnownResponseIsRecoveredAtSixtyDecibelsOfNoise() {
        float[] truth = response(0.4);
        float[] played = through(SWEEP.audio().channel(0), truth, 137, -1);
        UnitReport report = UnitMeter.measure(SWEEP.audio(), Audio.of(RATE, noisy(played, 60, 1)));
        assertThat(report.latencySamples()).isEqualTo(137);
        assertThat(report.polarity()).isEqualTo(Polarity.INVERTED);
        assertThat(errorDb(report.response(), truth, -1)).isLessThan(-60);
        assertThat(report.driftPpm().orElseThrow()).isCloseTo(0, within(0.01));
        assertThat(report.drifts()).isFalse();
    }

    @Test
    void harmonicsAreToldOrderByOrder() {
        float[] x = SWEEP.audio().channel(0);
        float[] y = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            // Of A sin the square gives a second harmonic of a A^2 / 2, the cube a third of b A^3 /
            // 4.
            y[i] = x[i] + 0.04f * x[i] * x[i] + 0.02f * x[i] * x[i] * x[i];
        }
        UnitReport report = UnitMeter.measure(SWEEP.audio(), Audio.of(RATE, y));
        double second = 20 * Math.log10(0.04 * 0.5 / 2);
        double third = 20 * Math.log10(0.02 * 0.25 / 4);
        // A harmonic sweeps as fast as the sweep does where it is, so its response is flat.
        assertThat(report.harmonics().get(0).levelDb()).isCloseTo(second, within(1.5));
        assertThat(report.harmonics().get(1).levelDb()).isCloseTo(third, within(2.0));
        assertThat(report.harmonics().get(3).levelDb()).isLessThan(-80);
    }

    @ParameterizedTest
    @ValueSource(doubles = {25, -200})
    void aClockThatRunsApartIsFoundAndUndone(double ppm) {
        float[] truth = response(0.4);
        new Cascade(FilterDesign.lowPass(7500, 8, RATE))
                .process(truth, truth.clone(), 0, truth.length);
        UnitReport report = reclocked(truth, 1e-6 * ppm, SWEEP);
        assertThat(report.driftPpm().orElseThrow()).isCloseTo(ppm, within(0.01));
        assertThat(report.drifts()).isTrue();
        assertThat(report.latencySamples()).isBetween(200, 201);
        assertThat(errorDb(report.response(), truth, 1)).isLessThan(-39);
        assertThat(report.clocks())
                .isEqualTo(
                        "%.1f ppm apart, undone; let one clock serve both"
                                .formatted(ppm)
                                .replace('-', '\u2212'));
    }

    private static UnitReport reclocked(float[] truth, double drift, Sweep sweep) {
        float[] y = through(sweep.audio().channel(0), truth, 200, 1);
        float[] recorded = new float[y.length];
        for (int i = 0; i < y.length - 8; i++) {
            double at = i * (1 - drift);
            int whole = (int) at;
            recorded[i] = sinc(y, whole, at - whole);
        }
        return UnitMeter.measure(sweep.audio(), Audio.of(RATE, recorded));
    }

    /** No peak tells where or which way up it is, and none is needed for its clock. */
    @Test
    void aDiffuseSpaceHasADriftAndNoPolarity() {
        float[] truth = Signals.scaled(Signals.decay(0.4, -200, 0.6, RATE, 5), 0.05);
        new Cascade(FilterDesign.highPass(40, 2, RATE))
                .process(truth, truth.clone(), 0, truth.length);
        new Cascade(FilterDesign.lowPass(7500, 4, RATE))
                .process(truth, truth.clone(), 0, truth.length);
        UnitReport report = reclocked(truth, 100e-6, SWEEP);
        assertThat(report.driftPpm().orElseThrow()).isCloseTo(100, within(0.01));
        assertThat(report.polarity()).isEqualTo(Polarity.NOT_SURE);
        assertThat(report.latencySamples()).isBetween(200, 203);
        UnitReport still = reclocked(truth, 0, SWEEP);
        assertThat(still.driftPpm().orElseThrow()).isCloseTo(0, within(0.01));
        assertThat(still.clocks()).isEqualTo("0.0 ppm apart");
    }

    @Test
    void anArrivalBehindALowPassIsNoDrift() {
        float[] truth = response(0.4);
        new Cascade(FilterDesign.lowPass(4000, 4, RATE))
                .process(truth, truth.clone(), 0, truth.length);
        float[] played = through(SWEEP.audio().channel(0), truth, 137, -1);
        UnitReport report = UnitMeter.measure(SWEEP.audio(), Audio.of(RATE, played));
        assertThat(report.driftPpm().orElseThrow()).isCloseTo(0, within(0.01));
        assertThat(report.polarity()).isEqualTo(Polarity.INVERTED);
        assertThat(report.latencySamples()).isEqualTo(137);
    }

    @Test
    void aSweepThatIsPlayedOnceLeavesClocksAlone() {
        Sweep once = new Sweep(RATE, 3, 1);
        UnitReport report = reclocked(response(0.4), 25e-6, once);
        assertThat(report.driftPpm()).isEmpty();
        assertThat(report.repeatDb()).isEmpty();
        assertThat(report.drifts()).isFalse();
        assertThat(report.clocks())
                .isEqualTo("not sure: only a sweep that is played twice can tell");
    }

    @Test
    void aUnitThatMovesLeavesClocksAlone() {
        float[] x = SWEEP.audio().channel(0);
        float[] y = through(x, response(0.4), 100, 1);
        // The same room with other reflections when the sweep comes again.
        float[] second = Signals.scaled(Signals.decay(0.4, -200, 0.6, RATE, 8), 0.2);
        float[] other = through(x, second, 100, 1);
        System.arraycopy(other, SWEEP.period(), y, SWEEP.period(), SWEEP.period());
        UnitReport report = UnitMeter.measure(SWEEP.audio(), Audio.of(RATE, y));
        assertThat(report.driftPpm()).isEmpty();
        assertThat(report.repeatDb().orElseThrow()).isGreaterThan(-3);
        assertThat(report.clocks()).startsWith("not sure: its two answers differ by");
    }

    @Test
    void aSweepIsKnownByItsCurveAndItsHalves() {
        Audio twice = SWEEP.audio();
        assertThat(Sweep.of(twice)).isEqualTo(SWEEP);
        assertThat(Sweep.of(twice.slice(0, twice.frames() / 2))).isEqualTo(new Sweep(RATE, 3, 1));
        Audio softer = Signals.mono(RATE, Signals.scaled(twice.channel(0).clone(), 0.25));
        assertThat(Sweep.of(softer).gainOf(softer)).isCloseTo(0.25, within(1e-6));
        float[] truth = response(0.3);
        Audio heard = Audio.of(RATE, through(softer.channel(0), truth, 10, 1));
        assertThat(errorDb(UnitMeter.measure(softer, heard).response(), truth, 1)).isLessThan(-60);
        Audio noise = Signals.mono(RATE, Signals.noise(0.1, 50, 9000, 18, RATE, 1));
        assertThatThrownBy(() -> Sweep.of(noise)).hasMessageContaining("another");
        assertThatThrownBy(() -> new Sweep(RATE, 5, 3)).hasMessageContaining("once or twice");
    }

    private static float sinc(float[] y, int whole, double f) {
        double sum = 0;
        for (int k = -24; k <= 24; k++) {
            int i = whole + k;
            if (i >= 0 && i < y.length) {
                double d = k - f;
                double w = 0.5 + 0.5 * Math.cos(Math.PI * d / 25);
                sum += y[i] * w * (Math.abs(d) < 1e-9 ? 1 : Math.sin(Math.PI * d) / (Math.PI * d));
            }
        }
        return (float) sum;
    }

    @Test
    void whatIsNoRecordingOfTheSweepIsRefused() {
        Audio sweep = SWEEP.audio();
        assertThatThrownBy(() -> UnitMeter.measure(sweep, sweep.slice(0, 24000)))
                .hasMessageContaining("ends after");
        assertThatThrownBy(() -> UnitMeter.measure(sweep, Audio.silence(RATE, 1, 1_200_000)))
                .hasMessageContaining("silent");
        Audio noise = Signals.mono(RATE, Signals.noise(0.1, 50, 9000, 18, RATE, 1));
        assertThatThrownBy(() -> UnitMeter.measure(sweep, noise))
                .hasMessageContaining("does not hold this sweep");
        Audio other = Audio.of(22050, sweep.channel(0));
        assertThatThrownBy(() -> UnitMeter.measure(sweep, other)).hasMessageContaining("rate");
        assertThatThrownBy(() -> new Sweep(RATE, 0.5)).hasMessageContaining("1 to 60 s");
    }
}

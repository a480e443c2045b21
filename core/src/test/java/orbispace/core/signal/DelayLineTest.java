package orbispace.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import orbispace.core.Signals;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class DelayLineTest {
    private static float[] click(int frames) {
        float[] x = new float[frames];
        x[0] = 1;
        return x;
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 7, 100, 4096})
    void wholeDelaysAreExact(int delay) {
        DelayLine line = new DelayLine(5000);
        line.setDelay(delay, true);
        float[] x = click(5000);
        line.process(x, 0, x.length);
        for (int i = 0; i < x.length; i++) {
            assertThat(x[i]).isEqualTo(i == delay ? 1f : 0f);
        }
    }

    @Test
    void aFractionalDelayShiftsASineByThatMuch() {
        double rate = 48000;
        double delay = 1234.37;
        DelayLine line = new DelayLine(2000);
        line.setDelay(delay, true);
        float[] x = Signals.sine(1000, 0.5, 0.2, rate);
        line.process(x, 0, x.length);
        for (int i = 2000; i < x.length; i++) {
            double want = 0.5 * Math.sin(2 * Math.PI * 1000 * (i - delay) / rate);
            // Lagrange interpolation of third order is 1e-4 accurate at 1 kHz.
            assertThat(x[i]).isCloseTo((float) want, within(2e-4f));
        }
    }

    @Test
    void readingInBlocksIsTheSameAsFrameByFrame() {
        SplittableRandom random = new SplittableRandom(3);
        float[] x = new float[3000];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) random.nextGaussian();
        }
        DelayLine one = new DelayLine(500);
        one.setDelay(77.25, true);
        float[] whole = x.clone();
        one.process(whole, 0, whole.length);
        DelayLine two = new DelayLine(500);
        two.setDelay(77.25, true);
        float[] out = new float[x.length];
        int at = 0;
        while (at < x.length) {
            int n = Math.min(1 + random.nextInt(two.readable()), x.length - at);
            float[] block = new float[n];
            two.read(block, n);
            System.arraycopy(block, 0, out, at, n);
            two.write(java.util.Arrays.copyOfRange(x, at, at + n), n);
            at += n;
        }
        assertThat(out).containsExactly(whole);
    }

    @Test
    void aNewDelayFadesInWithoutAStep() {
        DelayLine line = new DelayLine(2000);
        line.setDelay(100, true);
        float[] x = Signals.sine(200, 0.5, 0.2, 48000);
        line.process(x, 0, 4000);
        line.setDelay(900, false);
        line.process(x, 4000, x.length);
        double steepest = 0.5 * 2 * Math.PI * 200 / 48000;
        for (int i = 4001; i < x.length; i++) {
            assertThat(Math.abs(x[i] - x[i - 1])).isLessThan((float) (1.2 * steepest));
        }
        int settled = 4000 + DelayLine.FADE_FRAMES + 1;
        double want = 0.5 * Math.sin(2 * Math.PI * 200 * (settled - 900) / 48000.0);
        assertThat(x[settled]).isCloseTo((float) want, within(1e-4f));
    }

    @Test
    void resetForgetsTheSound() {
        DelayLine line = new DelayLine(100);
        line.setDelay(10, true);
        line.process(click(5), 0, 5);
        line.reset();
        float[] x = new float[50];
        line.process(x, 0, 50);
        assertThat(x).containsOnly(0f);
    }

    @Test
    void transformsGoBackAndForthAndKnowASine() {
        int n = 1024;
        Fft fft = new Fft(n);
        double[] x = new double[n];
        for (int i = 0; i < n; i++) {
            x[i] = Math.cos(2 * Math.PI * 16 * i / n);
        }
        double[] y = x.clone();
        fft.forward(y);
        assertThat(y[32]).isCloseTo(n / 2.0, within(1e-9));
        assertThat(y[34]).isCloseTo(0, within(1e-9));
        fft.inverse(y);
        assertThat(y).containsExactly(x, within(1e-12));
        assertThatThrownBy(() -> new Fft(7)).hasMessageContaining("7");
    }

    @Test
    void hannWindowsAtHalfOverlapAddUpToOne() {
        double[] w = Fft.hann(64);
        for (int i = 0; i < 32; i++) {
            assertThat(w[i] + w[i + 32]).isCloseTo(1, within(1e-12));
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {13, 13.2, 300.7, 4000.5, 4999})
    void aDelayThatStaysIsTheSameAsFrameByFrameToTheLastBit(double delay) {
        float[] x = Signals.noise(0.3, 100, 20000, 0.3, 48000, 5);
        DelayLine rows = new DelayLine(5000);
        rows.setDelay(delay, true);
        float[] whole = x.clone();
        // Parts that are no whole number of rows.
        for (int at = 0; at < whole.length; at += 617) {
            rows.process(whole, at, Math.min(whole.length, at + 617));
        }
        DelayLine single = new DelayLine(5000);
        for (int i = 0; i < x.length; i++) {
            x[i] = single.next(x[i], delay);
        }
        assertThat(whole).isEqualTo(x);
    }
}

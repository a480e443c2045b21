package orbispace.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class WidthAndCurveTest {
    private static final double RATE = 48000;

    private static float[] sine(double hz, double gain) {
        float[] x = new float[48000];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (gain * Math.sin(2 * Math.PI * hz * i / RATE));
        }
        return x;
    }

    private static double level(float[] x) {
        double sum = 0;
        for (int i = 24000; i < x.length; i++) {
            sum += (double) x[i] * x[i];
        }
        return 10 * Math.log10(sum / 24000 + 1e-30);
    }

    @Test
    void widthOfNothingIsMonoAndOfTwoDoublesTheSide() {
        float[] l = sine(1000, 0.3);
        float[] r = sine(1500, 0.2);
        new StereoWidth(0, 0, RATE).process(l, r, 0, l.length);
        assertThat(l).isEqualTo(r);
        float[] left = sine(1000, 0.3);
        float[] right = sine(1000, -0.3);
        new StereoWidth(2, 0, RATE).process(left, right, 0, left.length);
        assertThat(level(left)).isCloseTo(level(sine(1000, 0.6)), within(0.01));
    }

    @Test
    void lowsStayInTheMiddle() {
        float[] low = sine(50, 0.3);
        float[] other = sine(50, -0.3);
        new StereoWidth(1, 200, RATE).process(low, other, 0, low.length);
        assertThat(level(low)).isLessThan(level(sine(50, 0.3)) - 20);
        float[] high = sine(2000, 0.3);
        float[] against = sine(2000, -0.3);
        new StereoWidth(1, 200, RATE).process(high, against, 0, high.length);
        assertThat(level(high)).isCloseTo(level(sine(2000, 0.3)), within(0.1));
    }

    @Test
    void panBalancesAsAStereoSourceIsAndGlidesThere() {
        StereoWidth width = new StereoWidth(1, 0, RATE);
        width.pan(0.5);
        float[] l = sine(300, 0.3);
        float[] r = sine(300, 0.3);
        double step = 0;
        width.process(l, r, 0, l.length);
        for (int i = 1; i < 4000; i++) {
            step = Math.max(step, Math.abs(l[i] - l[i - 1]));
        }
        assertThat(step).isLessThan(0.3 * 2 * Math.PI * 300 / RATE + 1e-3);
        assertThat(level(r)).isCloseTo(level(sine(300, 0.3)), within(0.01));
        // Left of a constant-power pan at 0.5, relative to the middle: cos(67.5) sqrt(2).
        double down = 20 * Math.log10(Math.cos(Math.toRadians(67.5)) * Math.sqrt(2));
        assertThat(level(l) - level(r)).isCloseTo(down, within(0.01));
    }

    @Test
    void aChangeOfWidthGlidesAndEndsWhereItIsSet() {
        StereoWidth width = new StereoWidth(1, 0, RATE);
        float[] l = sine(300, 0.3);
        float[] r = sine(300, -0.3);
        width.process(l, r, 0, 24000);
        width.apply(0, StereoWidth.packed(0, RATE));
        width.process(l, r, 24000, 48000);
        assertThat(Math.abs(l[24001] - l[24000])).isLessThan(0.02f);
        assertThat(l[47999]).isCloseTo(0, within(1e-4f));
        width.reset();
    }

    @ParameterizedTest
    @ValueSource(doubles = {-5, -1, -0.2, 0, 0.001, 0.5, 2.9, 3, 8})
    void theCurveIsOddBoundedAndGrows(double x) {
        float y = SoftCurve.of((float) x);
        assertThat(SoftCurve.of((float) -x)).isEqualTo(-y);
        assertThat(Math.abs(y)).isLessThanOrEqualTo(1.0001f);
        assertThat(SoftCurve.of((float) (x + 0.01))).isGreaterThanOrEqualTo(y);
        if (Math.abs(x) < 1) {
            assertThat((double) y).isCloseTo(Math.tanh(x), within(0.03));
        }
    }

    @Test
    void bendingByNothingLeavesTheSoundAlone() {
        assertThat(SoftCurve.bend(0.7f, 0)).isEqualTo(0.7f);
        assertThat(SoftCurve.bend(0.001f, 1)).isCloseTo(0.001f, within(1e-6f));
        assertThat(SoftCurve.bend(0.9f, 1)).isLessThan(0.4f);
    }
}

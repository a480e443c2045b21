package orbispace.app.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class LimiterTest {
    private static final double RATE = 48000;

    private static float[] steady(float level, double seconds) {
        float[] x = new float[(int) (seconds * RATE)];
        Arrays.fill(x, level);
        return x;
    }

    @Test
    void playbackStartsTwentyDecibelsDownAndOpensWithinTwoSeconds() {
        Limiter limiter = new Limiter(RATE);
        float[] left = steady(0.5f, 3);
        float[] right = steady(0.5f, 3);
        limiter.process(left, right, left.length);
        assertThat(left[10]).isCloseTo(0.05f, within(0.001f));
        assertThat(left[(int) (2.1 * RATE)]).isCloseTo(0.5f, within(0.001f));
        limiter.restart();
        float[] again = steady(0.5f, 0.1);
        limiter.process(again, steady(0.5f, 0.1), again.length);
        assertThat(again[10]).isCloseTo(0.05f, within(0.001f));
    }

    @Test
    void nothingPassesMinusOneDecibel() {
        Limiter limiter = new Limiter(RATE);
        float[] left = steady(30, 3);
        float[] right = steady(-20, 3);
        limiter.process(left, right, left.length);
        for (int i = 0; i < left.length; i++) {
            assertThat(Math.abs(left[i])).isLessThanOrEqualTo(0.8911f);
            assertThat(Math.abs(right[i])).isLessThanOrEqualTo(0.8911f);
        }
        assertThat(left[100] / right[100]).isCloseTo(-1.5f, within(1e-4f));
    }

    @Test
    void theSilentOutputKeepsTime() {
        try (Output.Silent silent = new Output.Silent(RATE, Devices.SILENT)) {
            long start = System.nanoTime();
            byte[] block = new byte[4 * 4800];
            for (int i = 0; i < 5; i++) {
                silent.write(block, block.length);
            }
            double seconds = (System.nanoTime() - start) / 1e9;
            assertThat(seconds).isBetween(0.4, 2.0);
            assertThat(silent.name()).isEqualTo("silent output");
        }
    }
}

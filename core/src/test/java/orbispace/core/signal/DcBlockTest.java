package orbispace.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DcBlockTest {
    private static final double RATE = 48000;

    private static float[] blocked(float[] x, int block) {
        DcBlock dc = new DcBlock(RATE);
        float[] out = new float[x.length];
        float[] part = new float[block];
        for (int at = 0; at < x.length; at += block) {
            int n = Math.min(block, x.length - at);
            dc.process(x, part, at, n);
            System.arraycopy(part, 0, out, at, n);
        }
        return out;
    }

    @ParameterizedTest
    @CsvSource({"8, -3.01", "45, -0.135", "440, -0.001"})
    void tonesLoseWhatTheFirstOrderTakes(double hz, double db) {
        float[] x = Signals.sine(hz, 0.5, 3, RATE);
        float[] y = blocked(x, 64);
        double in = Audio.of(RATE, x).slice((int) RATE, (int) (3 * RATE)).meanSquare();
        double out = Audio.of(RATE, y).slice((int) RATE, (int) (3 * RATE)).meanSquare();
        assertThat(10 * Math.log10(out / in)).isCloseTo(db, within(0.02));
    }

    @Test
    void aConstantGoesAndSilenceAfterItIsExactInBlocksOfAnySize() {
        float[] x = new float[(int) (5 * RATE)];
        java.util.Arrays.fill(x, 0, (int) RATE, 0.5f);
        float[] y = blocked(x, 1);
        assertThat(Math.abs(y[(int) (0.9 * RATE)])).isLessThan(1e-6f);
        assertThat(y[x.length - 1]).isZero();
        assertThat(blocked(x, 64)).isEqualTo(y);
    }
}

package orbispace.app.listen;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class BridgeTest {
    private static float[] steady(float value, int n) {
        float[] x = new float[n];
        java.util.Arrays.fill(x, value);
        return x;
    }

    @Test
    void aJumpBecomesARampOfFiveMilliseconds() {
        Bridge bridge = new Bridge(48000);
        bridge.process(steady(0.5f, 64), steady(-0.5f, 64), 64);
        bridge.jump();
        float[] l = new float[400];
        float[] r = new float[400];
        float[] first = steady(-0.3f, 100);
        float[] firstRight = steady(0.1f, 100);
        bridge.process(first, firstRight, 100);
        float[] rest = steady(-0.3f, 300);
        float[] restRight = steady(0.1f, 300);
        bridge.process(rest, restRight, 300);
        System.arraycopy(first, 0, l, 0, 100);
        System.arraycopy(rest, 0, l, 100, 300);
        System.arraycopy(firstRight, 0, r, 0, 100);
        System.arraycopy(restRight, 0, r, 100, 300);
        assertThat(l[0]).isEqualTo(0.5f);
        for (int i = 1; i < 400; i++) {
            assertThat(Math.abs(l[i] - l[i - 1])).isLessThan(0.004f);
            assertThat(Math.abs(r[i] - r[i - 1])).isLessThan(0.004f);
        }
        assertThat(l[240]).isEqualTo(-0.3f);
        assertThat(l[399]).isEqualTo(-0.3f);
    }

    @Test
    void whatFollowsOnIsLeftAsItIs() {
        Bridge bridge = new Bridge(48000);
        float[] x = steady(0.5f, 64);
        bridge.process(x, x.clone(), 64);
        float[] y = steady(-0.5f, 64);
        bridge.process(y, y.clone(), 64);
        assertThat(y).containsOnly(-0.5f);
    }
}

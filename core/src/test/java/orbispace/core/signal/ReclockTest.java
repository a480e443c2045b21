package orbispace.core.signal;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class ReclockTest {
    private static double tone(double cycles, double at) {
        double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * Math.clamp(at / 4000, 0, 1));
        return window * Math.cos(2 * Math.PI * cycles * at);
    }

    @Test
    void aToneIsReadBetweenItsSamplesUpToTheEdgeOfTheBand() {
        for (double cycles : new double[] {0.003, 0.1, 0.37, 0.49}) {
            double[] x = new double[4001];
            for (int i = 0; i < x.length; i++) {
                x[i] = tone(cycles, i);
            }
            double[] read = Reclock.read(x, 3.7, 1.0002, 3900);
            double worst = 0;
            for (int k = 0; k < read.length; k++) {
                worst = Math.max(worst, Math.abs(read[k] - tone(cycles, 3.7 + 1.0002 * k)));
            }
            assertThat(worst).as("%.3f cycles a sample", cycles).isLessThan(5e-5);
        }
    }

    @Test
    void anotherStartIsADelayAndNothingBefore() {
        double[] x = new double[500];
        x[100] = 1;
        double[] read = Reclock.read(x, -50, 1, 300);
        assertThat(read[150]).isCloseTo(1, org.assertj.core.api.Assertions.within(1e-5));
        assertThat(read[149]).isCloseTo(0, org.assertj.core.api.Assertions.within(1e-5));
        assertThat(read[20]).isCloseTo(0, org.assertj.core.api.Assertions.within(1e-5));
    }
}

package orbispace.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class QuadratureTest {
    private static final int COUNT = 4;

    /** Two chains 0.6 degrees off a quarter turn let the envelope of a tone swing by half of it. */
    @ParameterizedTest
    @ValueSource(doubles = {0.0062, 0.01, 0.05, 0.3, 0.7, 0.99})
    void theEnvelopeOfAToneStandsStill(double ofHalfTheRate) {
        Quadrature envelope = new Quadrature(COUNT);
        double least = Double.POSITIVE_INFINITY;
        double most = 0;
        double[] x = new double[COUNT];
        double[] y = new double[COUNT];
        double[] followed = new double[COUNT];
        for (int i = 0; i < 20_000; i += COUNT) {
            for (int k = 0; k < COUNT; k++) {
                x[k] = 0.1 * Math.sin(Math.PI * ofHalfTheRate * (i + k));
                y[k] = 0.5 * Math.sin(Math.PI * ofHalfTheRate * (i + k) + 1);
            }
            envelope.follow(x, y, followed, COUNT);
            for (double now : followed) {
                least = i > 10_000 ? Math.min(least, now) : least;
                most = i > 10_000 ? Math.max(most, now) : most;
            }
        }
        assertThat(least).isCloseTo(0.5, within(0.5 * 0.0053));
        assertThat(most).isCloseTo(0.5, within(0.5 * 0.0053));
    }
}

package orbispace.core.dynamics;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.function.DoubleFunction;
import org.junit.jupiter.api.Test;

/** The documented range of each number holds to its ends and not a hair further. */
class DynamicsLimitsTest {
    private static final GainComputer CURVE = new GainComputer(-20, 4, 6, 12);

    private static void holds(double low, double high, DoubleFunction<Object> make) {
        assertThatCode(() -> make.apply(low)).doesNotThrowAnyException();
        assertThatCode(() -> make.apply(high)).doesNotThrowAnyException();
        for (double outside : new double[] {low - 1e-6, high + 1e-6, Double.NaN}) {
            assertThatThrownBy(() -> make.apply(outside))
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining("is outside");
        }
    }

    @Test
    void aCurve() {
        holds(-90, 0, x -> new GainComputer(x, 4, 6, 12));
        holds(1, 100, x -> new GainComputer(-20, x, 6, 12));
        holds(0, 24, x -> new GainComputer(-20, 4, x, 12));
        holds(0, 60, x -> new GainComputer(-20, 4, 6, x));
    }

    @Test
    void aDucker() {
        holds(0.0005, 1, x -> new DuckerSettings(CURVE, x, 0.1, 0.2));
        holds(0, 2, x -> new DuckerSettings(CURVE, 0.01, x, 0.2));
        holds(0.005, 5, x -> new DuckerSettings(CURVE, 0.01, 0.1, x));
        holds(20, 10000, x -> new DuckBand(x, 20000));
        holds(1250, 20000, x -> new DuckBand(1000, x));
    }

    @Test
    void aGate() {
        holds(-90, 0, x -> new GateSettings(x, 4, 60, 0.01, 0.1, 0.1, true));
        holds(0, 40, x -> new GateSettings(-20, x, 60, 0.01, 0.1, 0.1, true));
        holds(0, 120, x -> new GateSettings(-20, 4, x, 0.01, 0.1, 0.1, true));
        holds(0.0001, 0.5, x -> new GateSettings(-20, 4, 60, x, 0.1, 0.1, true));
        holds(0, 30, x -> new GateSettings(-20, 4, 60, 0.01, x, 0.1, true));
        holds(0.001, 5, x -> new GateSettings(-20, 4, 60, 0.01, 0.1, x, true));
    }

    @Test
    void aDrive() {
        holds(0, 40, db -> new Drive(db, 48000));
    }
}

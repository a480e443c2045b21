package orbispace.core.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class LineTest {

    @Test
    void aStraightRunIsItsOwnLine() {
        Line line = Line.through(new double[] {99, 5, 3, 1, -1, 99}, 1, 5);

        assertThat(line.slope()).isEqualTo(-2);
        assertThat(line.offset()).isEqualTo(7);
        assertThat(line.at(2.5)).isEqualTo(2);
        assertThat(line.correlation()).isCloseTo(-1, within(1e-12));
        assertThat(line.deviation()).isZero();
        assertThat(line.most()).isZero();
    }

    /** By hand: through (0, 1), (1, 0), (2, 5) goes 2 x; off by 1, -2, 1; r = 4 / sqrt(2 * 14). */
    @Test
    void crookedValuesLieOffTheirLineAsReckonedByHand() {
        Line line = Line.through(new double[] {1, 0, 5}, 0, 3);

        assertThat(line.slope()).isCloseTo(2, within(1e-12));
        assertThat(line.offset()).isCloseTo(0, within(1e-12));
        assertThat(line.deviation()).isCloseTo(Math.sqrt(2), within(1e-12));
        assertThat(line.most()).isCloseTo(2, within(1e-12));
        assertThat(line.correlation()).isCloseTo(4 / Math.sqrt(28), within(1e-12));
    }

    @Test
    void whatIsLevelHasNoSlopeAndNoCorrelation() {
        Line line = Line.through(new double[] {3, 3, 3}, 0, 3);

        assertThat(line.slope()).isZero();
        assertThat(line.correlation()).isZero();
        assertThat(line.at(8)).isEqualTo(3);
    }

    @Test
    void aPointIsNoLine() {
        assertThatThrownBy(() -> Line.through(new double[] {1, 2}, 1, 2))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("two values");
    }
}

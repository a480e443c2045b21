package orbispace.core.clear.room;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.BitSet;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.hearing.MadeCells;
import org.junit.jupiter.api.Test;

/** Two ears, against their definitions worked out plainly. */
class TwoEarsTest {
    private static final int BANDS = HearingModel.BANDS;
    private static final double ROOM = 10;
    private static final Excitation ONE = MadeCells.ONE;
    private static final Excitation OTHER = MadeCells.OTHER;
    private static final Excitation THIRD = MadeCells.THIRD;

    private static double partial(Excitation s, Excitation m, int f, int b) {
        return HearingModel.partialLoudness(b, s.at(f, b), m.at(f, b) + ROOM);
    }

    private static final BitSet SOME = new BitSet();

    static {
        SOME.set(2, 9);
        SOME.set(11);
        SOME.set(20, 28);
    }

    @Test
    void theBetterEarOfEachBandHearsMore() {
        TwoEars s = new TwoEars(ONE, OTHER);
        TwoEars m = new TwoEars(THIRD, ONE);
        double heard = 0;
        for (int f = SOME.nextSetBit(0); f >= 0; f = SOME.nextSetBit(f + 1)) {
            for (int b = 0; b < BANDS; b++) {
                heard += Math.max(partial(ONE, THIRD, f, b), partial(OTHER, ONE, f, b));
            }
        }
        assertThat(s.heard(m, ROOM, SOME)).isCloseTo(heard, within(1e-9));
        assertThat(s.plus(m).left().at(5, 7))
                .isCloseTo(ONE.at(5, 7) + THIRD.at(5, 7), within(1e-3));
    }

    @Test
    void bandsTellWhatIsHeardAndWhatAnotherTakes() {
        TwoEars s = new TwoEars(ONE, OTHER);
        TwoEars rest = new TwoEars(THIRD, THIRD);
        TwoEars other = new TwoEars(OTHER, ONE);
        double[] heard = s.heardPerBand(rest, ROOM, SOME);
        double[] loss = s.lossPerBand(rest, other, ROOM, SOME);
        for (int b = 0; b < BANDS; b++) {
            double sum = 0;
            double lost = 0;
            for (int f = SOME.nextSetBit(0); f >= 0; f = SOME.nextSetBit(f + 1)) {
                double one = partial(ONE, THIRD, f, b);
                double two = partial(OTHER, THIRD, f, b);
                sum += one + two;
                lost += one - partial(ONE, THIRD.plus(OTHER), f, b);
                lost += two - partial(OTHER, THIRD.plus(ONE), f, b);
            }
            assertThat(heard[b]).isCloseTo(sum, within(1e-6));
            assertThat(loss[b]).isCloseTo(lost, within(1e-6));
        }
    }

    @Test
    void onlyKeepsTheFramesAskedForInTheirOrder() {
        TwoEars few = new TwoEars(ONE, OTHER).only(SOME);
        assertThat(few.left().frames()).isEqualTo(SOME.cardinality());
        assertThat(few.left().at(0, 3)).isEqualTo(ONE.at(2, 3));
        assertThat(few.right().at(7, 5)).isEqualTo(OTHER.at(11, 5));
        assertThat(few.right().at(8, 5)).isEqualTo(OTHER.at(20, 5));
    }
}

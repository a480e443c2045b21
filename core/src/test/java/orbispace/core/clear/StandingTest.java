package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;
import org.junit.jupiter.api.Test;

class StandingTest {
    private static Standing standing(
            double presence, double worst, double share, double clash, double hiss, double low) {
        Cover cover =
                new Cover(
                        OptionalDouble.of(presence),
                        OptionalDouble.of(worst),
                        share,
                        share,
                        share,
                        OptionalDouble.of(-25),
                        clash);
        return new Standing(cover, OptionalDouble.of(hiss), low);
    }

    private static final Standing MET = standing(0.9, 0.85, 0.015, 0.1, -20, 0.02);

    @Test
    void nothingIsShortWhereAllIsMet() {
        assertThat(MET.shortfall(Targets.LEAD)).isZero();
        assertThat(MET.meets(Targets.LEAD)).isTrue();
        assertThat(MET.uncovers(Targets.LEAD)).isTrue();
    }

    @Test
    void aPointOfPresenceIsAPoint() {
        Standing one = standing(0.84, 0.85, 0.015, 0.1, -20, 0.02);
        assertThat(one.shortfall(Targets.LEAD)).isCloseTo(1, within(1e-9));
        Standing both = standing(0.84, 0.78, 0.015, 0.1, -20, 0.02);
        assertThat(both.shortfall(Targets.LEAD)).isCloseTo(3, within(1e-9));
        assertThat(both.uncovers(Targets.LEAD)).isFalse();
    }

    @Test
    void everyMissAdds() {
        double clash = standing(0.9, 0.85, 0.015, 0.5, -20, 0.02).shortfall(Targets.LEAD);
        double low = standing(0.9, 0.85, 0.015, 0.1, -20, 0.3).shortfall(Targets.LEAD);
        double hiss = standing(0.9, 0.85, 0.015, 0.1, -4, 0.02).shortfall(Targets.LEAD);
        double all = standing(0.9, 0.85, 0.015, 0.5, -4, 0.3).shortfall(Targets.LEAD);
        assertThat(clash).isCloseTo(40 * (0.5 - 0.25), within(1e-9));
        assertThat(low).isCloseTo(40 * (0.3 - 0.05), within(1e-9));
        assertThat(hiss).isCloseTo(4, within(1e-9));
        assertThat(all).isCloseTo(clash + low + hiss, within(1e-9));
    }

    @Test
    void moreThanAskedAndSunkBothCountButHiddenOnlySoFar() {
        double heard = standing(0.9, 0.85, 0.06, 0.1, -20, 0.02).shortfall(Targets.LEAD);
        assertThat(heard).isCloseTo(1 + 10 * Math.log10(0.06 / 0.03), within(1e-9));
        double hidden = standing(0.9, 0.85, 0.0001, 0.1, -20, 0.02).shortfall(Targets.LEAD);
        double gone = standing(0.9, 0.85, 0.00001, 0.1, -20, 0.02).shortfall(Targets.LEAD);
        assertThat(hidden).isEqualTo(1 + 3);
        assertThat(gone).isEqualTo(1 + 3);
    }

    @Test
    void whatIsHiddenDoesNotHiss() {
        Standing hidden = standing(0.9, 0.85, 0.002, 0.1, 0, 0.02);
        assertThat(hidden.hisses(Targets.LEAD)).isFalse();
        assertThat(standing(0.9, 0.85, 0.02, 0.1, 0, 0.02).hisses(Targets.LEAD)).isTrue();
    }

    @Test
    void aSilentSourceMissesNothing() {
        Cover silent =
                new Cover(
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        0.015,
                        0,
                        0,
                        OptionalDouble.empty(),
                        0);
        assertThat(new Standing(silent, OptionalDouble.empty(), 0).shortfall(Targets.LEAD))
                .isZero();
    }

    @Test
    void anotherPresenceTakesTheWorstPhraseWithIt() {
        Targets t = Targets.LEAD.withPresence(0.7);
        assertThat(t.presence()).isEqualTo(0.7);
        assertThat(t.worstPhrase()).isCloseTo(0.65, within(1e-9));
        assertThat(Targets.WASHED.withPresence(0.3).worstPhrase()).isZero();
        assertThat(Targets.LEAD.withState(WetState.HEARD).state()).isEqualTo(WetState.HEARD);
    }

    @Test
    void theLeastThatReachesIsFound() {
        assertThat(Reach.leastFor(0, 18, 0.01, x -> x >= 4.2)).isCloseTo(4.2, within(0.02));
        assertThat(Reach.leastFor(0, 18, 0.01, x -> false)).isCloseTo(18, within(0.02));
    }

    @Test
    void nothingIsGivenAwayForWhatCannotBeReached() {
        // Presence rises to 80 % at 6 dB and no further; 85 % was asked.
        DoubleFunction<Standing> stuck =
                db -> standing(Math.min(0.80, 0.5 + db / 20), 0.9, 0.015, 0.1, -20, 0.02);
        double amount = Reach.least(0, 18, 0.01, stuck, Targets.LEAD);
        assertThat(amount).isBetween(5.7, 6.1);
        DoubleFunction<Standing> free =
                db -> standing(Math.min(1, 0.5 + db / 20), 0.9, 0.015, 0.1, -20, 0.02);
        assertThat(Reach.least(0, 18, 0.01, free, Targets.LEAD)).isCloseTo(7, within(0.05));
    }
}

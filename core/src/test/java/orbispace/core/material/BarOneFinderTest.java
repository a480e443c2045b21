package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import orbispace.core.material.BarOneFinder.BarOne;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BarOneFinderTest {
    private static final SongClock CLOCK =
            new SongClock(
                    TempoMap.of(
                            List.of(
                                    TempoMap.Change.step(0, 100),
                                    new TempoMap.Change(32, 100, 80),
                                    TempoMap.Change.step(48, 80))),
                    MetreMap.constant(4, 4));

    /** Strokes on beats and some halves, uneven by a few milliseconds, all later by a shift. */
    private static List<Hits.Hit> strokes(double shift) {
        Random random = new Random(3);
        List<Hits.Hit> hits = new ArrayList<>();
        for (double beat = 0; beat < 60; beat += beat % 4 == 2 || beat % 1 != 0 ? 0.5 : 1) {
            double at = CLOCK.secondsAt(beat) + shift + 0.003 * random.nextGaussian();
            hits.add(new Hits.Hit(at, -6 - 3 * random.nextDouble(), -20));
        }
        return hits;
    }

    @ParameterizedTest
    @ValueSource(doubles = {-0.12, -0.015, 0, 0.02, 0.085, 0.15})
    void theShiftIsFoundAcrossATempoChange(double shift) {
        BarOne found = BarOneFinder.find(strokes(shift), CLOCK).orElseThrow();
        assertThat(found.originSeconds()).isCloseTo(shift, within(0.003));
        assertThat(found.agreement()).isGreaterThan(0.7).isGreaterThanOrEqualTo(found.before());
    }

    @Test
    void anOffsetThatIsSetAlreadyIsTakenIntoAccount() {
        BarOne found = BarOneFinder.find(strokes(0.085), CLOCK.startingAt(0.080)).orElseThrow();
        assertThat(found.originSeconds()).isCloseTo(0.085, within(0.003));
        assertThat(found.before()).isGreaterThan(0.7);
    }

    @Test
    void fewStrokesOrStrokesWithoutABeatTellLittle() {
        assertThat(BarOneFinder.find(strokes(0).subList(0, 7), CLOCK)).isEmpty();
        Random random = new Random(9);
        List<Hits.Hit> anywhere = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            anywhere.add(new Hits.Hit(40 * random.nextDouble(), -6, -20));
        }
        assertThat(BarOneFinder.find(anywhere, CLOCK).orElseThrow().agreement()).isLessThan(0.3);
    }
}

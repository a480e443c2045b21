package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
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
        SplittableRandom random = new SplittableRandom(3);
        List<Hits.Hit> hits = new ArrayList<>();
        for (double beat = 0; beat < 60; beat += beat % 4 == 2 || beat % 1 != 0 ? 0.5 : 1) {
            double at = CLOCK.secondsAt(beat) + shift + 0.003 * random.nextGaussian();
            hits.add(new Hits.Hit(at, -6 - 3 * random.nextDouble(), -20));
        }
        return hits;
    }

    @ParameterizedTest
    @ValueSource(doubles = {-0.12, -0.015, 0, 0.02, 0.085, 0.17})
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
        SplittableRandom random = new SplittableRandom(9);
        List<Hits.Hit> anywhere = new ArrayList<>();
        for (int i = 0; i < 200; i++) {
            anywhere.add(new Hits.Hit(40 * random.nextDouble(), -6, -20));
        }
        assertThat(BarOneFinder.find(anywhere, CLOCK)).isEmpty();
    }

    private static final SongClock EVEN =
            new SongClock(TempoMap.constant(120), MetreMap.constant(4, 4));

    /** Two minutes of beats and of what lies between, in dB, at a tempo, 70 ms late. */
    private static List<Hits.Hit> song(double bpm, double onDb, double between, double offDb) {
        SplittableRandom random = new SplittableRandom(5);
        List<Hits.Hit> hits = new ArrayList<>();
        for (int beat = 0; beat < 240; beat++) {
            double late = 0.07 + 0.003 * random.nextGaussian();
            if (onDb > -60) {
                hits.add(new Hits.Hit(late + beat * 60 / bpm, onDb, -20));
            }
            if (offDb > -60) {
                hits.add(new Hits.Hit(late + (beat + between) * 60 / bpm, offDb, -20));
            }
        }
        return hits;
    }

    @Test
    void loudOffBeatsAndShufflesMoveNothing() {
        for (double off : new double[] {-14, -6, 0}) {
            assertThat(BarOneFinder.find(song(120, -6, 0.5, off), EVEN)).isEmpty();
            assertThat(BarOneFinder.find(song(120, -6, 2 / 3.0, off), EVEN)).isEmpty();
        }
    }

    @Test
    void beatsWithNothingBetweenMayBeOffBeats() {
        BarOne found = BarOneFinder.find(song(120, -6, 0.5, -99), EVEN).orElseThrow();
        assertThat(found.originSeconds()).isCloseTo(0.07, within(0.003));
        assertThat(found.beatsAlone()).isTrue();
        assertThat(found.fittingBpm()).isEmpty();
        // A hat on the halves, a drum on the beats and a hat with it: the beats have two.
        List<Hits.Hit> three = new ArrayList<>(song(120, -6, 0.5, -12));
        three.addAll(song(120, -12, 0.5, -99));
        BarOne told = BarOneFinder.find(three, EVEN).orElseThrow();
        assertThat(told.originSeconds()).isCloseTo(0.07, within(0.003));
        assertThat(told.beatsAlone()).isFalse();
    }

    @Test
    void strokesThatLieOnTheGridStay() {
        assertThat(BarOneFinder.find(song(120, -99, 0.5, -6), EVEN.startingAt(0.07))).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(doubles = {120.12, 119.64, 120.9})
    void aTempoThatWouldFitIsSaidInsteadOfAPlace(double bpm) {
        for (double between : new double[] {0.5, 2 / 3.0}) {
            for (double off : new double[] {-99, -12, -3}) {
                BarOne found = BarOneFinder.find(song(bpm, -6, between, off), EVEN).orElseThrow();
                assertThat(found.fittingBpm().orElseThrow()).isCloseTo(bpm, within(0.02));
                assertThat(found.originSeconds()).isZero();
                assertThat(found.agreement()).isGreaterThan(found.before() + 0.07);
            }
        }
    }

    @Test
    void agreementIsTheMeanOfItsCosines() {
        List<Hits.Hit> hits = new ArrayList<>();
        for (int beat = 0; beat < 240; beat++) {
            hits.add(new Hits.Hit(0.07 + beat * 0.5, -6, -20));
        }
        BarOne found = BarOneFinder.find(hits, EVEN).orElseThrow();
        assertThat(found.agreement()).isCloseTo(1, within(1e-6));
        double turn = 2 * Math.PI * 0.14;
        double straight = (3 * Math.cos(turn) + 2 * Math.cos(2 * turn) + Math.cos(4 * turn)) / 6;
        assertThat(found.before()).isCloseTo(straight, within(1e-6));
        BarOne faster =
                BarOneFinder.find(
                                hits.stream()
                                        .map(h ->
                                                new Hits.Hit(
                                                        0.07 + (h.seconds() - 0.07) / 1.004,
                                                        -6,
                                                        -20))
                                        .toList(),
                                EVEN)
                        .orElseThrow();
        assertThat(faster.fittingBpm().orElseThrow()).isCloseTo(120.48, within(0.02));
        assertThat(faster.agreement()).isBetween(0.98, 1.0 + 1e-9);
        // Eight strokes are enough.
        assertThat(BarOneFinder.find(hits.subList(0, 8), EVEN).orElseThrow().agreement())
                .isCloseTo(1, within(1e-6));
    }

    /** Equal strokes exactly on the grid, all later by a tenth of a beat. */
    private static List<Hits.Hit> exact(int beats, int halves) {
        List<Hits.Hit> hits = new ArrayList<>();
        for (int k = 0; k < beats; k++) {
            hits.add(new Hits.Hit(0.5 * k + 0.05, -6, -20));
        }
        for (int k = 0; k < halves; k++) {
            hits.add(new Hits.Hit(0.5 * k + 0.3, -6, -20));
        }
        return hits;
    }

    /**
     * By hand: beats count 3, halves 2, quarters 1 of 6; a tenth of a beat turns each by 36 deg.
     */
    @Test
    void agreementIsThatOfBeatsHalvesAndQuarters() {
        BarOne found = BarOneFinder.find(exact(40, 0), EVEN).orElseThrow();
        assertThat(found.originSeconds()).isCloseTo(0.05, within(1e-9));
        assertThat(found.agreement()).isCloseTo(1, within(1e-9));
        double turn = Math.toRadians(36);
        double before = (3 * Math.cos(turn) + 2 * Math.cos(2 * turn) + Math.cos(4 * turn)) / 6;
        assertThat(found.before()).isCloseTo(before, within(1e-9));
        assertThat(found.beatsAlone()).isTrue();
    }

    @Test
    void oneStrokeOfTwentyBetweenTheBeatsTellsThem() {
        assertThat(BarOneFinder.find(exact(20, 1), EVEN).orElseThrow().beatsAlone()).isTrue();
        assertThat(BarOneFinder.find(exact(19, 1), EVEN).orElseThrow().beatsAlone()).isFalse();
    }
}

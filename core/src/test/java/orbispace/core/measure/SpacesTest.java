package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.space.ReverbCharacter;
import orbispace.core.space.ReverbKind;
import orbispace.core.space.ReverbSettings;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What the kinds of reverb are asked to be, by the measures that the command prints. */
class SpacesTest {
    private static final double RATE = 48000;

    private static SpaceStart start(ReverbSettings s, double rate) {
        return SpaceStart.of(
                SpaceAnswer.toMiddle(s, 2 * s.decaySeconds() + 0.5, rate),
                SpaceAnswer.toClick(s, 1, 0, 0.3, rate),
                SpaceAnswer.toClick(s, 0, 1, 0.3, rate),
                s.decaySeconds());
    }

    private static double dense(ReverbSettings s) {
        Audio a = SpaceAnswer.toMiddle(s, 0.5, RATE);
        return EchoDensity.denseSeconds(a.channel(0), RATE).orElse(1);
    }

    @ParameterizedTest
    @EnumSource(ReverbKind.class)
    void whatComesFromOneSideBeginsThereAndTheMiddleOnBoth(ReverbKind kind) {
        for (double seconds : new double[] {0.4, 1.2, 5}) {
            for (double rate : new double[] {44100, 96000}) {
                SpaceStart s = start(new ReverbSettings(kind, seconds, 1, 0.7, 1), rate);
                assertThat(s.leanDb()).isBetween(4.0, 8.0);
                assertThat(s.laterLeanDb()).isBetween(1.5, 4.0);
                assertThat(s.mirrorDb()).isLessThan(0.1);
                assertThat(s.apartSeconds()).isLessThan(0.001);
                assertThat(s.apartDb()).isLessThan(0.5);
                assertThat(s.colourDb()).isLessThan(5);
            }
        }
    }

    @Test
    void tailsAreAsEvenAsNoiseAtEverySize() {
        for (ReverbKind kind : ReverbKind.values()) {
            for (double size : new double[] {0.5, 2}) {
                for (double seconds : new double[] {0.6, 2.5}) {
                    var s = new ReverbSettings(kind, seconds, 1, 1, size);
                    Audio a = SpaceAnswer.toMiddle(s, 1.3 * seconds + 0.6, RATE);
                    TailLines lines = TailLines.of(a, hz -> seconds);
                    assertThat(lines.prominenceDb()).as("%s", s).isLessThan(14);
                    assertThat(lines.flatness()).as("%s", s).isGreaterThan(0.35);
                    if (seconds > 1) {
                        assertThat(lines.selfCorrelation()).as("%s", s).isLessThan(0.28);
                    }
                }
            }
        }
    }

    @ParameterizedTest
    @CsvSource({"HALL, 60", "VAST, 100", "ROOM, 60", "CHAMBER, 40", "PLATE, 40"})
    void echoesAreDenseSoonAndLaterInALargerSpace(ReverbKind kind, double millis) {
        var one = new ReverbSettings(kind, 2.5, 1, 0.7, 1);
        assertThat(start(one, RATE).density()).isGreaterThan(0.3);
        assertThat(dense(one)).isLessThanOrEqualTo(millis / 1000);
        double large = dense(new ReverbSettings(kind, 2.5, 1, 0.7, 2));
        assertThat(large).isLessThanOrEqualTo(1.4 * millis / 1000);
    }

    @Test
    void densityAndBuildUpDoWhatTheySay() {
        ReverbCharacter own = ReverbCharacter.of(ReverbKind.HALL);
        double before = 0;
        for (double density : new double[] {4, 2, 1, 0.5, 0.25}) {
            double at = dense(hall(own.withDensity(density)));
            assertThat(at).as("density %s", density).isGreaterThan(before);
            before = at;
        }
        before = 0;
        for (double millis : new double[] {0, 20, 60, 120, 200}) {
            double rise = start(hall(own.withBuildUp(millis / 1000)), RATE).riseSeconds();
            assertThat(rise).as("%s ms", millis).isGreaterThan(before);
            before = rise;
        }
    }

    private static ReverbSettings hall(ReverbCharacter character) {
        return new ReverbSettings(ReverbKind.HALL, 2.5, 1, 0.7, 1, character);
    }

    @Test
    void movementIsSlightAndNothingMovesWithoutIt() {
        ReverbCharacter own = ReverbCharacter.of(ReverbKind.HALL);
        SpaceMovement still = SpaceMovement.of(hall(own), 5, RATE);
        assertThat(still.cents()).isLessThan(0.1);
        SpaceMovement most = SpaceMovement.of(hall(own.withMovement(0.0003)), 5, RATE);
        assertThat(most.cents()).isBetween(1.0, 2.5);
        assertThat(most.swellDb()).isLessThan(0.5);
        assertThat(most.sidebandDb()).isGreaterThan(still.sidebandDb() + 40);
    }

    @Test
    void aToneThatSwaysIsTold() {
        float[] x = new float[(int) (8 * RATE)];
        for (int i = 0; i < x.length; i++) {
            double t = i / RATE;
            // A turn of 0.4 radians at 0.5 Hz is up to 0.2 Hz: 0.49 cents at 700 Hz.
            double turn = 0.4 * Math.sin(2 * Math.PI * 0.5 * t);
            double level = Math.pow(10, 0.1 * Math.sin(2 * Math.PI * 0.25 * t) / 2);
            x[i] = (float) (level * Math.sin(2 * Math.PI * 700 * t + turn));
        }
        SpaceMovement m = SpaceMovement.of(x, 0, RATE, 700);
        assertThat(m.cents()).isCloseTo(0.49, within(0.02));
        assertThat(m.swellDb()).isCloseTo(1 / Math.sqrt(2), within(0.02));
    }

    @Test
    void kindsAreFartherApartThanTwoStepsJustNoticed() {
        List<SpaceSurvey> all =
                Arrays.stream(ReverbKind.values()).map(k -> SpaceSurvey.of(k, 1.2, RATE)).toList();
        List<KindDistance> nearest = KindDistance.nearest(all);
        assertThat(nearest).hasSize(1);
        assertThat(nearest.getFirst().steps()).isGreaterThan(2);
        assertThat(KindDistance.of(all.getFirst(), all.getFirst()).steps()).isZero();
        double plate =
                all.get(ReverbKind.valueOf("PLATE").compareTo(ReverbKind.ROOM))
                        .start()
                        .highsLeadSeconds();
        assertThat(plate).isBetween(0.005, 0.02);
    }

    @Test
    void whatIsTurnedMovesEvenlyAndRatiosHoldAllOverTheirRange() {
        SpaceTurns turns = SpaceTurns.of(ReverbKind.VAST, RATE);
        assertThat(turns.clarityStepDb()).isLessThan(0.3);
        assertThat(turns.sizeSteps()).isGreaterThan(0.2);
        assertThat(turns.constantDb()).isLessThan(-60);
        assertThat(Math.abs(turns.pairCorrelation())).isLessThan(0.1);
        assertThat(turns.bands()).hasSize(14);
        for (SpaceTurns.Ratio r : turns.bands()) {
            assertThat(r.measured() / r.ratio())
                    .as("%s Hz at %s", r.hz(), r.ratio())
                    .isCloseTo(1, within(0.1));
        }
    }
}

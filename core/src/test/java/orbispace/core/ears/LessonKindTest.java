package orbispace.core.ears;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.SplittableRandom;
import java.util.function.ToDoubleFunction;
import orbispace.core.design.Design;
import orbispace.core.design.Drive;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LessonKindTest {
    private static final Return HALL =
            Fields.hall("A", 2, Map.of("voice", -6.0))
                    .withDuck(new Duck("voice", 4, -30, 4, 6, 10, 100, 200, null));
    private static final Return ECHO = Fields.echo("B", "1/4", 0.4, Map.of("voice", -12.0));
    private static final Design DESIGN = Fields.two().withReturns(List.of(HALL, ECHO));

    private static Return of(LessonKind kind) {
        return kind == LessonKind.ECHO_TIME ? ECHO : HALL;
    }

    /** What a lesson is about, as it stands in a return, in the lesson's unit. */
    private static double reading(LessonKind kind, Return r) {
        return switch (kind) {
            case LEVEL -> r.levelDb();
            case DECAY -> 100 * ((Space.Reverb) r.space()).decaySeconds() / 2;
            case PREDELAY -> millis(r, x -> x.predelay().seconds(DESIGN.song().clock(), 1));
            case LOW_PASS -> -octaves(corner(r.filterOut().lowPass()));
            case HIGH_PASS -> octaves(corner(r.filterOut().highPass()));
            case WIDTH -> -100 * r.chain().width().factor();
            case DUCKING -> r.duck() == null ? 0 : r.duck().rangeDb();
            case ECHO_TIME -> millis(r, x -> echo(x).time().seconds(DESIGN.song().clock(), 1)) / 5;
            case DRIVE -> drive(r.chain().drive());
        };
    }

    private static double drive(@Nullable Drive drive) {
        return drive == null ? 0 : drive.driveDb();
    }

    private static Space.Echo echo(Return r) {
        return (Space.Echo) r.space();
    }

    private static double corner(Filter.@Nullable Corner corner) {
        return Objects.requireNonNull(corner).hz();
    }

    private static double millis(Return r, ToDoubleFunction<Return> seconds) {
        return 1000 * seconds.applyAsDouble(r);
    }

    private static double octaves(double hz) {
        return Math.log(hz) / Math.log(2);
    }

    @ParameterizedTest
    @EnumSource(LessonKind.class)
    void theDifferenceIsExactlyWhatIsSaid(LessonKind kind) {
        Return r = of(kind);
        double greatest = kind.greatest(r).orElseThrow();
        for (double share : new double[] {0.01, 0.3, 1}) {
            Return more =
                    kind.edit(DESIGN, r, share * greatest).applyTo(DESIGN).requireReturn(r.id());
            assertThat(reading(kind, more) - reading(kind, r))
                    .isCloseTo(share * greatest, within(1e-6));
        }
        assertThatIllegalArgumentException()
                .isThrownBy(() -> kind.edit(DESIGN, r, 1.01 * greatest))
                .withMessageContaining(kind.label());
    }

    @ParameterizedTest
    @EnumSource(LessonKind.class)
    void everyLessonFindsAThresholdWithinItsRange(LessonKind kind) {
        double greatest = kind.greatest(of(kind)).orElseThrow();
        double threshold = greatest / Math.pow(2, 1 + Staircase.BEGIN_OCTAVES);
        SimulatedEar ear = SimulatedEar.sloped(2, threshold);
        SplittableRandom random = new SplittableRandom(kind.label().hashCode());
        double sum = 0;
        int heard = 0;
        for (int i = 0; i < 1000; i++) {
            Outcome outcome = ear.take(new Staircase(greatest / 2, greatest), random);
            if (outcome instanceof Outcome.Heard h) {
                assertThat(h.difference()).isLessThanOrEqualTo(greatest);
                sum += octaves(h.difference() / threshold);
                heard++;
            }
        }
        assertThat(heard).isGreaterThan(970);
        assertThat(sum / heard).isCloseTo(0, within(0.075));
    }

    @Test
    void whatAReturnDoesNotHaveIsNoLesson() {
        assertThat(LessonKind.ECHO_TIME.greatest(HALL)).isEmpty();
        assertThat(LessonKind.DUCKING.greatest(ECHO)).isEmpty();
        assertThat(LessonKind.DECAY.greatest(ECHO)).isEmpty();
        assertThat(LessonKind.LEVEL.greatest(HALL.withLevel(24))).isEmpty();
        assertThatIllegalArgumentException()
                .isThrownBy(() -> LessonKind.ECHO_TIME.edit(DESIGN, HALL, 1));
    }
}

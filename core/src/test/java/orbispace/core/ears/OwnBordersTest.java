package orbispace.core.ears;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import orbispace.core.hearing.Borders;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OwnBordersTest {
    private static final Outcome HEARD = new Outcome.Heard(2, 1.5, 2.5, 30);

    private static TakenLesson lesson(LessonKind kind, Outcome outcome, double offsetDb) {
        return new TakenLesson(
                        LocalDate.of(2026, 12, 1),
                        "Ada",
                        EarPlace.HEADPHONES,
                        new TakenLesson.Subject("Harbour at Low Tide", "Chorus", "Hall"),
                        kind,
                        outcome)
                .beside(new Predicted(OptionalDouble.empty(), offsetDb));
    }

    private static List<TakenLesson> heard(double... offsets) {
        List<TakenLesson> all = new ArrayList<>();
        for (double db : offsets) {
            all.add(lesson(LessonKind.DECAY, HEARD, db));
        }
        return all;
    }

    private static List<TakenLesson> twelve() {
        return heard(-5, -4, -3, -2.5, -2, -2, -1, -1, 0, 1, 2, 3);
    }

    /** Ranks of the usual tables for a median. */
    @ParameterizedTest
    @CsvSource({"12, 3", "13, 3", "15, 4", "20, 6", "25, 8", "40, 14"})
    void theMedianLiesBetweenTheRanksOfTheTables(int n, int rank) {
        assertThat(OwnBorders.rank(n)).isEqualTo(rank);
    }

    @Test
    void theOffsetIsTheMedianBetweenTheThirdFromEitherEnd() {
        Borders own = OwnBorders.of(twelve(), "ada", EarPlace.HEADPHONES).orElseThrow();
        assertThat(own.offsetDb()).isCloseTo(-1.5, within(1e-9));
        assertThat(own.lowDb()).isEqualTo(-3);
        assertThat(own.highDb()).isEqualTo(1);
        assertThat(own.lessons()).isEqualTo(12);
        assertThat(own.whose()).isEqualTo("ada, headphones");
    }

    @Test
    void itTakesTwelveLessonsOfOneEngineerInOnePlaceThatTellOfBorders() {
        List<TakenLesson> eleven = new ArrayList<>(twelve().subList(0, 11));
        assertThat(OwnBorders.of(eleven, "Ada", EarPlace.HEADPHONES)).isEmpty();
        assertThat(OwnBorders.of(twelve(), "Ada", EarPlace.LOUDSPEAKERS)).isEmpty();
        assertThat(OwnBorders.of(twelve(), "Eve", EarPlace.HEADPHONES)).isEmpty();
        eleven.add(lesson(LessonKind.WIDTH, HEARD, 0));
        eleven.add(lesson(LessonKind.DECAY, new Outcome.Unsure(40), 0));
        eleven.add(lesson(LessonKind.DECAY, new Outcome.Heard(2, 1, 4, 14), 0));
        assertThat(OwnBorders.telling(eleven, "Ada", EarPlace.HEADPHONES)).hasSize(11);
        assertThat(OwnBorders.of(eleven, "Ada", EarPlace.HEADPHONES)).isEmpty();
    }

    @Test
    void whatWasNotHeardLiesOverAllThatWas() {
        List<TakenLesson> some = heard(-5, -4, -3, -2.5, -2, -2, -1, -1, 0, 1);
        some.add(lesson(LessonKind.DRIVE, new Outcome.NotHeard(24, 8), -6));
        some.add(lesson(LessonKind.DRIVE, new Outcome.NotHeard(24, 8), -6));
        Borders own = OwnBorders.of(some, "Ada", EarPlace.HEADPHONES).orElseThrow();
        assertThat(own.offsetDb()).isCloseTo(-1.5, within(1e-9));
        some.add(lesson(LessonKind.DRIVE, new Outcome.NotHeard(24, 8), -6));
        assertThat(OwnBorders.of(some, "Ada", EarPlace.HEADPHONES)).isEmpty();
    }

    @Test
    void bordersFarFromTheModelAreNotUsed() {
        double[] far = new double[12];
        java.util.Arrays.fill(far, 10.5);
        assertThat(OwnBorders.of(heard(far), "Ada", EarPlace.HEADPHONES)).isEmpty();
    }

    @Test
    void theTrueOffsetLiesBetweenTheEndsInNineteenOfTwentyCases() {
        SplittableRandom random = new SplittableRandom(4);
        int inside = 0;
        int runs = 2000;
        for (int i = 0; i < runs; i++) {
            double[] offsets = new double[16];
            for (int k = 0; k < offsets.length; k++) {
                offsets[k] = -2 + 2.5 * random.nextGaussian();
            }
            Borders own = OwnBorders.of(heard(offsets), "Ada", EarPlace.HEADPHONES).orElseThrow();
            inside += own.lowDb() <= -2 && -2 <= own.highDb() ? 1 : 0;
        }
        assertThat(inside).isBetween((int) (0.95 * runs), (int) (0.99 * runs));
    }
}

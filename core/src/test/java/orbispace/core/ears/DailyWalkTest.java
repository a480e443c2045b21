package orbispace.core.ears;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import org.junit.jupiter.api.Test;

class DailyWalkTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 12, 1);
    private static final Design DESIGN =
            Fields.two()
                    .withReturns(
                            List.of(
                                    Fields.hall("A", 2, Map.of("voice", -6.0)),
                                    Fields.echo("B", "1/4", 0.4, Map.of("voice", -12.0))));

    private static TakenLesson taken(String ret, LessonKind kind, int daysAgo, Outcome outcome) {
        return new TakenLesson(
                TODAY.minusDays(daysAgo),
                "Ada",
                EarPlace.HEADPHONES,
                new TakenLesson.Subject(DESIGN.song().title(), "", ret),
                kind,
                outcome);
    }

    private static Outcome.Heard heard(double spread) {
        return new Outcome.Heard(2, 2 / spread, 2 * spread, 30);
    }

    @Test
    void whatWasNeverAskedComesFirstEachOfAnotherKind() {
        List<DailyWalk.Stop> walk = DailyWalk.choose(DESIGN, List.of(), TODAY);
        assertThat(walk).hasSize(DailyWalk.LESSONS);
        assertThat(walk).extracting(DailyWalk.Stop::kind).doesNotHaveDuplicates();
        assertThat(walk).extracting(DailyWalk.Stop::returnId).contains("A", "B");
        assertThat(walk).allMatch(s -> s.last().isEmpty());
    }

    @Test
    void whatIsLongestAgoAndWhatIsLeastSureComeNext() {
        List<TakenLesson> mine = new ArrayList<>();
        for (LessonKind kind : LessonKind.values()) {
            for (var r : DESIGN.returns()) {
                mine.add(taken(r.name(), kind, 3, heard(1.2)));
            }
        }
        mine.add(0, taken("Hall A", LessonKind.DECAY, 60, heard(3)));
        mine.add(taken("Echo B", LessonKind.DRIVE, 2, heard(2.5)));
        mine.replaceAll(l ->
                l.kind() == LessonKind.PREDELAY && l.heard().returnName().equals("Hall A")
                        ? taken("Hall A", LessonKind.PREDELAY, 40, heard(1.1))
                        : l);
        List<DailyWalk.Stop> walk = DailyWalk.choose(DESIGN, mine, TODAY);
        assertThat(walk.get(0))
                .isEqualTo(new DailyWalk.Stop("A", LessonKind.PREDELAY, Optional.of(heard(1.1))));
        // The wide spread of 60 days ago was narrowed since.
        assertThat(walk.get(1))
                .isEqualTo(new DailyWalk.Stop("B", LessonKind.DRIVE, Optional.of(heard(2.5))));
        assertThat(walk.get(2).kind()).isNotIn(LessonKind.PREDELAY, LessonKind.DRIVE);
    }

    @Test
    void aLessonOfAnotherSongOrWithoutAThresholdSaysNothingOfThis() {
        TakenLesson other =
                new TakenLesson(
                        TODAY,
                        "Ada",
                        EarPlace.HEADPHONES,
                        new TakenLesson.Subject("Another", "", "Hall A"),
                        LessonKind.LEVEL,
                        heard(1.2));
        TakenLesson unsure = taken("Hall A", LessonKind.LEVEL, 0, new Outcome.Unsure(40));
        assertThat(DailyWalk.choose(DESIGN, List.of(other), TODAY).getFirst().last()).isEmpty();
        assertThat(DailyWalk.choose(DESIGN, List.of(unsure), TODAY))
                .extracting(s -> s.returnId() + s.kind())
                .doesNotContain("A" + LessonKind.LEVEL)
                .hasSize(3);
        assertThat(DailyWalk.choose(DESIGN.withReturns(List.of()), List.of(), TODAY)).isEmpty();
        assertThat(Arrays.stream(LessonKind.values())).hasSizeGreaterThan(DailyWalk.LESSONS);
    }
}

package orbispace.core.ears;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TakenLessonTest {
    private static String words(LessonKind kind, String section, Outcome outcome) {
        return new TakenLesson(
                        LocalDate.of(2026, 12, 1),
                        "Ada",
                        EarPlace.HEADPHONES,
                        new TakenLesson.Subject("Harbour at Low Tide", section, "Long pier"),
                        kind,
                        outcome)
                .words();
    }

    @Test
    void whatCameOutIsSaidInPlainWords() {
        assertThat(words(LessonKind.LEVEL, "Chorus 1", new Outcome.Heard(1.4123, 1.02, 1.93, 34)))
                .isEqualTo("you hear 1.4 dB more level of Long pier in Chorus 1 (1.0 to 1.9)");
        assertThat(words(LessonKind.PREDELAY, "", new Outcome.Heard(18.3, 12.2, 27.5, 34)))
                .isEqualTo("you hear 18 ms more predelay of Long pier (12 to 28)");
        assertThat(words(LessonKind.DECAY, "", new Outcome.Heard(64, 41, 100, 34)))
                .isEqualTo("you hear 60 % more decay of Long pier (40 to 100)");
        assertThat(words(LessonKind.ECHO_TIME, "", new Outcome.NotHeard(16, 9)))
                .isEqualTo("you do not hear 16 % more echo time of Long pier");
        assertThat(words(LessonKind.DRIVE, "", new Outcome.Unsure(40)))
                .isEqualTo("nothing sure came out for drive of Long pier");
    }

    @ParameterizedTest
    @CsvSource({
        "1.4123, 0.3, 1.4",
        "1.4123, 0.02, 1.41",
        "1.4123, 1.2, 1",
        "147, 30, 150",
        "147, 9, 147",
        "0.0237, 0.004, 0.024"
    })
    void noMoreDigitsAreShownThanTheSpreadAllows(double value, double spread, String shown) {
        assertThat(TakenLesson.rounded(value, spread)).isEqualTo(shown);
    }

    @Test
    void somebodyTookIt() {
        assertThatIllegalArgumentException()
                .isThrownBy(() ->
                        new TakenLesson(
                                LocalDate.of(2026, 12, 1),
                                " ",
                                EarPlace.HEADPHONES,
                                new TakenLesson.Subject("a", "", "b"),
                                LessonKind.LEVEL,
                                new Outcome.Unsure(40)));
    }
}

package orbispace.files.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Outcome;
import orbispace.core.ears.Predicted;
import orbispace.core.ears.TakenLesson;
import orbispace.files.FileProblem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EarsFileTest {
    @TempDir Path folder;

    private static TakenLesson lesson(LessonKind kind, Outcome outcome) {
        return new TakenLesson(
                LocalDate.of(2026, 12, 1),
                "Ada, at the mole",
                EarPlace.LOUDSPEAKERS,
                new TakenLesson.Subject("Harbour at Low Tide", "Chorus 1", "Long pier"),
                kind,
                outcome);
    }

    private static List<TakenLesson> three() {
        return List.of(
                lesson(LessonKind.LEVEL, new Outcome.Heard(1.4123, 1.02, 1.93, 34))
                        .beside(new Predicted(OptionalDouble.of(2.1), -1.75)),
                lesson(LessonKind.ECHO_TIME, new Outcome.NotHeard(16, 9))
                        .beside(new Predicted(OptionalDouble.empty(), -8.5)),
                lesson(LessonKind.LOW_PASS, new Outcome.Unsure(40)));
    }

    @Test
    void lessonsComeBackAsTheyWere() throws FileProblem {
        Path file = folder.resolve("own" + EarsFile.SUFFIX);
        EarsFile.write(file, three());
        assertThat(EarsFile.read(file)).isEqualTo(three());
    }

    @Test
    void aTableHasARowForEachLessonAndQuotesWhatHoldsCommas() {
        List<String> lines = EarsFile.table(three()).lines().toList();
        assertThat(lines).hasSize(4);
        assertThat(lines.get(0)).startsWith("day,engineer,place,song");
        assertThat(lines.get(1))
                .isEqualTo(
                        "2026-12-01,\"Ada, at the mole\",loudspeakers,Harbour at Low Tide,Chorus 1,"
                                + "Long pier,level,dB,heard,1.4123,1.02,1.93,,34,2.1,-1.75");
        assertThat(lines.get(2)).endsWith("echo time,%,not heard,,,,16.0,9,,-8.5");
        assertThat(lines.get(3)).endsWith("unsure,,,,,40,,");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
                    "kind" : "level"      | "kind" : "sparkle"  | kind "sparkle" is not known
                    "answers" : 34        | "answers" : 41      | "answers" 41
                    "day" : "2026-12-01"  | "day" : "yesterday" | yesterday
                    "outcome" : "heard"   | "outcome" : "felt"  | outcome "felt" is not known
                    "place" : "loudspeakers" | "place" : "barge" | place "barge" is not known
                    "orbispaceEars" : 1   | "orbispaceEars" : 9 | of a version up to 1
                    """)
    void whatIsWrongIsSaidInOneLine(String right, String wrong, String said)
            throws IOException, FileProblem {
        Path file = folder.resolve("own" + EarsFile.SUFFIX);
        EarsFile.write(file, three().subList(0, 1));
        String text = Files.readString(file);
        assertThat(text).contains(right);
        Files.writeString(file, text.replace(right, wrong));
        assertThatThrownBy(() -> EarsFile.read(file))
                .isInstanceOf(FileProblem.class)
                .hasMessageContaining(said)
                .hasMessageNotContaining("\n");
    }
}

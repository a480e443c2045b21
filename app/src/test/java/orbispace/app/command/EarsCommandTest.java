package orbispace.app.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Predicted;
import orbispace.core.ears.TakenLesson;
import orbispace.files.FileProblem;
import orbispace.files.project.EarsFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class EarsCommandTest extends CommandCase {
    private String file = "";

    @BeforeEach
    void write() throws FileProblem {
        Path to = folder.resolve("two" + EarsFile.SUFFIX);
        EarsFile.write(
                to,
                List.of(
                        lesson(
                                "Ada",
                                EarPlace.HEADPHONES,
                                new orbispace.core.ears.Outcome.Heard(1.44, 1.1, 1.9, 36)),
                        lesson(
                                "Bo",
                                EarPlace.LOUDSPEAKERS,
                                new orbispace.core.ears.Outcome.NotHeard(12, 7))));
        file = to.toString();
    }

    private static TakenLesson lesson(
            String engineer, EarPlace place, orbispace.core.ears.Outcome outcome) {
        return new TakenLesson(
                LocalDate.of(2026, 12, 1),
                engineer,
                place,
                new TakenLesson.Subject("Harbour at Low Tide", "Chorus 1", "Long pier"),
                LessonKind.LEVEL,
                outcome);
    }

    @Test
    void lessonsAreShownInWordsAndAsOneDocument() {
        assertThat(run("ears", "show", file).out().lines())
                .containsExactly(
                        "2026-12-01  Ada, headphones  Harbour at Low Tide: you hear 1.4 dB more"
                                + " level of Long pier in Chorus 1 (1.1 to 1.9)",
                        "2026-12-01  Bo, loudspeakers  Harbour at Low Tide: you do not hear 12 dB"
                                + " more level of Long pier in Chorus 1");
        JsonNode one = run("ears", "show", file, "--engineer", "ada", "--json").json();
        assertThat(one.path("lessons")).hasSize(1);
        JsonNode lesson = one.path("lessons").get(0);
        assertThat(lesson.path("difference").asDouble()).isEqualTo(1.44);
        assertThat(lesson.path("unit").asString()).isEqualTo("dB");
        assertThat(lesson.path("words").asString()).startsWith("you hear 1.4 dB");
        assertThat(run("ears", "show", file, "--place", "loudspeakers").out().lines()).hasSize(1);
        assertThat(run("ears", "show", file, "--engineer", "Cy").out())
                .contains("no lesson was taken yet");
    }

    @Test
    void bordersAreShownFromTwelveLessonsOn() throws FileProblem {
        List<TakenLesson> many = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            many.add(
                    lesson(
                                    "Ada",
                                    EarPlace.HEADPHONES,
                                    new orbispace.core.ears.Outcome.Heard(1.44, 1.1, 1.9, 36))
                            .beside(new Predicted(OptionalDouble.of(2.1), i / 2.0 - 5)));
        }
        Path to = folder.resolve("many" + EarsFile.SUFFIX);
        EarsFile.write(to, many);
        List<String> lines = run("ears", "show", to.toString()).out().lines().toList();
        assertThat(lines).hasSize(13);
        assertThat(lines.getFirst()).endsWith("(1.1 to 1.9); the model expects 2.1 dB");
        assertThat(lines.getLast())
                .isEqualTo(
                        "borders by the ears of Ada, headphones, \u22122.3 dB (\u22124.0 to"
                                + " \u22120.5); 12 lessons");
        JsonNode json = run("ears", "show", to.toString(), "--json").json();
        assertThat(json.path("borders").get(0).path("offsetDb").asDouble()).isEqualTo(-2.25);
        assertThat(json.path("lessons").get(3).path("offsetDb").asDouble()).isEqualTo(-3.5);
        EarsFile.write(to, many.subList(0, 11));
        assertThat(run("ears", "show", to.toString(), "--json").json().path("borders")).isEmpty();
    }

    @Test
    void lessonsAreExportedAsTableAndAsJson() throws IOException, FileProblem {
        Path table = folder.resolve("out.csv");
        assertThat(run("ears", "export", file, "--out", table.toString()).status()).isZero();
        assertThat(Files.readAllLines(table)).hasSize(3);
        Path json = folder.resolve("out.json");
        JsonNode said = run("ears", "export", file, "--out", json.toString(), "--json").json();
        assertThat(said.path("lessons").asInt()).isEqualTo(2);
        assertThat(EarsFile.read(json)).isEqualTo(EarsFile.read(Path.of(file)));
        assertOneLine(run("ears", "export", file, "--out", json.toString()), 1, "there already");
        String text = folder.resolve("out.txt").toString();
        assertOneLine(run("ears", "export", file, "--out", text), 2, ".csv", ".json");
    }

    @Test
    void whatIsWrongIsOneLine() throws IOException {
        assertOneLine(run("ears"), 2, "show or export");
        assertOneLine(run("ears", "show", file, "--place", "barge"), 2, "headphones");
        assertOneLine(run("ears", "show", folder.resolve("none").toString()), 1, "none");
        Path other = folder.resolve("other.json");
        Files.writeString(other, "{\"orbispaceBank\": 1}");
        assertOneLine(run("ears", "show", other.toString()), 1, "no file of lessons");
        Files.writeString(other, "not JSON");
        assertOneLine(run("ears", "show", other.toString()), 1, "is no JSON");
    }
}

package orbispace.files.project;

import static orbispace.files.project.JsonFields.labelled;
import static orbispace.files.project.JsonFields.number;
import static orbispace.files.project.JsonFields.text;
import static orbispace.files.project.JsonFields.whole;

import java.io.IOException;
import java.io.StringWriter;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Outcome;
import orbispace.core.ears.Predicted;
import orbispace.core.ears.Staircase;
import orbispace.core.ears.TakenLesson;
import orbispace.files.FileProblem;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The lessons that were taken, of every engineer and place, in one open JSON file. */
public final class EarsFile {
    /** What such files are called. */
    public static final String SUFFIX = ".orbispace-ears.json";

    private static final int VERSION = 1;
    private static final String HEARD = "heard";
    private static final String NOT_HEARD = "not heard";
    private static final String UNSURE = "unsure";

    private EarsFile() {}

    /**
     * Reads lessons, in the order in which they were taken.
     *
     * @throws FileProblem in one line that names the lesson at fault
     */
    public static List<TakenLesson> read(Path file) throws FileProblem {
        JsonNode root = OwnJson.read(file, "file of lessons", "orbispaceEars", VERSION);
        List<TakenLesson> lessons = new ArrayList<>();
        for (JsonNode n : root.path("lessons")) {
            try {
                lessons.add(lesson(n));
            } catch (IllegalArgumentException | DateTimeException e) {
                throw new FileProblem(
                        file + ": lessons[" + lessons.size() + "]: " + e.getMessage(), e);
            }
        }
        return lessons;
    }

    private static TakenLesson lesson(JsonNode n) {
        return new TakenLesson(
                LocalDate.parse(text(n, "day")),
                text(n, "engineer"),
                labelled(n, "place", EarPlace.values(), EarPlace::label),
                new TakenLesson.Subject(text(n, "song"), text(n, "section", ""), text(n, "return")),
                labelled(n, "kind", LessonKind.values(), LessonKind::label),
                outcome(n),
                predicted(n));
    }

    private static Optional<Predicted> predicted(JsonNode n) {
        if (!n.has("offsetDb")) {
            return Optional.empty();
        }
        return Optional.of(
                new Predicted(
                        n.has("predicted")
                                ? OptionalDouble.of(number(n, "predicted"))
                                : OptionalDouble.empty(),
                        number(n, "offsetDb")));
    }

    private static Outcome outcome(JsonNode n) {
        int answers = whole(n, "answers", 1, Staircase.MOST_ANSWERS);
        String told = text(n, "outcome");
        return switch (told) {
            case HEARD ->
                    new Outcome.Heard(
                            number(n, "difference"), number(n, "low"), number(n, "high"), answers);
            case NOT_HEARD -> new Outcome.NotHeard(number(n, "greatest"), answers);
            case UNSURE -> new Outcome.Unsure(answers);
            default -> throw new IllegalArgumentException("outcome \"" + told + "\" is not known");
        };
    }

    /** Writes lessons: beside their place first, then over it. */
    public static void write(Path file, List<TakenLesson> lessons) throws FileProblem {
        OwnJson.write(file, document(lessons));
    }

    /** The lessons as the file holds them. */
    public static ObjectNode document(List<TakenLesson> lessons) {
        ObjectNode root = OwnJson.JSON.createObjectNode().put("orbispaceEars", VERSION);
        ArrayNode all = root.putArray("lessons");
        for (TakenLesson l : lessons) {
            ObjectNode n =
                    all.addObject()
                            .put("day", l.day().toString())
                            .put("engineer", l.engineer())
                            .put("place", l.place().label())
                            .put("song", l.heard().song())
                            .put("section", l.heard().section())
                            .put("return", l.heard().returnName())
                            .put("kind", l.kind().label());
            put(n, l.outcome());
            l.predicted()
                    .ifPresent(p -> {
                        p.difference().ifPresent(d -> n.put("predicted", d));
                        n.put("offsetDb", p.offsetDb());
                    });
        }
        return root;
    }

    private static void put(ObjectNode n, Outcome outcome) {
        switch (outcome) {
            case Outcome.Heard h ->
                    n.put("outcome", HEARD)
                            .put("difference", h.difference())
                            .put("low", h.low())
                            .put("high", h.high());
            case Outcome.NotHeard m -> n.put("outcome", NOT_HEARD).put("greatest", m.greatest());
            case Outcome.Unsure u -> n.put("outcome", UNSURE);
        }
        n.put("answers", outcome.answers());
    }

    /** The lessons as a table with a head, one row each. */
    public static String table(List<TakenLesson> lessons) {
        List<String> head =
                List.of(
                        "day",
                        "engineer",
                        "place",
                        "song",
                        "section",
                        "return",
                        "kind",
                        "unit",
                        "outcome",
                        "difference",
                        "low",
                        "high",
                        "greatest",
                        "answers",
                        "predicted",
                        "offsetDb");
        StringWriter out = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(out, CSVFormat.RFC4180)) {
            csv.printRecord(head);
            List<JsonNode> rows = new ArrayList<>();
            document(lessons).path("lessons").forEach(rows::add);
            for (int i = 0; i < rows.size(); i++) {
                String unit = lessons.get(i).kind().unit();
                JsonNode row = rows.get(i);
                csv.printRecord(
                        head.stream()
                                .map(k -> k.equals("unit") ? unit : row.path(k).asString(""))
                                .toList());
            }
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return out.toString();
    }
}

package orbispace.files.project;

import static orbispace.files.project.JsonFields.object;
import static orbispace.files.project.JsonFields.text;

import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import orbispace.core.design.Design;
import orbispace.core.prove.log.LogEntry;
import orbispace.core.prove.log.LogMeasures;
import orbispace.core.prove.log.Logbook;
import orbispace.core.prove.log.Snapshot;
import orbispace.files.FileProblem;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Snapshots and the log in JSON. */
final class LogJson {
    private LogJson() {}

    static Logbook read(Path file, JsonNode root) throws FileProblem {
        List<Snapshot> snapshots = new ArrayList<>();
        for (JsonNode n : root.path("snapshots")) {
            try {
                Design design = new ProjectReader(file).design(object(n, "design"));
                snapshots.add(
                        new Snapshot(
                                text(n, "name"),
                                n.path("note").asString(""),
                                instant(n),
                                design,
                                measures(n.path("measures"))));
            } catch (IllegalArgumentException e) {
                throw new FileProblem(
                        file + ": snapshots[" + snapshots.size() + "]: " + e.getMessage(), e);
            }
        }
        List<LogEntry> entries = new ArrayList<>();
        for (JsonNode n : root.path("log")) {
            try {
                entries.add(
                        new LogEntry(
                                instant(n),
                                text(n, "what"),
                                n.path("from").asString(""),
                                n.path("to").asString(""),
                                n.path("why").asString(""),
                                measures(n.path("before")),
                                measures(n.path("after"))));
            } catch (IllegalArgumentException e) {
                throw new FileProblem(file + ": log[" + entries.size() + "]: " + e.getMessage(), e);
            }
        }
        try {
            return new Logbook(snapshots, entries);
        } catch (IllegalArgumentException e) {
            throw new FileProblem(file + ": snapshots: " + e.getMessage(), e);
        }
    }

    private static Instant instant(JsonNode n) {
        String when = text(n, "when");
        try {
            return Instant.parse(when);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException("\"" + when + "\" is no time", e);
        }
    }

    private static LogMeasures measures(JsonNode n) {
        return new LogMeasures(
                optional(n, "integratedLufs"),
                optional(n, "truePeakDbtp"),
                optional(n, "presenceKept"));
    }

    private static OptionalDouble optional(JsonNode n, String field) {
        return n.path(field).isNumber()
                ? OptionalDouble.of(n.path(field).asDouble())
                : OptionalDouble.empty();
    }

    /** Writes a logbook into a project. */
    static void write(ObjectNode root, Logbook log) {
        root.remove(List.of("snapshots", "log"));
        if (!log.snapshots().isEmpty()) {
            ArrayNode all = root.putArray("snapshots");
            for (Snapshot s : log.snapshots()) {
                ObjectNode n =
                        all.addObject()
                                .put("name", s.name())
                                .put("note", s.note())
                                .put("when", s.made().toString());
                write(n.putObject("measures"), s.measures());
                ObjectNode design = n.putObject("design");
                ProjectWriter.write(design, s.design());
                design.remove("orbispace");
            }
        }
        if (!log.entries().isEmpty()) {
            ArrayNode all = root.putArray("log");
            for (LogEntry e : log.entries()) {
                ObjectNode n =
                        all.addObject()
                                .put("when", e.when().toString())
                                .put("what", e.what())
                                .put("from", e.from())
                                .put("to", e.to())
                                .put("why", e.why());
                write(n.putObject("before"), e.before());
                write(n.putObject("after"), e.after());
            }
        }
    }

    private static void write(ObjectNode n, LogMeasures m) {
        m.integratedLufs().ifPresent(v -> n.put("integratedLufs", v));
        m.truePeakDbtp().ifPresent(v -> n.put("truePeakDbtp", v));
        m.presenceKept().ifPresent(v -> n.put("presenceKept", v));
    }

    /** The same logbook with its designs changed, such as for another folder. */
    static Logbook moved(Logbook log, UnaryOperator<Design> move) {
        return new Logbook(
                log.snapshots().stream()
                        .map(s ->
                                new Snapshot(
                                        s.name(),
                                        s.note(),
                                        s.made(),
                                        move.apply(s.design()),
                                        s.measures()))
                        .toList(),
                log.entries());
    }
}

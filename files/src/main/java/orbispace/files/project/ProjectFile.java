package orbispace.files.project;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.function.UnaryOperator;
import orbispace.core.design.Design;
import orbispace.core.prove.log.Logbook;
import orbispace.files.AtomicFile;
import orbispace.files.FileProblem;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A project on disk: one readable JSON file beside its audio. Fields that this version does not
 * know are kept when it is saved again.
 */
public final class ProjectFile {
    /** What project files are called. */
    public static final String SUFFIX = ".orbispace.json";

    /** The version of the format that is written. */
    public static final int VERSION = 3;

    private static final String REFERENCES = "references";
    private static final String STATE_OF = "stateOf";
    private static final String LOG_MARK = "orbispaceLog";
    private static final String LOG_OF = "continues";
    private static final long MOST_BYTES = 50_000_000;
    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private final Design design;
    private final Logbook log;
    private final ObjectNode document;
    private final String digest;
    private final String logDigest;

    private ProjectFile(
            Design design, Logbook log, ObjectNode document, String digest, String logDigest) {
        this.design = design;
        this.log = log;
        this.document = document;
        this.digest = digest;
        this.logDigest = logDigest;
    }

    private static ProjectFile inFile(
            Design design, Logbook log, ObjectNode document, byte[] bytes) {
        return new ProjectFile(design, log, document, digest(bytes), digest(text(logOf(log))));
    }

    private static ObjectNode logOf(Logbook log) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        LogJson.write(node, log);
        return node;
    }

    private static String digest(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    /** A project that is not yet on disk. */
    public static ProjectFile of(Design design) {
        return new ProjectFile(
                design, Logbook.EMPTY, JsonNodeFactory.instance.objectNode(), "", "");
    }

    /** All that a design says, as one text that is the same for the same design alone. */
    public static String contentOf(Design design) {
        ObjectNode node = JsonNodeFactory.instance.objectNode();
        ProjectWriter.write(node, design);
        return node.toString();
    }

    /** The design it holds. */
    public Design design() {
        return design;
    }

    /** Its snapshots and log. */
    public Logbook logbook() {
        return log;
    }

    /** The same with another logbook, to be written. */
    public ProjectFile withLogbook(Logbook other) {
        ObjectNode changed = document.deepCopy();
        LogJson.write(changed, other);
        return new ProjectFile(design, other, changed, digest, logDigest);
    }

    /** Finished tracks that its mix is held against: files, relative to it or absolute. */
    public List<String> references() {
        List<String> files = new ArrayList<>();
        document.path(REFERENCES).forEach(n -> files.add(n.asString("")));
        return files;
    }

    /** The same with other finished tracks, to be written. */
    public ProjectFile withReferences(List<String> files) {
        ObjectNode changed = document.deepCopy();
        changed.remove(REFERENCES);
        if (!files.isEmpty()) {
            ArrayNode all = changed.putArray(REFERENCES);
            files.forEach(all::add);
        }
        return new ProjectFile(design, log, changed, digest, logDigest);
    }

    /** The same with the designs of its snapshots changed, such as for another folder. */
    public ProjectFile withSnapshots(UnaryOperator<Design> move) {
        return log.snapshots().isEmpty() ? this : withLogbook(LogJson.moved(log, move));
    }

    /**
     * Reads a project.
     *
     * @throws FileProblem in one line that names the field at fault
     */
    public static ProjectFile read(Path file) throws FileProblem {
        byte[] bytes = bytes(file);
        ObjectNode object = object(file, bytes, "orbispace", "project");
        for (JsonNode reference : object.path(REFERENCES)) {
            try {
                JsonFields.path(reference.asString(""), "reference track");
            } catch (IllegalArgumentException e) {
                throw new FileProblem(file + ": references: " + e.getMessage(), e);
            }
        }
        try {
            int version = object.path("orbispace").asInt(0);
            if (version < 1 || version > VERSION) {
                throw new FileProblem(
                        file
                                + ": has format version "
                                + object.path("orbispace").asString("?")
                                + "; this program knows up to "
                                + VERSION);
            }
            migrate(object);
            return inFile(
                    new ProjectReader(file).design(object),
                    LogJson.read(file, object),
                    object,
                    bytes);
        } catch (JacksonException e) {
            throw unreadable(file, e);
        }
    }

    private static byte[] bytes(Path file) throws FileProblem {
        if (!Files.isRegularFile(file)) {
            throw FileProblem.reading(file, new IOException("not a regular file"));
        }
        try {
            if (Files.size(file) > MOST_BYTES) {
                throw new FileProblem(file + ": is too large for a project");
            }
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw FileProblem.reading(file, e);
        }
    }

    private static ObjectNode object(Path file, byte[] bytes, String mark, String kind)
            throws FileProblem {
        try {
            JsonNode root = JSON.readTree(bytes);
            if (!(root instanceof ObjectNode object) || !object.has(mark)) {
                throw new FileProblem(file + ": is not an Orbispace " + kind);
            }
            return object;
        } catch (JacksonException e) {
            throw unreadable(file, e);
        }
    }

    private static FileProblem unreadable(Path file, JacksonException e) {
        var place = e.getLocation();
        String where = place == null ? "" : " near line " + place.getLineNr();
        return new FileProblem(
                file + ": is not readable JSON" + where + "; restore an earlier version", e);
    }

    /** Writes a design as a state of this project that is not saved yet. */
    void writeState(Path file, Design changed) throws FileProblem {
        ObjectNode merged = document.deepCopy();
        ProjectWriter.write(merged, changed);
        merged.put(STATE_OF, digest);
        AtomicFile.write(file, temporary -> Files.write(temporary, text(merged)));
    }

    /** Whether this is a state of a project as it is in its file. */
    boolean isStateOf(ProjectFile saved) {
        return document.path(STATE_OF).asString("").equals(saved.digest);
    }

    /** What the log was in the file; equal logs have equal digests. */
    String logDigest() {
        return logDigest;
    }

    /** A log that was read from a journal, with the digest of the log that it continues. */
    record Log(Logbook book, String of) {}

    /** Writes the log alone. */
    void writeLog(Path file) throws FileProblem {
        ObjectNode journal = logOf(log);
        journal.put(LOG_MARK, VERSION).put(LOG_OF, logDigest);
        AtomicFile.write(file, temporary -> Files.write(temporary, text(journal)));
    }

    /** Reads a log that was written alone. */
    static Log readLog(Path file) throws FileProblem {
        ObjectNode object = object(file, bytes(file), LOG_MARK, "log");
        return new Log(LogJson.read(file, object), object.path(LOG_OF).asString(""));
    }

    /** Writes a changed design over the document that was read, unknown fields kept. */
    public ProjectFile write(Path file, Design changed) throws FileProblem {
        ObjectNode merged = document.deepCopy();
        ProjectWriter.write(merged, changed);
        byte[] bytes = text(merged);
        AtomicFile.write(file, temporary -> Files.write(temporary, bytes));
        return inFile(changed, log, merged, bytes);
    }

    /** Writes like {@link #write}, and keeps what stood in the file beside it. */
    public ProjectFile save(Path file, Design changed) throws FileProblem {
        if (Files.isRegularFile(file)) {
            AtomicFile.write(
                    previousOf(file),
                    temporary -> Files.copy(file, temporary, StandardCopyOption.REPLACE_EXISTING));
        }
        return write(file, changed);
    }

    /** Where the version before the last save is kept. */
    public static Path previousOf(Path project) {
        String name = String.valueOf(project.getFileName());
        return project.resolveSibling(name.replaceFirst("\\.json$", "") + ".previous.json");
    }

    /** Brings a document of an earlier version to what this one reads. */
    private static void migrate(ObjectNode document) {
        if (document.path("orbispace").asInt(0) == 1) {
            // Version 2 lays stems into the song and says where bar 1 is; before, all lay at 0.
            if (document.path("song") instanceof ObjectNode song && !song.has("barOneSeconds")) {
                song.put("barOneSeconds", 0);
            }
            document.put("orbispace", 2);
        }
        // Version 3 only adds what version 2 has none of.
        document.put("orbispace", VERSION);
    }

    private static byte[] text(ObjectNode merged) {
        return (JSON.writeValueAsString(merged) + "\n")
                .getBytes(java.nio.charset.StandardCharsets.UTF_8);
    }
}

package orbispace.files.project;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import orbispace.files.FileProblem;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * JSON files that belong to an engineer and not to one song: read by version, never half written.
 */
final class OwnJson {
    static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private OwnJson() {}

    /**
     * Reads a file.
     *
     * @param what what it should be, in words
     * @param key under which its version stands
     * @param version the newest that is known
     * @throws FileProblem in one line if it is not that
     */
    static JsonNode read(Path file, String what, String key, int version) throws FileProblem {
        JsonNode root;
        try {
            root = JSON.readTree(Files.readAllBytes(file));
        } catch (IOException e) {
            throw FileProblem.reading(file, e);
        } catch (JacksonException e) {
            throw new FileProblem(file + ": is no JSON; choose a " + what, e);
        }
        int found = root.path(key).asInt(0);
        if (found < 1 || found > version) {
            throw new FileProblem(
                    file
                            + ": is no "
                            + what
                            + " of a version up to "
                            + version
                            + "; choose another file");
        }
        return root;
    }

    /** Writes a file: beside its place first, then over it. */
    static void write(Path file, JsonNode root) throws FileProblem {
        try {
            Path parent = file.toAbsolutePath().getParent();
            if (parent != null) {
                Files.createDirectories(parent);
            }
            Path beside = file.resolveSibling(file.getFileName() + ".part");
            Files.writeString(beside, JSON.writeValueAsString(root) + "\n");
            Files.move(
                    beside,
                    file,
                    StandardCopyOption.REPLACE_EXISTING,
                    StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw FileProblem.writing(file, e);
        }
    }
}

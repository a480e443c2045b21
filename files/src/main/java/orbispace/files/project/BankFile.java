package orbispace.files.project;

import static orbispace.files.project.JsonFields.list;
import static orbispace.files.project.JsonFields.text;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.bank.BankEntry;
import orbispace.files.FileProblem;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Banks on disk: readable JSON files of returns and fields, kept as what they mean. */
public final class BankFile {
    /** What banks are called. */
    public static final String SUFFIX = ".orbispace-bank.json";

    private static final int VERSION = 1;
    private static final String OURS = "starting-points.orbispace-bank.json";

    private BankFile() {}

    /** The starting points that ship with the program. */
    public static List<BankEntry> startingPoints() {
        try (InputStream in = BankFile.class.getResourceAsStream(OURS)) {
            if (in == null) {
                throw new IllegalStateException("the starting points are not there");
            }
            return entries(OwnJson.JSON.readTree(in));
        } catch (IOException e) {
            throw new IllegalStateException("the starting points cannot be read", e);
        }
    }

    /**
     * Reads a bank.
     *
     * @throws FileProblem in one line that names the entry at fault
     */
    public static List<BankEntry> read(Path file) throws FileProblem {
        JsonNode root = OwnJson.read(file, "bank", "orbispaceBank", VERSION);
        try {
            return entries(root);
        } catch (IllegalArgumentException e) {
            throw new FileProblem(file + ": " + e.getMessage(), e);
        }
    }

    private static List<BankEntry> entries(JsonNode root) {
        List<BankEntry> entries = new ArrayList<>();
        int index = 0;
        for (JsonNode n : root.path("entries")) {
            try {
                List<orbispace.core.bank.Relations> returns = new ArrayList<>();
                for (JsonNode r : list(n, "returns")) {
                    returns.add(RelationsJson.read(r));
                }
                entries.add(new BankEntry(text(n, "name"), text(n, "from", ""), returns));
            } catch (IllegalArgumentException e) {
                throw new IllegalArgumentException("entries[" + index + "]: " + e.getMessage(), e);
            }
            index++;
        }
        return entries;
    }

    /** The entry of a name, whatever its case. */
    public static Optional<BankEntry> find(List<BankEntry> entries, String name) {
        return entries.stream().filter(e -> e.name().equalsIgnoreCase(name.strip())).findFirst();
    }

    /** Writes a bank: beside its place first, then over it. */
    public static void write(Path file, List<BankEntry> entries) throws FileProblem {
        OwnJson.write(file, document(entries));
    }

    private static ObjectNode document(List<BankEntry> entries) {
        ObjectNode root = OwnJson.JSON.createObjectNode().put("orbispaceBank", VERSION);
        ArrayNode all = root.putArray("entries");
        for (BankEntry e : entries) {
            ObjectNode n = all.addObject().put("name", e.name()).put("from", e.from());
            ArrayNode returns = n.putArray("returns");
            e.returns().forEach(r -> RelationsJson.write(returns.addObject(), r));
        }
        return root;
    }
}

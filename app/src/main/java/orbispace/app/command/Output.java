package orbispace.app.command;

import java.io.PrintStream;
import java.util.OptionalDouble;
import orbispace.core.design.HearingLevel;
import orbispace.core.hearing.Borders;
import orbispace.core.words.Wording;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** What a command prints: lines for people, or one JSON document. */
final class Output {
    private static final JsonMapper JSON =
            JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private final PrintStream out;
    private final PrintStream err;
    private final boolean json;

    Output(PrintStream out, PrintStream err, boolean json) {
        this.out = out;
        this.err = err;
        this.json = json;
    }

    static ObjectNode object() {
        return JsonNodeFactory.instance.objectNode();
    }

    /** Puts a number, or null where there is none or it is not finite. */
    static void put(ObjectNode node, String name, OptionalDouble value) {
        if (value.isPresent()) {
            put(node, name, value.getAsDouble());
        } else {
            node.putNull(name);
        }
    }

    /** Puts a number, or null where it is not finite. */
    static void put(ObjectNode node, String name, double value) {
        if (Double.isFinite(value)) {
            node.put(name, value);
        } else {
            node.putNull(name);
        }
    }

    /** Prints the document if JSON is asked for, else runs the lines. */
    void print(ObjectNode document, Runnable lines) {
        if (json) {
            out.println(JSON.writeValueAsString(document));
        } else {
            lines.run();
        }
    }

    /**
     * The same, with by whose ears states are told, if not by the model's: one more key and line.
     */
    void print(ObjectNode document, HearingLevel hearing, Runnable lines) {
        Borders borders = hearing.borders();
        if (borders.own()) {
            document.put("borders", borders.words());
        }
        print(
                document,
                () -> {
                    lines.run();
                    if (borders.own()) {
                        line("states told with %s", borders.words());
                    }
                });
    }

    /** The same, with the material for which it holds: one more key, or one more line. */
    void print(ObjectNode document, Runnable lines, String holdsFor) {
        document.put("holdsFor", holdsFor);
        print(
                document,
                () -> {
                    lines.run();
                    line("holds for %s", holdsFor);
                });
    }

    void line(String format, Object... values) {
        out.println(Wording.format(format, values));
    }

    /** A note beside the result, on standard error. */
    void note(String text) {
        err.println(text);
    }
}

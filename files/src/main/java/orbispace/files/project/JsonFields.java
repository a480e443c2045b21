package orbispace.files.project;

import java.nio.file.Path;
import java.util.function.Function;
import tools.jackson.databind.JsonNode;

/** Fields of a JSON object; what is missing or of the wrong kind is said by name. */
final class JsonFields {
    private static final int LONGEST_PATH = 4000;

    private JsonFields() {}

    /** One of an enum's values by its label. */
    static <T> T labelled(JsonNode parent, String name, T[] values, Function<T, String> label) {
        String text = text(parent, name);
        for (T value : values) {
            if (label.apply(value).equals(text)) {
                return value;
            }
        }
        throw new IllegalArgumentException(name + " \"" + text + "\" is not known");
    }

    static String text(JsonNode parent, String name, String otherwise) {
        return parent.has(name) ? text(parent, name) : otherwise;
    }

    static JsonNode object(JsonNode parent, String name) {
        JsonNode n = parent.path(name);
        if (!n.isObject()) {
            throw new IllegalArgumentException("\"" + name + "\" is missing");
        }
        return n;
    }

    static JsonNode list(JsonNode parent, String name) {
        JsonNode n = parent.path(name);
        if (!n.isArray()) {
            throw new IllegalArgumentException("the list \"" + name + "\" is missing");
        }
        return n;
    }

    static double number(JsonNode parent, String name) {
        JsonNode n = parent.path(name);
        if (!n.isNumber()) {
            throw new IllegalArgumentException("\"" + name + "\" is not a number");
        }
        return n.asDouble();
    }

    static double number(JsonNode parent, String name, double otherwise) {
        return parent.has(name) ? number(parent, name) : otherwise;
    }

    /** A whole number within a range. */
    static int whole(JsonNode parent, String name, int low, int high) {
        double value = number(parent, name);
        if (value != Math.rint(value) || value < low || value > high) {
            throw new IllegalArgumentException(
                    "\""
                            + name
                            + "\" "
                            + value
                            + " is no whole number from "
                            + low
                            + " to "
                            + high);
        }
        return (int) value;
    }

    static int whole(JsonNode parent, String name, int low, int high, int otherwise) {
        return parent.has(name) ? whole(parent, name, low, high) : otherwise;
    }

    /** A path to a file: inside the project's folder, or absolute. */
    static String path(JsonNode parent, String name, String what) {
        return path(text(parent, name), what);
    }

    static String path(String text, String what) {
        boolean plain = text.codePoints().noneMatch(Character::isISOControl);
        if (!plain || text.isBlank() || text.length() > LONGEST_PATH) {
            throw new IllegalArgumentException(
                    what + " path \"" + text + "\" is no path to a file");
        }
        Path inside = Path.of(text);
        if (!inside.isAbsolute() && inside.normalize().startsWith("..")) {
            throw new IllegalArgumentException(
                    what + " path \"" + text + "\" leaves the project's folder");
        }
        return text;
    }

    static String text(JsonNode parent, String name) {
        JsonNode n = parent.path(name);
        if (!n.isString()) {
            throw new IllegalArgumentException("\"" + name + "\" is missing");
        }
        return n.asString();
    }
}

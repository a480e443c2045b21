package orbispace.files;

import java.util.function.Function;
import tools.jackson.databind.JsonNode;

/** Fields of a JSON object; what is missing or of the wrong kind is said by name. */
final class JsonFields {
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

    static String text(JsonNode parent, String name) {
        JsonNode n = parent.path(name);
        if (!n.isString()) {
            throw new IllegalArgumentException("\"" + name + "\" is missing");
        }
        return n.asString();
    }
}

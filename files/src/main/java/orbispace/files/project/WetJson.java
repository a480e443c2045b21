package orbispace.files.project;

import static orbispace.files.project.JsonFields.number;
import static orbispace.files.project.JsonFields.object;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import orbispace.core.design.Filter;
import orbispace.core.design.Purpose;
import orbispace.core.design.WetBus;
import orbispace.core.design.WetBuses;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** What returns pass together on their way to the mix, in JSON. */
final class WetJson {
    private WetJson() {}

    static WetBuses read(JsonNode n) {
        if (n.isMissingNode()) {
            return WetBuses.PLAIN;
        }
        Map<Purpose, WetBus> purposes = new EnumMap<>(Purpose.class);
        if (n.has("purposes")) {
            for (Map.Entry<String, JsonNode> e : object(n, "purposes").properties()) {
                purposes.put(purpose(e.getKey()), bus(e.getValue()));
            }
        }
        return new WetBuses(n.has("all") ? bus(object(n, "all")) : WetBus.PLAIN, purposes);
    }

    private static Purpose purpose(String label) {
        return List.of(Purpose.values()).stream()
                .filter(p -> p.label().equals(label))
                .findFirst()
                .orElseThrow(() ->
                        new IllegalArgumentException("\"" + label + "\" is no purpose of returns"));
    }

    private static WetBus bus(JsonNode n) {
        return new WetBus(
                number(n, "trimDb", 0),
                n.has("filter") ? ReturnReader.filter(object(n, "filter")) : Filter.OPEN,
                number(n, "width", 1));
    }

    static void write(ObjectNode root, WetBuses wet) {
        if (wet.isPlain()) {
            root.remove("wet");
            return;
        }
        ObjectNode n = root.putObject("wet");
        write(n.putObject("all"), wet.all());
        ObjectNode purposes = n.putObject("purposes");
        wet.purposes().forEach((p, bus) -> write(purposes.putObject(p.label()), bus));
    }

    private static void write(ObjectNode n, WetBus bus) {
        n.put("trimDb", bus.trimDb());
        ReturnWriter.filter(n.putObject("filter"), bus.filter());
        n.put("width", bus.width());
    }
}

package orbispace.files.project;

import static orbispace.files.project.JsonFields.labelled;
import static orbispace.files.project.JsonFields.list;
import static orbispace.files.project.JsonFields.number;
import static orbispace.files.project.JsonFields.object;
import static orbispace.files.project.JsonFields.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import orbispace.core.bank.Relations;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.hearing.WetState;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A return's relations in JSON, with its chain as projects have it. */
public final class RelationsJson {
    private RelationsJson() {}

    static Relations read(JsonNode n) {
        JsonNode relations = object(n, "relations");
        Return r = ReturnReader.read(object(n, "return"));
        List<Relations.Sender> senders = new ArrayList<>();
        for (JsonNode s : list(relations, "senders")) {
            senders.add(
                    new Relations.Sender(
                            role(s, "role"),
                            number(s, "underDb"),
                            s.path("gated").asBoolean(false)));
        }
        JsonNode predelay = object(relations, "predelay");
        Map<String, String> usually = new TreeMap<>();
        for (String name : relations.path("usually").propertyNames()) {
            usually.put(name, text(relations.path("usually"), name));
        }
        return new Relations(
                text(n, "name"),
                labelled(n, "purpose", Purpose.values(), Purpose::label),
                r.chain(),
                senders,
                relations.has("decay")
                        ? Optional.of(down(object(relations, "decay")))
                        : Optional.empty(),
                new Relations.Predelay(
                        text(predelay, "note", ""),
                        number(predelay, "offsetMillis", 0),
                        number(predelay, "afterConsonantMillis", 0)),
                optional(relations, "repeatsDownDb"),
                optional(relations, "gateBeats"),
                optional(relations, "highPass"),
                optional(relations, "lowPass"),
                labelled(relations, "asked", WetState.values(), WetState::label),
                optional(relations, "duckDb"),
                relations.has("duckedBy") ? role(relations, "duckedBy") : Role.LEAD,
                usually);
    }

    private static Role role(JsonNode n, String name) {
        return labelled(n, name, Role.values(), Role::label);
    }

    private static Relations.Down down(JsonNode n) {
        return new Relations.Down(
                labelled(n, "event", Relations.Event.values(), Relations.Event::label),
                number(n, "downDb"));
    }

    private static OptionalDouble optional(JsonNode n, String name) {
        return n.has(name) ? OptionalDouble.of(number(n, name)) : OptionalDouble.empty();
    }

    static void write(ObjectNode n, Relations r) {
        n.put("name", r.name()).put("purpose", r.purpose().label());
        relations(n.putObject("relations"), r);
        Return plain =
                new Return(
                        "A",
                        r.name(),
                        Map.of(),
                        Map.of(),
                        keyless(r),
                        0,
                        new Return.Timing(1, false));
        ReturnWriter.write(n.putObject("return"), plain);
    }

    /** What keys a ducker or gate in one song names nothing in another. */
    private static orbispace.core.design.Chain keyless(Relations r) {
        var gate = r.chain().gate();
        return r.chain().withDuck(null).withGate(gate == null ? null : gate.keyed(""));
    }

    /** The relations alone, for who lists them. */
    public static void relations(ObjectNode n, Relations r) {
        ArrayNode senders = n.putArray("senders");
        for (Relations.Sender s : r.senders()) {
            senders.addObject()
                    .put("role", s.role().label())
                    .put("underDb", s.underDb())
                    .put("gated", s.gated());
        }
        r.decay()
                .ifPresent(d ->
                        n.putObject("decay").put("event", d.event().label()).put("downDb", d.db()));
        ObjectNode predelay = n.putObject("predelay");
        if (r.predelay().note().isEmpty()) {
            predelay.put("afterConsonantMillis", r.predelay().afterConsonantMillis());
        } else {
            predelay.put("note", r.predelay().note())
                    .put("offsetMillis", r.predelay().offsetMillis());
        }
        r.repeatsDownDb().ifPresent(x -> n.put("repeatsDownDb", x));
        r.gateBeats().ifPresent(x -> n.put("gateBeats", x));
        r.highPass().ifPresent(x -> n.put("highPass", x));
        r.lowPass().ifPresent(x -> n.put("lowPass", x));
        n.put("asked", r.asked().label());
        r.duckDb().ifPresent(x -> n.put("duckDb", x).put("duckedBy", r.duckedBy().label()));
        if (!r.usually().isEmpty()) {
            ObjectNode usually = n.putObject("usually");
            r.usually().forEach(usually::put);
        }
    }
}

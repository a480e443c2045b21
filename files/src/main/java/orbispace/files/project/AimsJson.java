package orbispace.files.project;

import static orbispace.files.project.JsonFields.labelled;
import static orbispace.files.project.JsonFields.list;
import static orbispace.files.project.JsonFields.number;
import static orbispace.files.project.JsonFields.text;
import static orbispace.files.project.JsonFields.whole;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import orbispace.core.design.Aims;
import orbispace.core.design.HearingLevel;
import orbispace.core.design.Kept;
import orbispace.core.design.Purpose;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Borders;
import orbispace.core.hearing.WetState;
import orbispace.core.time.Span;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What is wanted of a field, in JSON; a project without it wants nothing in particular. */
final class AimsJson {
    private AimsJson() {}

    static Aims read(JsonNode n) {
        if (n.isMissingNode()) {
            return Aims.NONE;
        }
        List<Aims.Wanted> wanted = new ArrayList<>();
        for (JsonNode w : list(n, "wanted")) {
            wanted.add(new Aims.Wanted(text(w, "source"), text(w, "return"), targets(w)));
        }
        Map<String, Set<Setting>> locked = new TreeMap<>();
        for (JsonNode l : list(n, "locked")) {
            Set<Setting> settings = EnumSet.noneOf(Setting.class);
            for (JsonNode s : list(l, "settings")) {
                settings.add(setting(s.asString("")));
            }
            locked.put(text(l, "return"), settings);
        }
        Map<String, Purpose> purposes = new TreeMap<>();
        for (JsonNode p : n.path("purposes")) {
            purposes.put(
                    text(p, "return"), labelled(p, "purpose", Purpose.values(), Purpose::label));
        }
        return new Aims(wanted, locked, hearing(n.path("hearing")), purposes, kept(n));
    }

    private static Map<String, Kept> kept(JsonNode n) {
        Map<String, Kept> kept = new TreeMap<>();
        for (JsonNode k : n.path("kept")) {
            Span span = new Span(number(k, "fromSeconds"), number(k, "toSeconds"));
            kept.put(
                    text(k, "return"),
                    new Kept(span, number(k, "wetShare"), number(k, "wetShareInGaps")));
        }
        return kept;
    }

    private static Targets targets(JsonNode n) {
        return new Targets(
                number(n, "presence"),
                number(n, "worstPhrase"),
                number(n, "clashArea"),
                labelled(n, "state", WetState.values(), WetState::label),
                number(n, "lowShare"),
                number(n, "sibilanceDb"),
                number(n, "bloomDb"),
                n.path("orHidden").asBoolean(false));
    }

    private static Setting setting(String label) {
        for (Setting s : Setting.values()) {
            if (s.label().equals(label)) {
                return s;
            }
        }
        throw new IllegalArgumentException("setting \"" + label + "\" is not known");
    }

    private static HearingLevel hearing(JsonNode n) {
        if (n.isMissingNode()) {
            return HearingLevel.USUAL;
        }
        boolean room = n.has("roomDb") && !n.path("roomDb").isNull();
        JsonNode borders = n.path("borders");
        return new HearingLevel(
                number(n, "levelDbSpl"),
                room ? OptionalDouble.of(number(n, "roomDb")) : OptionalDouble.empty(),
                borders.isMissingNode() ? Borders.MODEL : borders(borders));
    }

    private static Borders borders(JsonNode n) {
        return new Borders(
                number(n, "offsetDb"),
                number(n, "lowDb"),
                number(n, "highDb"),
                whole(n, "lessons", 1, 1_000_000),
                text(n, "whose"));
    }

    static void write(ObjectNode root, Aims aims) {
        if (aims.equals(Aims.NONE)) {
            root.remove("aims");
            return;
        }
        ObjectNode n =
                root.get("aims") instanceof ObjectNode there ? there : root.putObject("aims");
        ArrayNode wanted = n.putArray("wanted");
        aims.wanted().forEach(w -> wanted(wanted.addObject(), w));
        ArrayNode locked = n.putArray("locked");
        aims.locked()
                .forEach((id, settings) -> {
                    ArrayNode list = locked.addObject().put("return", id).putArray("settings");
                    settings.forEach(s -> list.add(s.label()));
                });
        ArrayNode purposes = n.putArray("purposes");
        aims.purposes()
                .forEach((id, p) ->
                        purposes.addObject().put("return", id).put("purpose", p.label()));
        if (purposes.isEmpty()) {
            n.remove("purposes");
        }
        ArrayNode kept = n.putArray("kept");
        aims.kept()
                .forEach((id, k) ->
                        kept.addObject()
                                .put("return", id)
                                .put("fromSeconds", k.span().startSeconds())
                                .put("toSeconds", k.span().endSeconds())
                                .put("wetShare", k.wetShare())
                                .put("wetShareInGaps", k.wetShareInGaps()));
        if (kept.isEmpty()) {
            n.remove("kept");
        }
        ObjectNode hearing = n.putObject("hearing").put("levelDbSpl", aims.hearing().levelDbSpl());
        if (aims.hearing().roomDb().isPresent()) {
            hearing.put("roomDb", aims.hearing().roomDb().getAsDouble());
        } else {
            hearing.putNull("roomDb");
        }
        Borders borders = aims.hearing().borders();
        if (borders.own()) {
            hearing.putObject("borders")
                    .put("offsetDb", borders.offsetDb())
                    .put("lowDb", borders.lowDb())
                    .put("highDb", borders.highDb())
                    .put("lessons", borders.lessons())
                    .put("whose", borders.whose());
        }
    }

    private static void wanted(ObjectNode n, Aims.Wanted w) {
        Targets t = w.targets();
        n.put("source", w.sourceId())
                .put("return", w.returnId())
                .put("presence", t.presence())
                .put("worstPhrase", t.worstPhrase())
                .put("clashArea", t.clashArea())
                .put("state", t.state().label())
                .put("lowShare", t.lowShare())
                .put("sibilanceDb", t.sibilanceDb())
                .put("bloomDb", t.bloomDb());
        if (t.orHidden()) {
            n.put("orHidden", true);
        }
    }
}

package orbispace.files.project;

import static orbispace.files.project.JsonFields.labelled;
import static orbispace.files.project.JsonFields.number;
import static orbispace.files.project.JsonFields.object;
import static orbispace.files.project.JsonFields.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import orbispace.core.design.PlanCell;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.SourceCell;
import orbispace.core.design.Throw;
import orbispace.core.design.Trail;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What a section does to the field, and thrown words, in JSON. */
final class PlanJson {
    private PlanJson() {}

    static SectionPlan plan(JsonNode n) {
        if (n.isMissingNode()) {
            return SectionPlan.NONE;
        }
        Map<String, PlanCell> cells = new TreeMap<>();
        for (Map.Entry<String, JsonNode> e : object(n, "returns").properties()) {
            cells.put(e.getKey(), cell(e.getValue()));
        }
        Map<String, Map<String, Double>> sends = new TreeMap<>();
        for (Map.Entry<String, JsonNode> e : object(n, "sendsDb").properties()) {
            Map<String, Double> offsets = new TreeMap<>();
            for (String source : e.getValue().propertyNames()) {
                offsets.put(source, number(e.getValue(), source));
            }
            sends.put(e.getKey(), offsets);
        }
        Map<String, SourceCell> sources = new TreeMap<>();
        if (n.has("sources")) {
            for (Map.Entry<String, JsonNode> e : object(n, "sources").properties()) {
                sources.put(e.getKey(), source(e.getValue()));
            }
        }
        return new SectionPlan(cells, sends, sources);
    }

    private static SourceCell source(JsonNode n) {
        return new SourceCell(
                number(n, "faderDb", 0),
                number(n, "panBy", 0),
                number(n, "widthScale", 1),
                number(n, "rampBeats", 0));
    }

    private static PlanCell cell(JsonNode n) {
        return new PlanCell(
                number(n, "levelDb", 0),
                number(n, "decayScale", 1),
                n.has("tempo")
                        ? labelled(n, "tempo", PlanCell.Tempo.values(), PlanCell.Tempo::label)
                        : PlanCell.Tempo.AS_RETURN,
                number(n, "widthScale", 1),
                n.path("muted").asBoolean(false),
                number(n, "rampBeats", 0),
                n.has("edge")
                        ? labelled(n, "edge", PlanCell.Edge.values(), PlanCell.Edge::label)
                        : PlanCell.Edge.CARRIED);
    }

    static void write(ObjectNode section, SectionPlan plan) {
        if (plan.isPlain()) {
            section.remove("plan");
            return;
        }
        ObjectNode n = section.putObject("plan");
        ObjectNode cells = n.putObject("returns");
        plan.cells()
                .forEach((id, c) ->
                        cells.putObject(id)
                                .put("levelDb", c.levelDb())
                                .put("decayScale", c.decayScale())
                                .put("tempo", c.tempo().label())
                                .put("widthScale", c.widthScale())
                                .put("muted", c.muted())
                                .put("rampBeats", c.rampBeats())
                                .put("edge", c.edge().label()));
        ObjectNode sends = n.putObject("sendsDb");
        plan.sendsDb()
                .forEach((id, offsets) -> {
                    ObjectNode of = sends.putObject(id);
                    offsets.forEach(of::put);
                });
        if (!plan.sources().isEmpty()) {
            ObjectNode sources = n.putObject("sources");
            plan.sources()
                    .forEach((id, c) ->
                            sources.putObject(id)
                                    .put("faderDb", c.faderDb())
                                    .put("panBy", c.panBy())
                                    .put("widthScale", c.widthScale())
                                    .put("rampBeats", c.rampBeats()));
        }
    }

    static Throw thrown(JsonNode n) {
        List<Throw.RidePoint> ride = new ArrayList<>();
        for (JsonNode p : n.path("ride")) {
            ride.add(new Throw.RidePoint(number(p, "beat"), number(p, "levelDb")));
        }
        return new Throw(
                text(n, "id"),
                text(n, "source"),
                text(n, "return"),
                number(n, "fromBeat"),
                number(n, "toBeat"),
                number(n, "levelDb"),
                number(n, "fadeInMillis", 5),
                number(n, "fadeOutMillis", 10),
                ride,
                trail(n.path("trail")));
    }

    private static Trail trail(JsonNode n) {
        if (n.isMissingNode()) {
            return Trail.AS_RETURN;
        }
        return new Trail(
                n.has("time") ? ReturnReader.time(object(n, "time"), "time of a throw") : null,
                n.has("feedback") ? number(n, "feedback") : null,
                n.has("sides")
                        ? labelled(n, "sides", Trail.Sides.values(), Trail.Sides::label)
                        : Trail.Sides.AS_RETURN,
                n.has("filter") ? ReturnReader.filter(n.path("filter")) : null,
                n.has("feedDb") ? number(n, "feedDb") : null,
                n.has("untilBeat") ? number(n, "untilBeat") : null);
    }

    static void write(ObjectNode n, Throw t) {
        n.put("id", t.id())
                .put("source", t.sourceId())
                .put("return", t.returnId())
                .put("fromBeat", t.fromBeat())
                .put("toBeat", t.toBeat())
                .put("levelDb", t.levelDb())
                .put("fadeInMillis", t.fadeInMillis())
                .put("fadeOutMillis", t.fadeOutMillis());
        ArrayNode ride = n.putArray("ride");
        t.ride().forEach(p -> ride.addObject().put("beat", p.beat()).put("levelDb", p.levelDb()));
        if (ride.isEmpty()) {
            n.remove("ride");
        }
        n.remove("trail");
        if (!t.trail().isPlain()) {
            write(n.putObject("trail"), t.trail());
        }
    }

    private static void write(ObjectNode n, Trail t) {
        if (t.time() != null) {
            ReturnWriter.time(n.putObject("time"), t.time());
        }
        if (t.feedback() != null) {
            n.put("feedback", t.feedback());
        }
        n.put("sides", t.sides().label());
        if (t.filter() != null) {
            ReturnWriter.filter(n.putObject("filter"), t.filter());
        }
        if (t.feedDb() != null) {
            n.put("feedDb", t.feedDb());
        }
        if (t.untilBeat() != null) {
            n.put("untilBeat", t.untilBeat());
        }
    }
}

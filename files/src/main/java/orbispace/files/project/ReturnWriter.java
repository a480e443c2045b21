package orbispace.files.project;

import orbispace.core.design.Drive;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Send;
import orbispace.core.design.Width;
import orbispace.core.dynamics.DuckBand;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes a return in a fixed order; what it has none of is left out. */
final class ReturnWriter {
    private ReturnWriter() {}

    static void write(ObjectNode n, Return r) {
        n.put("id", r.id());
        n.put("name", r.name());
        sends(n, r);
        if (r.feeds().isEmpty()) {
            n.remove("feedsDb");
        } else {
            ObjectNode feeds = n.putObject("feedsDb");
            r.feeds().forEach(feeds::put);
        }
        filter(n.putObject("filterIn"), r.filterIn());
        Drive drive = r.chain().drive();
        if (drive == null) {
            n.remove("drive");
        } else {
            n.putObject("drive")
                    .put("driveDb", drive.driveDb())
                    .put("place", drive.afterSpace() ? "after" : "before")
                    .put("curve", drive.curve().label());
        }
        n.set("predelay", time(n.objectNode(), r.predelay()));
        SpaceJson.write(n.putObject("space"), r.space());
        gate(n, r.gate());
        filter(n.putObject("filterOut"), r.filterOut());
        Duck duck = r.duck();
        if (duck == null) {
            n.remove("duck");
        } else {
            duck(n.putObject("duck"), duck);
        }
        Width width = r.chain().width();
        if (width.equals(Width.PLAIN)) {
            n.remove("width");
        } else {
            n.putObject("width")
                    .put("factor", width.factor())
                    .put("monoBelowHz", width.monoBelowHz())
                    .put("pan", width.pan());
        }
        n.put("levelDb", r.levelDb());
        n.put("timedAtBar", r.timedAtBar());
        if (r.timing().followsSections()) {
            n.put("followsSections", true);
        } else {
            n.remove("followsSections");
        }
    }

    private static void sends(ObjectNode n, Return r) {
        ObjectNode levels = n.putObject("sendsDb");
        ObjectNode options = n.objectNode();
        r.sends()
                .forEach((id, send) -> {
                    levels.put(id, send.levelDb());
                    if (!send.equals(Send.of(send.levelDb()))) {
                        ObjectNode option = options.putObject(id);
                        option.put("tap", send.preFader() ? "pre" : "post");
                        gate(option, send.gate());
                    }
                });
        if (options.isEmpty()) {
            n.remove("sendOptions");
        } else {
            n.set("sendOptions", options);
        }
    }

    private static void gate(ObjectNode parent, @Nullable Gate gate) {
        if (gate == null) {
            parent.remove("gate");
            return;
        }
        ObjectNode n = parent.putObject("gate");
        n.put("key", gate.key());
        filter(n.putObject("keyFilter"), gate.keyFilter());
        n.put("thresholdDb", gate.thresholdDb())
                .put("hysteresisDb", gate.hysteresisDb())
                .put("rangeDb", gate.rangeDb())
                .put("attackMillis", gate.attackMillis())
                .put("holdMillis", gate.holdMillis())
                .put("releaseMillis", gate.releaseMillis());
        MusicalTime length = gate.length();
        if (length != null) {
            n.set("length", time(n.objectNode(), length));
        }
    }

    static void filter(ObjectNode n, Filter f) {
        corner(n, "highPass", f.highPass());
        corner(n, "lowPass", f.lowPass());
        if (!f.bands().isEmpty()) {
            ArrayNode bands = n.putArray("bands");
            for (Filter.Band b : f.bands()) {
                bands.addObject()
                        .put("kind", b.kind().label())
                        .put("hz", b.hz())
                        .put("gainDb", b.gainDb())
                        .put("octaves", b.octaves());
            }
        }
    }

    private static void corner(ObjectNode n, String name, Filter.@Nullable Corner corner) {
        if (corner != null) {
            n.putObject(name).put("hz", corner.hz()).put("slopeDbPerOctave", corner.slopeDb());
        }
    }

    static ObjectNode time(ObjectNode n, MusicalTime time) {
        return switch (time) {
            case MusicalTime.Millis m -> n.put("millis", m.value());
            case MusicalTime.Note note -> {
                n.put("note", note.value().label());
                yield note.offsetMillis() == 0 ? n : n.put("offsetMillis", note.offsetMillis());
            }
        };
    }

    private static void duck(ObjectNode n, Duck d) {
        n.put("keySource", d.keySource())
                .put("rangeDb", d.rangeDb())
                .put("thresholdDb", d.thresholdDb())
                .put("ratio", d.ratio())
                .put("kneeDb", d.kneeDb())
                .put("attackMillis", d.attackMillis())
                .put("holdMillis", d.holdMillis())
                .put("releaseMillis", d.releaseMillis());
        DuckBand band = d.band();
        if (band == null) {
            n.remove("band");
        } else {
            n.putObject("band").put("lowHz", band.lowHz()).put("highHz", band.highHz());
        }
    }
}

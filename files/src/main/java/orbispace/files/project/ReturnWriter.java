package orbispace.files.project;

import orbispace.core.design.Drive;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Send;
import orbispace.core.design.Space;
import orbispace.core.design.Width;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.space.DoublerSettings;
import orbispace.core.space.EchoSettings;
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
                    .put("place", drive.afterSpace() ? "after" : "before");
        }
        n.set("predelay", time(n.objectNode(), r.predelay()));
        space(n.putObject("space"), r.space());
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
                    .put("monoBelowHz", width.monoBelowHz());
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
        if (f.dip() != null) {
            n.putObject("dip")
                    .put("hz", f.dip().hz())
                    .put("depthDb", f.dip().depthDb())
                    .put("octaves", f.dip().octaves());
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

    private static void space(ObjectNode n, Space space) {
        switch (space) {
            case Space.Reverb r -> reverb(n, r);
            case Space.Gated g -> {
                n.put("kind", "gated").put("envelope", g.envelope().label());
                n.set("length", time(n.objectNode(), g.length()));
                n.put("fallMillis", g.fallMillis()).put("brightHz", g.brightHz());
            }
            case Space.Convolution c ->
                    n.put("kind", "convolution")
                            .put("file", c.file())
                            .put("startMillis", c.startMillis())
                            .put("keepMillis", c.keepMillis())
                            .put("lowScale", c.lowScale())
                            .put("midScale", c.midScale())
                            .put("highScale", c.highScale());
            case Space.Echo e -> echo(n, e);
            case Space.Doubler d -> {
                n.put("kind", "doubler");
                ArrayNode copies = n.putArray("copies");
                for (DoublerSettings.Voice v : d.copies()) {
                    copies.addObject()
                            .put("millis", Math.rint(v.seconds() * 1e6) / 1e3)
                            .put("cents", v.cents())
                            .put("side", v.side());
                }
                n.put("highPassHz", d.highPassHz()).put("centre", d.centre());
            }
            case Space.Split s -> {
                n.put("kind", "split-pair");
                reverb(n.putObject("left"), s.left());
                reverb(n.putObject("right"), s.right());
                n.put("width", s.width());
            }
            case Space.Parallel p ->
                    n.put("kind", "parallel")
                            .put("thresholdDb", p.thresholdDb())
                            .put("ratio", p.ratio())
                            .put("kneeDb", p.kneeDb())
                            .put("attackMillis", p.attackMillis())
                            .put("releaseMillis", p.releaseMillis())
                            .put("makeUpDb", p.makeUpDb());
        }
    }

    private static void reverb(ObjectNode n, Space.Reverb r) {
        n.put("kind", r.kind().label())
                .put("decaySeconds", r.decaySeconds())
                .put("lowRatio", r.lowRatio())
                .put("highRatio", r.highRatio())
                .put("size", r.size());
    }

    private static void echo(ObjectNode n, Space.Echo e) {
        n.put(
                "kind",
                switch (e.kind()) {
                    case SINGLE -> "echo";
                    case PAIR -> "stereo-echo";
                    case PING_PONG -> "ping-pong";
                });
        n.set("time", time(n.objectNode(), e.time()));
        if (e.kind() == EchoSettings.Kind.PAIR) {
            n.set("rightTime", time(n.objectNode(), e.rightTime()));
        }
        n.put("feedback", e.feedback())
                .put("loopHighPassHz", e.loop().highPassHz())
                .put("loopLowPassHz", e.loop().lowPassHz());
        if (e.loop().saturation() != 0 || e.loop().wowMillis() != 0) {
            n.put("loopSaturation", e.loop().saturation())
                    .put("wowMillis", e.loop().wowMillis())
                    .put("wowHz", e.loop().wowHz());
        }
        n.remove("glideMillis");
        if (e.loop().glideMillis() != 0) {
            n.put("glideMillis", e.loop().glideMillis());
        }
        n.put("width", e.width());
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

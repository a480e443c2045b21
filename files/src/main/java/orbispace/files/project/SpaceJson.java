package orbispace.files.project;

import static orbispace.files.project.JsonFields.labelled;
import static orbispace.files.project.JsonFields.list;
import static orbispace.files.project.JsonFields.number;
import static orbispace.files.project.JsonFields.object;
import static orbispace.files.project.JsonFields.text;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.design.TailKnob;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.space.ReverbCharacter;
import orbispace.core.space.ReverbKind;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** A space in a project file: read from JSON, written to it. */
final class SpaceJson {
    private SpaceJson() {}

    static Space read(JsonNode n) {
        String kind = text(n, "kind");
        if (Arrays.stream(ReverbKind.values()).anyMatch(k -> k.label().equals(kind))) {
            return reverb(n);
        }
        return switch (kind) {
            case "gated" -> gated(n);
            case "convolution" -> convolution(n);
            case "echo" -> echo(n, EchoSettings.Kind.SINGLE);
            case "stereo-echo" -> echo(n, EchoSettings.Kind.PAIR);
            case "ping-pong" -> echo(n, EchoSettings.Kind.PING_PONG);
            case "walk-left" -> echo(n, EchoSettings.Kind.WALK_LEFT);
            case "walk-right" -> echo(n, EchoSettings.Kind.WALK_RIGHT);
            // Files of earlier versions say doubler.
            case "copies", "doubler" -> copies(n);
            case "split-pair" ->
                    new SplitPair(
                            reverb(object(n, "left")),
                            reverb(object(n, "right")),
                            place(n.path("leftPlace"), -number(n, "width", 1)),
                            place(n.path("rightPlace"), number(n, "width", 1)));
            case "parallel" ->
                    new Space.Parallel(
                            number(n, "thresholdDb"),
                            number(n, "ratio"),
                            number(n, "kneeDb"),
                            number(n, "attackMillis"),
                            number(n, "releaseMillis"),
                            number(n, "makeUpDb"));
            default ->
                    throw new IllegalArgumentException(
                            "kind of space \"" + kind + "\" is not known");
        };
    }

    /** Files of earlier versions tell no more than how far both stand to their sides. */
    private static SplitPair.Place place(JsonNode n, double pan) {
        return new SplitPair.Place(number(n, "laterMillis", 0), number(n, "pan", pan));
    }

    private static void place(ObjectNode n, SplitPair.Place place) {
        n.put("laterMillis", place.laterMillis()).put("pan", place.pan());
    }

    private static Space.Reverb reverb(JsonNode n) {
        ReverbKind kind = labelled(n, "kind", ReverbKind.values(), ReverbKind::label);
        return new Space.Reverb(
                kind,
                number(n, "decaySeconds"),
                number(n, "lowRatio"),
                number(n, "highRatio"),
                number(n, "size", 1),
                new ReverbCharacter(
                        inRange(n, "density", TailKnob.DENSITY, 1),
                        inRange(n, "buildUpMillis", TailKnob.BUILD_UP, 1000 * kind.buildUpSeconds())
                                / 1000,
                        inRange(n, "movementMillis", TailKnob.MOVEMENT, 0) / 1000,
                        inRange(n, "distance", TailKnob.DISTANCE, 1)));
    }

    /** A number that is refused in the unit it is written in. */
    private static double inRange(JsonNode n, String field, TailKnob knob, double otherwise) {
        double value = number(n, field, otherwise);
        knob.require(value);
        return value;
    }

    private static Space gated(JsonNode n) {
        return new Space.Gated(
                labelled(
                        n,
                        "envelope",
                        GatedSettings.Envelope.values(),
                        GatedSettings.Envelope::label),
                ReturnReader.time(object(n, "length"), "gated length"),
                number(n, "fallMillis"),
                number(n, "brightHz"));
    }

    private static Space convolution(JsonNode n) {
        return new Space.Convolution(
                JsonFields.path(n, "file", "impulse response"),
                number(n, "startMillis", 0),
                number(n, "keepMillis", 0),
                number(n, "lowScale", 1),
                number(n, "midScale", 1),
                number(n, "highScale", 1));
    }

    private static Space echo(JsonNode n, EchoSettings.Kind kind) {
        MusicalTime time = ReturnReader.time(object(n, "time"), "echo time");
        return new Space.Echo(
                kind,
                time,
                n.has("rightTime")
                        ? ReturnReader.time(object(n, "rightTime"), "right echo time")
                        : time,
                number(n, "feedback"),
                new EchoSettings.Loop(
                        number(n, "loopHighPassHz"),
                        number(n, "loopLowPassHz"),
                        number(n, "loopSaturation", 0),
                        number(n, "wowMillis", 0),
                        number(n, "wowHz", 0.5),
                        number(n, "glideMillis", 0)),
                number(n, "width", 1));
    }

    private static Space copies(JsonNode n) {
        List<CopiesSettings.Voice> voices = new ArrayList<>();
        for (JsonNode v : list(n, "copies")) {
            voices.add(
                    new CopiesSettings.Voice(
                            number(v, "millis") / 1000,
                            number(v, "cents"),
                            number(v, "side"),
                            number(v, "swayMillis", 0) / 1000,
                            number(v, "swayHz", 0.5)));
        }
        return new Space.Copies(voices, number(n, "highPassHz"), n.path("centre").asBoolean(true));
    }

    static void write(ObjectNode n, Space space) {
        switch (space) {
            case Space.Reverb r -> write(n, r);
            case Space.Gated g -> write(n, g);
            case Space.Convolution c -> write(n, c);
            case Space.Echo e -> write(n, e);
            case Space.Copies d -> write(n, d);
            case SplitPair s -> {
                n.put("kind", "split-pair");
                write(n.putObject("left"), s.left());
                write(n.putObject("right"), s.right());
                n.put("width", s.width());
                place(n.putObject("leftPlace"), s.leftPlace());
                place(n.putObject("rightPlace"), s.rightPlace());
            }
            case Space.Parallel p -> write(n, p);
        }
    }

    private static double millis(double seconds) {
        return Math.rint(seconds * 1e9) / 1e6;
    }

    private static void write(ObjectNode n, Space.Reverb r) {
        n.put("kind", r.kind().label())
                .put("decaySeconds", r.decaySeconds())
                .put("lowRatio", r.lowRatio())
                .put("highRatio", r.highRatio())
                .put("size", r.size());
        ReverbCharacter own = ReverbCharacter.of(r.kind());
        ReverbCharacter c = r.character();
        if (c.density() != own.density()) {
            n.put("density", c.density());
        }
        if (c.buildUpSeconds() != own.buildUpSeconds()) {
            n.put("buildUpMillis", millis(c.buildUpSeconds()));
        }
        if (c.movementSeconds() != own.movementSeconds()) {
            n.put("movementMillis", millis(c.movementSeconds()));
        }
        if (c.distance() != own.distance()) {
            n.put("distance", c.distance());
        }
    }

    private static void write(ObjectNode n, Space.Echo e) {
        n.put(
                "kind",
                switch (e.kind()) {
                    case SINGLE -> "echo";
                    case PAIR -> "stereo-echo";
                    case PING_PONG -> "ping-pong";
                    case WALK_LEFT -> "walk-left";
                    case WALK_RIGHT -> "walk-right";
                });
        n.set("time", ReturnWriter.time(n.objectNode(), e.time()));
        if (e.kind() == EchoSettings.Kind.PAIR) {
            n.set("rightTime", ReturnWriter.time(n.objectNode(), e.rightTime()));
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

    private static void write(ObjectNode n, Space.Gated g) {
        n.put("kind", "gated").put("envelope", g.envelope().label());
        n.set("length", ReturnWriter.time(n.objectNode(), g.length()));
        n.put("fallMillis", g.fallMillis()).put("brightHz", g.brightHz());
    }

    private static void write(ObjectNode n, Space.Convolution c) {
        n.put("kind", "convolution")
                .put("file", c.file())
                .put("startMillis", c.startMillis())
                .put("keepMillis", c.keepMillis())
                .put("lowScale", c.lowScale())
                .put("midScale", c.midScale())
                .put("highScale", c.highScale());
    }

    private static void write(ObjectNode n, Space.Copies d) {
        n.put("kind", "copies");
        ArrayNode copies = n.putArray("copies");
        for (CopiesSettings.Voice v : d.copies()) {
            copies.addObject()
                    .put("millis", Math.rint(v.seconds() * 1e6) / 1e3)
                    .put("cents", v.cents())
                    .put("side", v.side())
                    .put("swayMillis", Math.rint(v.swaySeconds() * 1e6) / 1e3)
                    .put("swayHz", v.swayHz());
        }
        n.put("highPassHz", d.highPassHz()).put("centre", d.centre());
    }

    private static void write(ObjectNode n, Space.Parallel p) {
        n.put("kind", "parallel")
                .put("thresholdDb", p.thresholdDb())
                .put("ratio", p.ratio())
                .put("kneeDb", p.kneeDb())
                .put("attackMillis", p.attackMillis())
                .put("releaseMillis", p.releaseMillis())
                .put("makeUpDb", p.makeUpDb());
    }
}

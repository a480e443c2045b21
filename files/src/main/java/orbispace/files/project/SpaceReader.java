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
import orbispace.core.space.DoublerSettings;
import orbispace.core.space.EchoSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.space.ReverbKind;
import tools.jackson.databind.JsonNode;

/** Reads the engine of a return. */
final class SpaceReader {
    private SpaceReader() {}

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
            case "doubler" -> doubler(n);
            case "split-pair" ->
                    new Space.Split(
                            reverb(object(n, "left")),
                            reverb(object(n, "right")),
                            number(n, "width", 1));
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

    private static Space.Reverb reverb(JsonNode n) {
        return new Space.Reverb(
                labelled(n, "kind", ReverbKind.values(), ReverbKind::label),
                number(n, "decaySeconds"),
                number(n, "lowRatio"),
                number(n, "highRatio"),
                number(n, "size", 1));
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

    private static Space doubler(JsonNode n) {
        List<DoublerSettings.Voice> voices = new ArrayList<>();
        for (JsonNode v : list(n, "copies")) {
            voices.add(
                    new DoublerSettings.Voice(
                            number(v, "millis") / 1000, number(v, "cents"), number(v, "side")));
        }
        return new Space.Doubler(voices, number(n, "highPassHz"), n.path("centre").asBoolean(true));
    }
}

package orbispace.files.project;

import static orbispace.files.project.JsonFields.labelled;
import static orbispace.files.project.JsonFields.number;
import static orbispace.files.project.JsonFields.object;
import static orbispace.files.project.JsonFields.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import orbispace.core.design.Chain;
import orbispace.core.design.Drive;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Send;
import orbispace.core.design.Width;
import orbispace.core.dynamics.DriveCurve;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.time.NoteValue;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Reads a return; what version 2 did not know is taken as not there. */
final class ReturnReader {
    private ReturnReader() {}

    static Return read(JsonNode n) {
        Map<String, Double> feeds = new TreeMap<>();
        for (String id : n.path("feedsDb").propertyNames()) {
            feeds.put(id, number(n.path("feedsDb"), id));
        }
        Chain chain =
                new Chain(
                        filter(n.path("filterIn")),
                        n.has("drive") ? drive(object(n, "drive")) : null,
                        time(object(n, "predelay"), "predelay"),
                        SpaceJson.read(object(n, "space")),
                        n.has("gate") ? gate(object(n, "gate")) : null,
                        filter(n.path("filterOut")),
                        n.has("duck") ? duck(object(n, "duck")) : null,
                        n.has("width") ? width(object(n, "width")) : Width.PLAIN);
        return new Return(
                text(n, "id"),
                text(n, "name"),
                sends(n),
                feeds,
                chain,
                number(n, "levelDb"),
                new Return.Timing(
                        (int) number(n, "timedAtBar"), n.path("followsSections").asBoolean(false)));
    }

    private static Map<String, Send> sends(JsonNode n) {
        Map<String, Send> sends = new TreeMap<>();
        JsonNode levels = object(n, "sendsDb");
        JsonNode options = n.path("sendOptions");
        for (String id : levels.propertyNames()) {
            JsonNode option = options.path(id);
            boolean pre = text(option, "tap", "post").equals("pre");
            Gate gate = option.has("gate") ? gate(object(option, "gate")) : null;
            sends.put(id, new Send(number(levels, id), pre, gate));
        }
        return sends;
    }

    private static Drive drive(JsonNode n) {
        return new Drive(
                number(n, "driveDb"),
                text(n, "place").equals("after"),
                n.has("curve")
                        ? labelled(n, "curve", DriveCurve.values(), DriveCurve::label)
                        : DriveCurve.SOFT);
    }

    private static Width width(JsonNode n) {
        return new Width(number(n, "factor"), number(n, "monoBelowHz", 0), number(n, "pan", 0));
    }

    private static Gate gate(JsonNode n) {
        return new Gate(
                text(n, "key", ""),
                filter(n.path("keyFilter")),
                number(n, "thresholdDb"),
                number(n, "hysteresisDb"),
                number(n, "rangeDb"),
                number(n, "attackMillis"),
                number(n, "holdMillis"),
                number(n, "releaseMillis"),
                n.has("length") ? time(object(n, "length"), "gate length") : null);
    }

    static Filter filter(JsonNode n) {
        return new Filter(corner(n.path("highPass")), corner(n.path("lowPass")), bands(n));
    }

    /** Its bands; what used to be its only one was called a dip. */
    private static List<Filter.Band> bands(JsonNode n) {
        List<Filter.Band> bands = new ArrayList<>();
        if (n.hasNonNull("dip")) {
            bands.add(dip(n.path("dip")));
        }
        for (JsonNode b : n.path("bands")) {
            bands.add(
                    new Filter.Band(
                            labelled(b, "kind", Filter.Kind.values(), Filter.Kind::label),
                            number(b, "hz"),
                            number(b, "gainDb"),
                            number(b, "octaves", 1)));
        }
        return bands;
    }

    static Filter.Band dip(JsonNode n) {
        return Filter.Band.dip(number(n, "hz"), number(n, "depthDb"), number(n, "octaves"));
    }

    private static Filter.@Nullable Corner corner(JsonNode n) {
        if (!n.isObject()) {
            return null;
        }
        double slope = number(n, "slopeDbPerOctave");
        if (slope % 6 != 0) {
            throw new IllegalArgumentException(
                    "slope " + slope + " dB per octave is not a multiple of 6");
        }
        return new Filter.Corner(number(n, "hz"), (int) slope / 6);
    }

    static MusicalTime time(JsonNode n, String what) {
        if (n.has("millis")) {
            return new MusicalTime.Millis(number(n, "millis"));
        }
        String note = text(n, "note");
        NoteValue value =
                NoteValue.parse(note)
                        .orElseThrow(() ->
                                new IllegalArgumentException(
                                        what + " \"" + note + "\" is no note value"));
        return new MusicalTime.Note(value, number(n, "offsetMillis", 0));
    }

    private static DuckBand band(JsonNode n) {
        return new DuckBand(number(n, "lowHz"), number(n, "highHz"));
    }

    private static Duck duck(JsonNode n) {
        return new Duck(
                text(n, "keySource"),
                number(n, "rangeDb"),
                number(n, "thresholdDb"),
                number(n, "ratio"),
                number(n, "kneeDb"),
                number(n, "attackMillis"),
                number(n, "holdMillis"),
                number(n, "releaseMillis"),
                n.has("band") ? band(object(n, "band")) : null);
    }
}

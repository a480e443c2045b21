package orbispace.files;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Placement;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.time.MetreMap;
import orbispace.core.time.NoteValue;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Reads a design from a JSON document; every fault names the field that it was found in. */
final class ProjectReader {
    private final Path file;

    ProjectReader(Path file) {
        this.file = file;
    }

    private interface Part<T> {
        T read() throws FileProblem;
    }

    Design design(JsonNode root) throws FileProblem {
        Song song = at("song", () -> song(object(root, "song")));
        List<Source> sources = new ArrayList<>();
        for (JsonNode n : at("project", () -> list(root, "sources"))) {
            sources.add(at("sources[" + sources.size() + "]", () -> source(n)));
        }
        List<Return> returns = new ArrayList<>();
        for (JsonNode n : at("project", () -> list(root, "returns"))) {
            returns.add(at("returns[" + returns.size() + "]", () -> ret(n)));
        }
        return at("design", () -> new Design(song, sources, returns));
    }

    private <T> T at(String where, Part<T> part) throws FileProblem {
        try {
            return part.read();
        } catch (IllegalArgumentException e) {
            throw new FileProblem(file + ": " + where + ": " + e.getMessage(), e);
        }
    }

    private Song song(JsonNode n) throws FileProblem {
        List<TempoMap.Change> tempo = new ArrayList<>();
        for (JsonNode t : list(n, "tempo")) {
            double bpm = number(t, "bpm");
            tempo.add(new TempoMap.Change(number(t, "beat"), bpm, number(t, "endBpm", bpm)));
        }
        List<MetreMap.Change> metre = new ArrayList<>();
        for (JsonNode m : list(n, "metre")) {
            metre.add(
                    new MetreMap.Change(
                            (int) number(m, "bar"),
                            (int) number(m, "beatsPerBar"),
                            (int) number(m, "beatUnit")));
        }
        List<Section> sections = new ArrayList<>();
        for (JsonNode s : list(n, "sections")) {
            sections.add(section(s));
        }
        SongClock clock =
                new SongClock(
                        TempoMap.of(tempo), MetreMap.of(metre), number(n, "barOneSeconds", 0));
        return new Song(text(n, "title"), number(n, "sampleRateHz"), clock, sections);
    }

    private Section section(JsonNode s) throws FileProblem {
        String name = text(s, "name");
        int first = (int) number(s, "firstBar");
        int bars = (int) number(s, "bars");
        if (!s.has("kind")) {
            return new Section(name, first, bars);
        }
        String kind = text(s, "kind");
        SectionKind known =
                Arrays.stream(SectionKind.values())
                        .filter(k -> k.label().equals(kind))
                        .findFirst()
                        .orElseThrow(() ->
                                new IllegalArgumentException(
                                        "kind of section \"" + kind + "\" is not known"));
        return new Section(name, first, bars, known);
    }

    private Placement placement(JsonNode n) throws FileProblem {
        return new Placement(
                (int) number(n, "shiftFrames", 0),
                n.path("inverted").asBoolean(false),
                number(n, "constantOffset", 0),
                (int) number(n, "keepFrames", 0));
    }

    private Source source(JsonNode n) throws FileProblem {
        String role = text(n, "role");
        Role known =
                Arrays.stream(Role.values())
                        .filter(r -> r.label().equals(role))
                        .findFirst()
                        .orElseThrow(() ->
                                new IllegalArgumentException("role \"" + role + "\" is not known"));
        String path = text(n, "file");
        Path inside = Path.of(path);
        if (!inside.isAbsolute() && inside.normalize().startsWith("..")) {
            throw new IllegalArgumentException(
                    "audio path \"" + path + "\" leaves the project's folder");
        }
        return new Source(
                text(n, "id"),
                text(n, "name"),
                path,
                known,
                number(n, "gainDb"),
                number(n, "pan"),
                n.path("group").asString(""),
                n.path("wet").asBoolean(false),
                placement(n.path("placement")));
    }

    private Return ret(JsonNode n) throws FileProblem {
        Map<String, Double> sends = new TreeMap<>();
        for (String id : object(n, "sendsDb").propertyNames()) {
            sends.put(id, number(n.path("sendsDb"), id));
        }
        return new Return(
                text(n, "id"),
                text(n, "name"),
                sends,
                filter(n.path("filterIn")),
                time(object(n, "predelay"), "predelay"),
                space(object(n, "space")),
                filter(n.path("filterOut")),
                n.has("duck") ? duck(object(n, "duck")) : null,
                number(n, "levelDb"),
                (int) number(n, "timedAtBar"));
    }

    private Filter filter(JsonNode n) throws FileProblem {
        return new Filter(corner(n.path("highPass")), corner(n.path("lowPass")));
    }

    private Filter.@Nullable Corner corner(JsonNode n) throws FileProblem {
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

    private MusicalTime time(JsonNode n, String what) throws FileProblem {
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

    private Space space(JsonNode n) throws FileProblem {
        String kind = text(n, "kind");
        return switch (kind) {
            case "hall" ->
                    new Space.Hall(
                            number(n, "decaySeconds"),
                            number(n, "lowRatio"),
                            number(n, "highRatio"));
            case "ping-pong" ->
                    new Space.PingPong(
                            time(object(n, "time"), "echo time"),
                            number(n, "feedback"),
                            number(n, "loopHighPassHz"),
                            number(n, "loopLowPassHz"),
                            number(n, "width", 1));
            default ->
                    throw new IllegalArgumentException(
                            "kind of space \"" + kind + "\" is not known");
        };
    }

    private Duck duck(JsonNode n) throws FileProblem {
        return new Duck(
                text(n, "keySource"),
                number(n, "rangeDb"),
                number(n, "thresholdDb"),
                number(n, "ratio"),
                number(n, "kneeDb"),
                number(n, "attackMillis"),
                number(n, "holdMillis"),
                number(n, "releaseMillis"));
    }

    private static JsonNode object(JsonNode parent, String name) {
        JsonNode n = parent.path(name);
        if (!n.isObject()) {
            throw new IllegalArgumentException("\"" + name + "\" is missing");
        }
        return n;
    }

    private static JsonNode list(JsonNode parent, String name) {
        JsonNode n = parent.path(name);
        if (!n.isArray()) {
            throw new IllegalArgumentException("the list \"" + name + "\" is missing");
        }
        return n;
    }

    private static double number(JsonNode parent, String name) {
        JsonNode n = parent.path(name);
        if (!n.isNumber()) {
            throw new IllegalArgumentException("\"" + name + "\" is not a number");
        }
        return n.asDouble();
    }

    private static double number(JsonNode parent, String name, double otherwise) {
        return parent.has(name) ? number(parent, name) : otherwise;
    }

    private static String text(JsonNode parent, String name) {
        JsonNode n = parent.path(name);
        if (!n.isString()) {
            throw new IllegalArgumentException("\"" + name + "\" is missing");
        }
        return n.asString();
    }
}

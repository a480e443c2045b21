package orbispace.files.project;

import static orbispace.files.project.JsonFields.labelled;
import static orbispace.files.project.JsonFields.list;
import static orbispace.files.project.JsonFields.number;
import static orbispace.files.project.JsonFields.object;
import static orbispace.files.project.JsonFields.text;
import static orbispace.files.project.JsonFields.whole;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import orbispace.core.design.Aims;
import orbispace.core.design.Design;
import orbispace.core.design.Group;
import orbispace.core.design.Placement;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.design.Throw;
import orbispace.core.design.Tone;
import orbispace.core.design.WetBuses;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import orbispace.files.FileProblem;
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
            returns.add(at("returns[" + returns.size() + "]", () -> ReturnReader.read(n)));
        }
        Aims aims = at("aims", () -> AimsJson.read(root.path("aims")));
        List<Throw> thrown = new ArrayList<>();
        for (JsonNode n : root.path("throws")) {
            thrown.add(at("throws[" + thrown.size() + "]", () -> PlanJson.thrown(n)));
        }
        List<Group> groups = new ArrayList<>();
        for (JsonNode n : root.path("groups")) {
            groups.add(at("groups[" + groups.size() + "]", () -> group(n)));
        }
        WetBuses wet = at("wet", () -> WetJson.read(root.path("wet")));
        return at("design", () -> new Design(song, sources, returns, aims, thrown, groups, wet));
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
                            whole(m, "bar", 1, Section.MOST_BARS),
                            whole(m, "beatsPerBar", 1, 64),
                            whole(m, "beatUnit", 1, 32)));
        }
        List<Section> sections = new ArrayList<>();
        for (JsonNode s : list(n, "sections")) {
            sections.add(section(s));
        }
        SongClock clock =
                new SongClock(
                        TempoMap.of(tempo), MetreMap.of(metre), number(n, "barOneSeconds", 0));
        return new Song(text(n, "title"), whole(n, "sampleRateHz", 1, 1_000_000), clock, sections);
    }

    private Section section(JsonNode s) throws FileProblem {
        String name = text(s, "name");
        int first = whole(s, "firstBar", 1, Section.MOST_BARS);
        int bars = whole(s, "bars", 1, Section.MOST_BARS);
        if (!s.has("kind")) {
            return new Section(name, first, bars)
                    .withPlan(PlanJson.plan(s.path("plan")))
                    .ledBy(s.path("lead").asString(""));
        }
        String kind = text(s, "kind");
        SectionKind known =
                Arrays.stream(SectionKind.values())
                        .filter(k -> k.label().equals(kind))
                        .findFirst()
                        .orElseThrow(() ->
                                new IllegalArgumentException(
                                        "kind of section \"" + kind + "\" is not known"));
        return new Section(
                name,
                first,
                bars,
                known,
                PlanJson.plan(s.path("plan")),
                s.path("lead").asString(""));
    }

    private Placement placement(JsonNode n) throws FileProblem {
        return new Placement(
                whole(n, "shiftFrames", -Placement.MOST_FRAMES, Placement.MOST_FRAMES, 0),
                n.path("inverted").asBoolean(false),
                number(n, "constantOffset", 0),
                whole(n, "keepFrames", 0, Placement.MOST_FRAMES, 0));
    }

    /** Its tone; earlier files hold cuts alone, as dips. */
    private static Tone tone(JsonNode n) throws FileProblem {
        List<Tone.Bell> bells = new ArrayList<>();
        for (JsonNode d : n.path("dips")) {
            bells.add(Tone.Bell.of(ReturnReader.dip(d)));
        }
        for (JsonNode b : n.path("bells")) {
            bells.add(new Tone.Bell(number(b, "hz"), number(b, "gainDb"), number(b, "octaves")));
        }
        return new Tone(number(n, "width", 1), bells);
    }

    private static Group group(JsonNode n) throws FileProblem {
        return new Group(
                text(n, "name"),
                n.path("within").asString(""),
                number(n, "faderDb", 0),
                number(n, "lean", 0));
    }

    private Source source(JsonNode n) throws FileProblem {
        String path = JsonFields.path(n, "file", "audio");
        return new Source(
                text(n, "id"),
                text(n, "name"),
                path,
                labelled(n, "role", Role.values(), Role::label),
                n.has("kind")
                        ? labelled(n, "kind", StemKind.values(), StemKind::label)
                        : StemKind.CLOSE,
                number(n, "gainDb"),
                number(n, "pan"),
                n.path("group").asString(""),
                n.path("wet").asBoolean(false),
                placement(n.path("placement")),
                tone(n));
    }
}

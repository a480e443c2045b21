package orbispace.files.project;

import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Function;
import orbispace.core.design.Design;
import orbispace.core.design.Group;
import orbispace.core.design.Placement;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.design.Throw;
import orbispace.core.design.Tone;
import orbispace.core.time.MetreMap;
import orbispace.core.time.TempoMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes a design into a JSON document in a fixed order, over what stands there. */
final class ProjectWriter {
    private ProjectWriter() {}

    static void write(ObjectNode root, Design design) {
        root.put("orbispace", ProjectFile.VERSION);
        song(child(root, "song"), design.song());
        list(root, "sources", "id", design.sources(), Source::id, ProjectWriter::source);
        list(root, "returns", "id", design.returns(), Return::id, ReturnWriter::write);
        WetJson.write(root, design.wet());
        list(root, "groups", "name", listed(design), Group::name, ProjectWriter::group);
        if (root.path("groups").isEmpty()) {
            root.remove("groups");
        }
        AimsJson.write(root, design.aims());
        list(root, "throws", "id", design.thrown(), Throw::id, PlanJson::write);
        if (design.thrown().isEmpty()) {
            root.remove("throws");
        }
    }

    private static void song(ObjectNode n, Song song) {
        n.put("title", song.title());
        n.put("sampleRateHz", song.sampleRateHz());
        n.put("barOneSeconds", song.clock().originSeconds());
        ArrayNode tempo = n.putArray("tempo");
        for (TempoMap.Change c : song.clock().tempo().changes()) {
            ObjectNode t = tempo.addObject().put("beat", c.beat()).put("bpm", c.bpm());
            if (c.endBpm() != c.bpm()) {
                t.put("endBpm", c.endBpm());
            }
        }
        ArrayNode metre = n.putArray("metre");
        for (MetreMap.Change c : song.clock().metre().changes()) {
            metre.addObject()
                    .put("bar", c.bar())
                    .put("beatsPerBar", c.beatsPerBar())
                    .put("beatUnit", c.beatUnit());
        }
        ArrayNode sections = n.putArray("sections");
        for (Section s : song.sections()) {
            ObjectNode section =
                    sections.addObject()
                            .put("name", s.name())
                            .put("firstBar", s.firstBar())
                            .put("bars", s.bars())
                            .put("kind", s.kind().label());
            PlanJson.write(section, s.plan());
            if (!s.lead().isEmpty()) {
                section.put("lead", s.lead());
            }
        }
    }

    private static void source(ObjectNode n, Source s) {
        n.put("id", s.id());
        n.put("name", s.name());
        n.put("file", s.file());
        n.put("role", s.role().label());
        n.remove("kind");
        if (s.kind() != StemKind.CLOSE) {
            n.put("kind", s.kind().label());
        }
        n.put("gainDb", s.gainDb());
        n.put("pan", s.pan());
        n.put("group", s.group());
        n.put("wet", s.wet());
        put(n, s.tone());
        Placement p = s.placement();
        child(n, "placement")
                .put("shiftFrames", p.shiftFrames())
                .put("inverted", p.inverted())
                .put("constantOffset", p.constantOffset())
                .put("keepFrames", p.keepFrames());
    }

    private static void put(ObjectNode n, Tone tone) {
        n.remove(List.of("dips", "bells", "width"));
        if (tone.width() != 1) {
            n.put("width", tone.width());
        }
        if (!tone.bells().isEmpty()) {
            ArrayNode bells = n.putArray("bells");
            tone.bells()
                    .forEach(b ->
                            bells.addObject()
                                    .put("hz", b.hz())
                                    .put("gainDb", b.gainDb())
                                    .put("octaves", b.octaves()));
        }
    }

    /** Groups that say more than the names of their sources do, and those that hold them. */
    private static List<Group> listed(Design design) {
        return design.groups().stream()
                .filter(g ->
                        !g.isPlain()
                                || design.groups().stream()
                                        .anyMatch(i -> i.within().equals(g.name())))
                .toList();
    }

    private static void group(ObjectNode n, Group g) {
        n.put("name", g.name());
        n.remove("within");
        if (!g.within().isEmpty()) {
            n.put("within", g.within());
        }
        n.put("faderDb", g.faderDb());
        n.put("lean", g.lean());
    }

    private static ObjectNode child(ObjectNode parent, String name) {
        return parent.get(name) instanceof ObjectNode there ? there : parent.putObject(name);
    }

    /** Writes items over those of the same id, so that what is not known of them stays. */
    private static <T> void list(
            ObjectNode parent,
            String name,
            String idField,
            List<T> items,
            Function<T, String> id,
            BiConsumer<ObjectNode, T> write) {
        JsonNode old = parent.path(name);
        ArrayNode array = parent.arrayNode();
        for (T item : items) {
            ObjectNode node = parent.objectNode();
            for (JsonNode candidate : old) {
                if (candidate instanceof ObjectNode o
                        && o.path(idField).asString("").equals(id.apply(item))) {
                    node = o.deepCopy();
                }
            }
            write.accept(node, item);
            array.add(node);
        }
        parent.set(name, array);
    }
}

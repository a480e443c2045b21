package orbispace.files;

import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Function;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Placement;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.time.MetreMap;
import orbispace.core.time.TempoMap;
import org.jspecify.annotations.Nullable;
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
        list(root, "returns", "id", design.returns(), Return::id, ProjectWriter::ret);
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
            sections.addObject()
                    .put("name", s.name())
                    .put("firstBar", s.firstBar())
                    .put("bars", s.bars())
                    .put("kind", s.kind().label());
        }
    }

    private static void source(ObjectNode n, Source s) {
        n.put("id", s.id());
        n.put("name", s.name());
        n.put("file", s.file());
        n.put("role", s.role().label());
        n.put("gainDb", s.gainDb());
        n.put("pan", s.pan());
        n.put("group", s.group());
        n.put("wet", s.wet());
        Placement p = s.placement();
        child(n, "placement")
                .put("shiftFrames", p.shiftFrames())
                .put("inverted", p.inverted())
                .put("constantOffset", p.constantOffset())
                .put("keepFrames", p.keepFrames());
    }

    private static void ret(ObjectNode n, Return r) {
        n.put("id", r.id());
        n.put("name", r.name());
        ObjectNode sends = n.putObject("sendsDb");
        r.sends().forEach(sends::put);
        filter(n.putObject("filterIn"), r.filterIn());
        n.set("predelay", time(n.objectNode(), r.predelay()));
        space(n.putObject("space"), r.space());
        filter(n.putObject("filterOut"), r.filterOut());
        Duck duck = r.duck();
        if (duck == null) {
            n.remove("duck");
        } else {
            duck(n.putObject("duck"), duck);
        }
        n.put("levelDb", r.levelDb());
        n.put("timedAtBar", r.timedAtBar());
    }

    private static void filter(ObjectNode n, Filter f) {
        corner(n, "highPass", f.highPass());
        corner(n, "lowPass", f.lowPass());
    }

    private static void corner(ObjectNode n, String name, Filter.@Nullable Corner corner) {
        if (corner != null) {
            n.putObject(name).put("hz", corner.hz()).put("slopeDbPerOctave", corner.slopeDb());
        }
    }

    private static ObjectNode time(ObjectNode n, MusicalTime time) {
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
            case Space.Hall h ->
                    n.put("kind", "hall")
                            .put("decaySeconds", h.decaySeconds())
                            .put("lowRatio", h.lowRatio())
                            .put("highRatio", h.highRatio());
            case Space.PingPong p -> {
                n.put("kind", "ping-pong");
                n.set("time", time(n.objectNode(), p.time()));
                n.put("feedback", p.feedback())
                        .put("loopHighPassHz", p.loopHighPassHz())
                        .put("loopLowPassHz", p.loopLowPassHz())
                        .put("width", p.width());
            }
        }
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

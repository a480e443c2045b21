package orbispace.files.sheet;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.words.Wording;

/** What differs between two designs of a song, in the words of their recall sheets. */
public final class SheetDifferences {
    private SheetDifferences() {}

    /**
     * One difference.
     *
     * @param subject what it is about: a return, a source, the song
     * @param label which of its settings
     * @param from what it was; empty if it was not there
     * @param to what it is; empty if it is gone
     */
    public record Difference(String subject, String label, String from, String to) {}

    /** All differences, in order of the sheet. */
    public static List<Difference> of(Design from, Design to) {
        Map<String, Map<String, String>> was = words(from);
        Map<String, Map<String, String>> is = words(to);
        List<Difference> found = new ArrayList<>();
        Map<String, Map<String, String>> all = new LinkedHashMap<>(was);
        is.forEach(all::putIfAbsent);
        for (String subject : all.keySet()) {
            if (!was.containsKey(subject) || !is.containsKey(subject)) {
                boolean gone = was.containsKey(subject);
                found.add(new Difference(subject, "", gone ? "there" : "", gone ? "" : "added"));
                continue;
            }
            compare(
                    subject,
                    was.getOrDefault(subject, Map.of()),
                    is.getOrDefault(subject, Map.of()),
                    found);
        }
        return List.copyOf(found);
    }

    private static void compare(
            String subject, Map<String, String> was, Map<String, String> is, List<Difference> to) {
        Map<String, String> labels = new LinkedHashMap<>(was);
        is.forEach(labels::putIfAbsent);
        for (String label : labels.keySet()) {
            String before = was.getOrDefault(label, "");
            String after = is.getOrDefault(label, "");
            if (!before.equals(after)) {
                to.add(new Difference(subject, label, before, after));
            }
        }
    }

    private static Map<String, Map<String, String>> words(Design design) {
        RecallSheet sheet = RecallSheet.of(design, 0, Map.of());
        Map<String, Map<String, String>> all = new LinkedHashMap<>();
        Map<String, String> song = new LinkedHashMap<>();
        song.put("title", sheet.title());
        for (RecallSheet.SectionRow s : sheet.sections()) {
            song.put("section " + s.name(), "bars " + s.bars() + " at " + s.bpm() + " bpm");
        }
        all.put("song", song);
        for (RecallSheet.ReturnCard card : sheet.returns()) {
            Map<String, String> lines = new LinkedHashMap<>();
            lines.put("name", card.name());
            lines.put("kind", card.kind());
            for (RecallSheet.Line line : card.lines()) {
                lines.merge(line.label(), line.value(), (a, b) -> a + "; " + b);
            }
            all.put("return " + card.id(), lines);
        }
        for (Source s : design.sources()) {
            Map<String, String> lines = new LinkedHashMap<>();
            lines.put("name", s.name());
            lines.put("role", s.role().label());
            lines.put("level", Wording.db(s.gainDb()));
            lines.put("pan", Wording.number(100 * s.pan(), 0));
            lines.put("shift", s.placement().shiftFrames() + " samples");
            lines.put("polarity", s.placement().inverted() ? "inverted" : "as it is");
            lines.put("tone", SongWording.tone(s.tone()));
            lines.put("in sections", PlanWording.moves(design, s.id()));
            all.put("source " + s.id(), lines);
        }
        return all;
    }
}

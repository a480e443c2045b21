package orbispace.core.design;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;

/**
 * A change of a song's time or form.
 *
 * @param song as it is after the change
 * @param subject what changes, in words
 */
public record SongEdit(Song song, String subject) implements Edit {
    /**
     * Some sources differ in a section.
     *
     * @param section its place among the sections
     * @throws IllegalArgumentException if a value is out of range
     */
    public static SongEdit moved(
            Design design,
            int section,
            Set<String> sourceIds,
            UnaryOperator<SourceCell> change,
            String what) {
        List<Section> sections = new ArrayList<>(design.song().sections());
        Section here = sections.get(section);
        SectionPlan plan = here.plan();
        for (String id : new TreeSet<>(sourceIds)) {
            plan = plan.withSource(id, change.apply(plan.source(id)));
        }
        sections.set(section, here.withPlan(plan));
        return new SongEdit(design.song().withSections(sections), what + " in " + here.name());
    }

    @Override
    public Design applyTo(Design design) {
        return design.withSong(song);
    }
}

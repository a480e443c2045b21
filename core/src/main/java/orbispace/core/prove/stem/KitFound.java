package orbispace.core.prove.stem;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import orbispace.core.material.StemFacts;
import orbispace.core.material.kit.Kit;
import orbispace.core.material.kit.KitStem;

/**
 * A kit among the sources of a song.
 *
 * @param ids of the sources that were looked at, in the order of the kit's stems
 * @param kit what they hold together
 */
public record KitFound(List<String> ids, Kit kit) {
    /** Keeps its own list. */
    public KitFound {
        ids = List.copyOf(ids);
    }

    /** The sources that share strokes with others. */
    public Set<String> members() {
        return kit.sharing().stream().map(ids::get).collect(Collectors.toSet());
    }

    /** What is known of a source, with its strokes and room as the whole kit tells them. */
    public StemFacts facts(String id, StemFacts alone) {
        if (!members().contains(id)) {
            return alone;
        }
        KitStem stem = kit.stems().get(ids.indexOf(id));
        StemFacts told = alone.withStrokes(stem.events(), stem.gate().or(stem::gateWithGhosts));
        return stem.room().map(told::withRoom).orElse(told);
    }

    /** Pairs of which not both belong to the kit: those that do are told as one. */
    public List<SharedSound> without(List<SharedSound> pairs) {
        Set<String> members = members();
        return pairs.stream()
                .filter(p -> !members.contains(p.first()) || !members.contains(p.second()))
                .toList();
    }
}

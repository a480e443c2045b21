package orbispace.core.design;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Changes that were proposed for one and the same design, made together as far as they do not
 * contradict each other: what two of them would change, the first changes.
 *
 * @param edits the changes, the most wanted first
 * @param subject what changes, in words
 */
public record EditsTogether(List<Edit> edits, String subject) implements Edit {
    /** Keeps its own list. */
    public EditsTogether {
        edits = List.copyOf(edits);
    }

    @Override
    public Design applyTo(Design design) {
        Design now = design;
        Set<String> moved = new LinkedHashSet<>();
        for (Edit edit : edits) {
            now = with(now, design, edit.applyTo(design), moved);
        }
        return now;
    }

    private static Design with(Design now, Design base, Design made, Set<String> moved) {
        Map<String, Source> sources = new LinkedHashMap<>();
        made.sources().forEach(s -> sources.put(s.id(), s));
        Set<String> changed = new LinkedHashSet<>();
        for (Source s : base.sources()) {
            if (!s.equals(sources.get(s.id()))) {
                changed.add(s.id());
            }
        }
        if (changed.stream().anyMatch(moved::contains)) {
            return now;
        }
        try {
            Design laid = Rebase.onto(now, base, made);
            moved.addAll(changed);
            List<Source> kept =
                    now.sources().stream()
                            .filter(s -> !changed.contains(s.id()) || sources.containsKey(s.id()))
                            .map(s ->
                                    changed.contains(s.id()) ? sources.getOrDefault(s.id(), s) : s)
                            .toList();
            return changed.isEmpty() ? laid : new SourcesEdit(kept, "").applyTo(laid);
        } catch (IllegalArgumentException e) {
            return now;
        }
    }
}

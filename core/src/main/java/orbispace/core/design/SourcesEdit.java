package orbispace.core.design;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * A change of the song's sources. Sends of a source that is taken out go with it, and so do duckers
 * that it keys.
 *
 * @param sources as they are after the change
 * @param subject what changes, in words
 */
public record SourcesEdit(List<Source> sources, String subject) implements Edit {
    /** Keeps its own list. */
    public SourcesEdit {
        sources = List.copyOf(sources);
    }

    /** A change of one source that stays in its place. */
    public static SourcesEdit of(Design design, Source changed, String what) {
        return new SourcesEdit(
                design.sources().stream()
                        .map(s -> s.id().equals(changed.id()) ? changed : s)
                        .toList(),
                what + " of " + changed.name());
    }

    /** Sources that are added at the end. */
    public static SourcesEdit adding(Design design, List<Source> more) {
        return new SourcesEdit(
                Stream.concat(design.sources().stream(), more.stream()).toList(),
                more.size() == 1 ? "bring " + more.getFirst().name() : "bring stems");
    }

    /** A source that is taken out. */
    public static SourcesEdit without(Design design, Source source) {
        return new SourcesEdit(
                design.sources().stream().filter(s -> !s.id().equals(source.id())).toList(),
                "take out " + source.name());
    }

    @Override
    public Design applyTo(Design design) {
        return new Design(
                design.song(),
                sources,
                design.returns().stream().map(r -> known(r, design.groups())).toList(),
                design.aims(),
                design.thrown(),
                design.groups(),
                design.wet());
    }

    private Return known(Return r, List<Group> groups) {
        Map<String, Send> sends = new TreeMap<>();
        r.sends()
                .forEach((id, send) -> {
                    if (has(id)) {
                        Gate gate = send.gate();
                        boolean keyed = gate == null || knows(gate.key(), groups);
                        sends.put(id, keyed ? send : send.withGate(null));
                    }
                });
        Return kept = sends.equals(r.sends()) ? r : r.withSends(sends);
        if (kept.duck() != null && !knows(kept.duck().keySource(), groups)) {
            kept = kept.withDuck(null);
        }
        if (kept.gate() != null && !knows(kept.gate().key(), groups)) {
            kept = kept.withChain(kept.chain().withGate(null));
        }
        return kept;
    }

    private boolean knows(String key, List<Group> groups) {
        return key.isEmpty()
                || key.equals(Leads.KEY)
                || has(key)
                || !Groups.of(sources, groups).members(key).isEmpty();
    }

    private boolean has(String id) {
        return sources.stream().anyMatch(s -> s.id().equals(id));
    }
}

package orbispace.app.song;

import java.util.Set;

/**
 * Which of the song's own events are shown as rings.
 *
 * @param sources ids of the sources whose rests or hits they are; empty for the lead and the
 *     busiest hits
 * @param inSection whether only events of the chosen section count
 */
public record EventChoice(Set<String> sources, boolean inSection) {
    /** The lead and the busiest hits, over the whole song. */
    public static final EventChoice USUAL = new EventChoice(Set.of(), false);

    /** Keeps its own set. */
    public EventChoice {
        sources = Set.copyOf(sources);
    }

    /** The same with a source in or out. */
    public EventChoice toggled(String source) {
        Set<String> other = new java.util.TreeSet<>(sources);
        if (!other.remove(source)) {
            other.add(source);
        }
        return new EventChoice(other, inSection);
    }
}

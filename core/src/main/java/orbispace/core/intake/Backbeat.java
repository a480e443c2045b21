package orbispace.core.intake;

import java.util.List;

/**
 * The drum that carries the backbeat.
 *
 * @param drum what it is in a word, or the name of its one stem
 * @param sources ids of its close microphones, the one with most energy there first
 * @param strokes how many of its strokes fall on those beats
 * @param onBeats false if nothing strikes there, and it is the drum with most energy anywhere
 */
public record Backbeat(String drum, List<String> sources, int strokes, boolean onBeats) {
    /** Keeps its own list. */
    public Backbeat {
        sources = List.copyOf(sources);
    }
}

package orbispace.core.clear;

import java.util.List;
import orbispace.core.design.Design;

/**
 * A set of changes that clears a source, or comes as near as can be.
 *
 * @param steps in the order in which they were taken; each was rendered on top of those before
 * @param design the field with all of them
 * @param before how the source stood
 * @param after how it stands
 * @param met whether the targets are met
 * @param words what was reached and why it stopped
 */
public record Solution(
        List<Proposal> steps,
        Design design,
        Standing before,
        Standing after,
        boolean met,
        String words) {
    /** Keeps its own list. */
    public Solution {
        steps = List.copyOf(steps);
    }
}

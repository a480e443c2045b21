package orbispace.core.clear;

import java.util.List;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;

/**
 * A small change of dry sources that makes room between two of them, with what it was rendered to
 * do. What is kept is a source's loudness beside the other one, as a share of its loudness without
 * it, at the better ear.
 *
 * @param changed the sources as they would be
 * @param change it in words
 * @param why the cause, with this song's values
 * @param first the source that should come through
 * @param second the one that fights with it
 * @param before what is kept of both as they stand
 * @param after what is kept of both with the change
 */
public record RoomMove(
        List<Source> changed,
        String change,
        String why,
        Source first,
        Source second,
        Kept before,
        Kept after) {
    /** What is kept of both, 0 to 1. */
    public record Kept(double first, double second) {}

    /** Keeps its own list. */
    public RoomMove {
        changed = List.copyOf(changed);
    }

    /** What it wins; what the second keeps more or less counts half. */
    public double gain() {
        return after.first - before.first + (after.second - before.second) / 2;
    }

    /** The change as an edit of a design. */
    public SourcesEdit edit(Design design) {
        return new SourcesEdit(
                design.sources().stream().map(this::asChanged).toList(),
                "room between " + first.name() + " and " + second.name());
    }

    private Source asChanged(Source s) {
        return changed.stream().filter(c -> c.id().equals(s.id())).findFirst().orElse(s);
    }
}

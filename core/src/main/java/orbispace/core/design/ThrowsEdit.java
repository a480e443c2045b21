package orbispace.core.design;

import java.util.List;
import java.util.stream.Stream;

/**
 * A change of the thrown words.
 *
 * @param thrown all throws as they are after the change
 * @param subject what changes, in words
 */
public record ThrowsEdit(List<Throw> thrown, String subject) implements Edit {
    /** Keeps its own list. */
    public ThrowsEdit {
        thrown = List.copyOf(thrown);
    }

    /** One more throw. */
    public static ThrowsEdit adding(Design design, Throw more) {
        return new ThrowsEdit(
                Stream.concat(design.thrown().stream(), Stream.of(more)).toList(),
                "throw of " + more.sourceId() + " to " + more.returnId());
    }

    /** One more throw, and the same of other sources, such as all of a group. */
    public static ThrowsEdit adding(Design design, Throw more, List<Source> also) {
        ThrowsEdit edit = adding(design, more);
        for (Source s : also) {
            if (!s.id().equals(more.sourceId())) {
                Design now = edit.applyTo(design);
                Throw one =
                        Throw.of(
                                freshId(now),
                                s.id(),
                                more.returnId(),
                                more.fromBeat(),
                                more.toBeat(),
                                more.levelDb());
                edit = new ThrowsEdit(adding(now, one).thrown(), edit.subject());
            }
        }
        return edit;
    }

    /** A throw that is changed. */
    public static ThrowsEdit changing(Design design, Throw changed) {
        return new ThrowsEdit(
                design.thrown().stream()
                        .map(t -> t.id().equals(changed.id()) ? changed : t)
                        .toList(),
                "throw of " + changed.sourceId() + " to " + changed.returnId());
    }

    /** A throw that is taken away. */
    public static ThrowsEdit without(Design design, String id) {
        return new ThrowsEdit(
                design.thrown().stream().filter(t -> !t.id().equals(id)).toList(),
                "throw taken away");
    }

    @Override
    public Design applyTo(Design design) {
        return design.withThrown(thrown);
    }

    /** An id that no throw of a design has. */
    public static String freshId(Design design) {
        int n = design.thrown().size() + 1;
        while (has(design, "t" + n)) {
            n++;
        }
        return "t" + n;
    }

    private static boolean has(Design design, String id) {
        return design.thrown().stream().anyMatch(t -> t.id().equals(id));
    }
}

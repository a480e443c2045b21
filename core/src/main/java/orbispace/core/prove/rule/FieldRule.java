package orbispace.core.prove.rule;

import java.util.List;
import orbispace.core.design.Purpose;
import orbispace.core.prove.Finding;

/** A rule about a whole design: a small class of its own, listed in {@link FieldFindings}. */
interface FieldRule {
    /** What it finds; nothing where what it needs was not measured. */
    List<Finding> find(FieldFacts facts);

    /**
     * Whether it holds for returns of a purpose; an effect is held against nothing but levels and
     * headroom.
     */
    default boolean holdsFor(Purpose purpose) {
        return !purpose.isLeftAlone();
    }
}

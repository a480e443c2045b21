package orbispace.core.prove.rule;

import java.util.List;
import orbispace.core.prove.Finding;

/** A rule about a whole design: a small class of its own, listed in {@link FieldFindings}. */
interface FieldRule {
    /** What it finds; nothing where what it needs was not measured. */
    List<Finding> find(FieldFacts facts);
}

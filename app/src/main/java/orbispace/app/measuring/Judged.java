package orbispace.app.measuring;

import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.material.Phrases;

/** Who is judged against the returns, by what, and against which field. */
public interface Judged {
    /** The source that is judged; empty if there is none. */
    Optional<Source> source();

    /** Where it speaks. */
    Phrases phrases();

    /** What is asked of it against a return. */
    Optional<Targets> targets(String returnId);

    /** Whether enough is known of a source to judge it. */
    boolean isMeasured(Source source);

    /** The field with which this one is compared. */
    Design before();
}

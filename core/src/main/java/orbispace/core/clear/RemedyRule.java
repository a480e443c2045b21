package orbispace.core.clear;

import java.util.Optional;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.render.Job;

/** Looks for one kind of remedy. */
interface RemedyRule {
    /** The kind. */
    Setting kind();

    /**
     * A change of this kind that should help, to be rendered; empty if there is nothing for it to
     * do.
     *
     * @param now how the source stands
     */
    Optional<Candidate> find(
            Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job);
}

package orbispace.core.candidate;

import java.util.function.DoubleUnaryOperator;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.Question;
import orbispace.core.clear.ShareLevel;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/**
 * Sets candidates for a return to the same wet share: its partial loudness beside everything else
 * as a share of all loudness, heard at the full rate of the ear. Bisection on the level, which
 * raises the share; excitations are scaled, each candidate is rendered once.
 */
public final class EqualShare {
    /** How far a share may be from the one that is asked. */
    public static final double CLOSE = 0.002;

    private static final double LEAST_DB = -60;
    private static final double MOST_DB = 12;
    private static final double STEP_DB = 0.01;

    private final CoverAnalysis analysis;
    private final Design design;
    private final String returnId;
    private final Span span;

    /**
     * Sets candidates for a return of a field.
     *
     * @param span the stretch that is heard
     * @throws IllegalArgumentException if the field has no source or no such return
     */
    public EqualShare(CoverAnalysis analysis, Design design, String returnId, Span span) {
        if (design.sources().isEmpty()) {
            throw new IllegalArgumentException("there is no source that could be sent anywhere");
        }
        this.analysis = analysis;
        this.design = design;
        this.returnId = design.requireReturn(returnId).id();
        this.span = span;
    }

    /** The return as it stands, whose share the others are to have. */
    public Candidate asItStands(Job job) {
        Return r = design.requireReturn(returnId);
        return new Candidate("as it stands", r, shares(r, job).applyAsDouble(r.levelDb()), true);
    }

    /** A candidate at the level at which it has a share, or as near to it as a level brings it. */
    public Candidate at(Candidate.Tried tried, double share, Job job) {
        DoubleUnaryOperator shares = shares(tried.ret(), job);
        double low = LEAST_DB;
        double high = MOST_DB;
        while (high - low > STEP_DB / 2) {
            double middle = (low + high) / 2;
            if (shares.applyAsDouble(middle) < share) {
                low = middle;
            } else {
                high = middle;
            }
        }
        double level = Math.rint(low / STEP_DB) * STEP_DB;
        double reached = shares.applyAsDouble(level);
        return new Candidate(
                tried.name(),
                tried.ret().withLevel(level),
                reached,
                Math.abs(reached - share) <= CLOSE);
    }

    private DoubleUnaryOperator shares(Return r, Job job) {
        Question q =
                new Question(
                        design.withReturn(r),
                        design.sources().getFirst(),
                        returnId,
                        Phrases.NONE,
                        span,
                        false);
        return ShareLevel.byLevel(analysis, q, job);
    }
}

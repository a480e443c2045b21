package orbispace.core.draft;

import java.util.Comparator;
import java.util.List;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.Question;
import orbispace.core.clear.ShareLevel;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.hearing.WetState;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/**
 * Sets return levels so that each is noticed as much as asked: bisection on the wet share beside
 * the lead, over a stretch of the song and with all other returns sounding. A state that the
 * level's range cannot reach ends at the end of the range.
 */
public final class StateLevels {
    private static final double LEAST_DB = -40;
    private static final double MOST_DB = 6;
    private static final double STEP_DB = 0.5;

    private StateLevels() {}

    /**
     * The returns at the levels that make them so noticed.
     *
     * @param design its returns are set one by one, each by itself
     * @param phrases where the first lead speaks, in seconds of the song
     * @param span the stretch that is listened to
     * @param state how much each should be noticed
     */
    public static List<Return> of(
            CoverAnalysis analysis,
            Design design,
            List<Span> phrases,
            Span span,
            WetState state,
            Job job) {
        Design set = design;
        // A second round, since each return is heard beside the others.
        for (int round = 0; round < 2; round++) {
            for (Return r : design.returns()) {
                Return now = set.requireReturn(r.id());
                set = set.withReturn(leveled(analysis, set, now, phrases, span, state, job));
            }
        }
        return set.returns();
    }

    private static Return leveled(
            CoverAnalysis analysis,
            Design design,
            Return r,
            List<Span> phrases,
            Span span,
            WetState state,
            Job job) {
        Question q =
                new Question(design, judged(design, r), r.id(), Phrases.at(phrases), span, false);
        double level = ShareLevel.of(analysis, q, state.aimShare(), LEAST_DB, MOST_DB, job);
        return r.withLevel(Math.rint(level / STEP_DB) * STEP_DB);
    }

    /** The first lead, or where there is none what is sent most into the return. */
    private static Source judged(Design design, Return r) {
        return design.sourcesOf(Role.LEAD).stream()
                .findFirst()
                .or(() ->
                        design.sources().stream()
                                .filter(s -> r.sends().containsKey(s.id()))
                                .max(Comparator.comparingDouble(s -> r.sendDb(s.id()).orElse(-90))))
                .orElseGet(() -> design.sources().getFirst());
    }
}

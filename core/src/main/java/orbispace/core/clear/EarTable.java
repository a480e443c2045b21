package orbispace.core.clear;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.render.Job;

/**
 * The ear words: for each its measure, the value from which it is borne out, where it lives, and
 * the changes that answer it with the size of their step.
 *
 * <p>Limits are argued from masking and common practice, not tested on listeners.
 */
public final class EarTable {
    private static final double THICK_SHARE = 0.12;
    private static final double BOXY_SHARE = 0.42;
    private static final double SIZZLE_SHARE = 0.06;

    private final CoverAnalysis analysis;

    /** A table that measures with an analysis. */
    public EarTable(CoverAnalysis analysis) {
        this.analysis = analysis;
    }

    /** What the measures say to a word about one return. */
    public Diagnosis diagnose(EarWord word, Question q, Targets targets, Job job) {
        EarEvidence e = new EarEvidence(q, analysis, job);
        EarRow row = row(word, e, targets, job);
        List<Proposal> rendered = new ArrayList<>();
        Set<Setting> locked = q.design().aims().lockedOf(q.returnId());
        for (Candidate c : row.answers()) {
            job.check();
            if (!Collections.disjoint(locked, Setting.changedBy(c.edit(), q.design()))) {
                continue;
            }
            Proposal p = RemedyFinder.rendered(analysis, q, e.standing, c, job);
            if (KeepGuard.lets(q, p)) {
                rendered.add(p);
            }
        }
        rendered.sort(Comparator.comparingDouble((Proposal p) -> p.gain(targets)).reversed());
        return new Diagnosis(
                word,
                row.supported(),
                row.evidence(),
                row.lowHz(),
                row.highHz(),
                row.moments(),
                HeardCells.of(analysis, q, job),
                rendered);
    }

    private EarRow row(EarWord word, EarEvidence e, Targets t, Job job) {
        return switch (word) {
            case TOO_THICK ->
                    ColourWords.share(
                            e,
                            20,
                            250,
                            Math.max(THICK_SHARE, t.lowShare()),
                            EarAnswers.highPass(e));
            case BOXY -> ColourWords.share(e, 250, 600, BOXY_SHARE, EarAnswers.dip(e, 420));
            case SIZZLY ->
                    ColourWords.share(e, 7000, 16000, SIZZLE_SHARE, EarAnswers.lowPass(e, 0.75));
            case SHARP -> ColourWords.sharp(e, t);
            case TOO_LONG -> TailWords.tooLong(e);
            case WASHED_OUT -> ColourWords.washed(e, t, analysis, job);
            case TOO_FAR -> PlaceWords.tooFar(e);
            case TOO_NEAR -> PlaceWords.tooNear(e);
            case TOO_OBVIOUS -> PlaceWords.noticed(e, t, true);
            case LOST -> PlaceWords.noticed(e, t, false);
            case PUMPING -> MovementWords.pumping(e);
            case PHASEY -> MovementWords.phasey(e);
            case FLUTTERY -> TailWords.fluttery(e);
            case CROWDING -> TailWords.crowding(e);
            case STOPS_DEAD -> TailWords.stopsDead(e);
            case DULL -> LackWords.dull(e);
            case THIN -> LackWords.thin(e);
            case NARROW -> LackWords.narrow(e);
            case APART -> LackWords.apart(e);
            case TOO_SHORT -> LackWords.tooShort(e);
            case UNFINISHED -> LackWords.unfinished(e);
        };
    }
}

package orbispace.core.clear;

import java.util.Collections;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import orbispace.core.design.Design;
import orbispace.core.design.Purpose;
import orbispace.core.design.Purposes;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.render.Job;

/**
 * Finds remedies where a return covers a source. Every proposal is really rendered and measured;
 * best gain per cost comes first, and what brings nothing nearer to the targets is left out.
 */
public final class RemedyFinder {
    private static final double LEAST_GAIN = 0.2;

    private final CoverAnalysis analysis;
    private final Targets targets;
    private final Set<Setting> barred;
    private final List<RemedyRule> rules;

    /** All remedies for these targets. */
    public RemedyFinder(CoverAnalysis analysis, Targets targets) {
        this(analysis, targets, EnumSet.noneOf(Setting.class));
    }

    /** Remedies for these targets but for some kinds. */
    public RemedyFinder(CoverAnalysis analysis, Targets targets, Set<Setting> barred) {
        this(
                analysis,
                targets,
                barred,
                all().stream().filter(r -> !barred.contains(r.kind())).toList());
    }

    private RemedyFinder(
            CoverAnalysis analysis, Targets targets, Set<Setting> barred, List<RemedyRule> rules) {
        this.analysis = analysis;
        this.targets = targets;
        this.barred = Set.copyOf(barred);
        this.rules = rules;
    }

    private static List<RemedyRule> all() {
        return List.of(
                new FilterRules.HighPass(),
                new FilterRules.LowPass(),
                new FilterRules.Dip(),
                new GateRule(),
                new DuckRule(false),
                new DuckRule(true),
                new HissDuckRule(),
                new TimeRules.Decay(),
                new TimeRules.Predelay(),
                new LevelRule(),
                new RaiseRule());
    }

    /** The same for other targets. */
    RemedyFinder with(Targets other) {
        return new RemedyFinder(analysis, other, barred, rules);
    }

    /** The same without any that makes a return louder. */
    RemedyFinder lowering() {
        return new RemedyFinder(
                analysis,
                targets,
                barred,
                rules.stream().filter(r -> !(r instanceof RaiseRule)).toList());
    }

    /** The same without the remedies for which the space itself has to be rendered again. */
    RemedyFinder quick() {
        Set<Setting> more = EnumSet.noneOf(Setting.class);
        more.addAll(barred);
        for (Setting kind : Setting.values()) {
            if (kind.rendersSpace()) {
                more.add(kind);
            }
        }
        return new RemedyFinder(
                analysis,
                targets,
                more,
                rules.stream().filter(r -> !more.contains(r.kind())).toList());
    }

    /** Kinds that are not proposed. */
    Set<Setting> barred() {
        return barred;
    }

    /** What is asked for. */
    public Targets targets() {
        return targets;
    }

    /** How a source stands. */
    public Standing standing(Question q, Job job) {
        return analysis.standing(q, job);
    }

    /** A standing with what the return's width says, as it is to be told. */
    Standing told(Question q, Standing standing, Job job) {
        return analysis.told(q, standing, job);
    }

    /** A proposal with what the return's width says before and after it. */
    public Proposal told(Question q, Proposal p, Job job) {
        return new Proposal(
                p.kind(),
                p.edit(),
                p.change(),
                p.why(),
                told(q, p.standingBefore(), job),
                told(q.of(p.edit().applyTo(q.design())), p.standingAfter(), job),
                p.cost());
    }

    /**
     * Proposals for one question, best bargain first; none where the targets are met, and none that
     * touches what is locked.
     */
    public List<Proposal> propose(Question q, Job job) {
        Standing now = analysis.standing(q, job);
        Set<Setting> locked = q.design().aims().lockedOf(q.returnId());
        Purpose purpose = Purposes.of(q.design(), q.ret());
        return rules.parallelStream()
                .filter(rule -> !locked.contains(rule.kind()) && purpose.allows(rule.kind()))
                .map(rule -> proposal(rule, q, now, job))
                .flatMap(Optional::stream)
                .filter(p -> p.gain(targets) > LEAST_GAIN || p.settles(targets))
                .filter(p -> Collections.disjoint(locked, Setting.changedBy(p.edit(), q.design())))
                .filter(p -> KeepGuard.lets(q, p))
                .sorted(
                        Comparator.comparingDouble((Proposal p) -> p.bargain(targets))
                                .reversed()
                                .thenComparing(Proposal::kind))
                .toList();
    }

    /** Half of a ducker or of a step of level, rendered; empty for what has no half. */
    Optional<Proposal> halved(Proposal p, Question q, Job job) {
        return Candidate.halved(p, q.ret())
                .map(c -> rendered(analysis, q, p.standingBefore(), c, job))
                .filter(half -> KeepGuard.lets(q, half));
    }

    private Optional<Proposal> proposal(RemedyRule rule, Question q, Standing now, Job job) {
        job.check();
        return rule.find(q, now, targets, analysis, job)
                .map(c -> rendered(analysis, q, now, c, job));
    }

    /** A candidate with what it does. */
    static Proposal rendered(
            CoverAnalysis analysis, Question q, Standing now, Candidate c, Job job) {
        Design changed = c.edit().applyTo(q.design());
        Standing after = analysis.standing(q.of(changed), job);
        double bloomLost = now.cover().bloomDb().orElse(-60) - after.cover().bloomDb().orElse(-60);
        return new Proposal(
                c.kind(),
                c.edit(),
                c.change(),
                c.why(),
                now,
                after,
                new Proposal.Cost(c.octaves(), c.duckDb(), c.levelDb(), c.decayShare(), bloomLost));
    }
}

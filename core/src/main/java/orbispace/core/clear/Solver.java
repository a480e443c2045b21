package orbispace.core.clear;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.hearing.WetState;
import orbispace.core.render.Job;

/**
 * Takes the best bargain again and again until the targets are met or nothing helps any more.
 * Remedies behind the space are tried first; the space itself is changed only where they do not
 * suffice. What the targets ask may be out of reach, such as an effect that must be heard in a
 * dense mix without covering it: then it stops at the best it found and says so.
 */
public final class Solver {
    private static final int MOST_STEPS = 8;
    private static final double LEAST_STEP = 0.5;

    private final RemedyFinder finder;

    /** A solver that takes what a finder proposes. */
    public Solver(RemedyFinder finder) {
        this.finder = finder;
    }

    /** Clears one source of one return, or of all returns by changes of this one. */
    public Solution solve(Question q, Job job) {
        Way way = new Way(q, job, finder.targets());
        way.go(finder.quick());
        if (!way.arrived()) {
            way.go(finder);
        }
        return way.solution(finder.standing(q, job));
    }

    /** The steps taken so far, where they lead, and what is still missing. */
    private final class Way {
        private final Question q;
        private final Job job;
        private final Targets targets;
        private final List<Proposal> steps = new ArrayList<>();
        private Design design;
        private Standing now;

        Way(Question q, Job job, Targets targets) {
            this.q = q;
            this.job = job;
            this.targets = targets;
            design = q.design();
            now = finder.standing(q, job);
        }

        boolean arrived() {
            return now.meets(targets);
        }

        void go(RemedyFinder proposing) {
            while (!arrived() && steps.size() < MOST_STEPS) {
                job.check();
                List<Proposal> open = proposing.propose(q.of(design), job);
                if (open.isEmpty()) {
                    return;
                }
                take(open.getFirst());
                job.report(steps.size() / (double) MOST_STEPS);
            }
        }

        void take(Proposal step) {
            steps.add(step);
            design = step.edit().applyTo(design);
            now = step.standingAfter();
        }

        Solution solution(Standing before) {
            return Solver.solution(steps, design, before, now, targets);
        }
    }

    /**
     * Clears one source of every return by the defaults for each, and then of all of them together.
     */
    public Solution solveField(Question q, Job job) {
        Question all =
                new Question(q.design(), q.source(), q.returnId(), q.phrases(), q.span(), true);
        Standing before = finder.standing(all, job);
        List<Proposal> steps = new ArrayList<>();
        Design design = q.design();
        List<Return> returns = q.design().returns();
        for (Return r : returns) {
            Targets targets = asked(design, q.source(), r);
            Question one = new Question(design, q.source(), r.id(), q.phrases(), q.span(), false);
            Solution part = new Solver(finder.with(targets)).solve(one, job);
            steps.addAll(part.steps());
            design = part.design();
            job.report(steps.size() / (steps.size() + 4.0));
        }
        for (int round = 0; round < 4 * returns.size(); round++) {
            Question together = all.of(design);
            if (finder.standing(together, job).uncovers(finder.targets())) {
                break;
            }
            Optional<Proposal> next = next(together, job);
            if (next.isEmpty()) {
                break;
            }
            steps.add(next.get());
            design = next.get().edit().applyTo(design);
        }
        return solution(
                steps, design, before, finder.standing(all.of(design), job), finder.targets());
    }

    private Targets asked(Design design, Source source, Return r) {
        return design.aims()
                .of(source.id(), r.id())
                .orElseGet(() ->
                        Targets.of(design, source, r).withPresence(finder.targets().presence()));
    }

    /**
     * The best bargain with the return that covers most. One that would hide a return which should
     * be noticed is taken by half, and whole only where no return has another.
     */
    private Optional<Proposal> next(Question together, Job job) {
        List<Proposal> hiding = new ArrayList<>();
        for (String id : byCover(together, job)) {
            job.check();
            for (Proposal p : finder.quick().propose(together.about(id), job)) {
                if (p.gain(finder.targets()) < LEAST_STEP) {
                    continue;
                }
                if (!hides(together, p, job)) {
                    return Optional.of(p);
                }
                Optional<Proposal> less =
                        finder.halved(p, together.about(id), job)
                                .filter(h -> h.gain(finder.targets()) >= LEAST_STEP)
                                .filter(h -> !hides(together, h, job));
                if (less.isPresent()) {
                    return less;
                }
                hiding.add(p);
            }
        }
        return hiding.stream().findFirst();
    }

    /** Whether a proposal makes a return hidden that is not, though it should be noticed. */
    private boolean hides(Question together, Proposal p, Job job) {
        String id = p.edit().returnId();
        Question now = alone(together, id);
        Targets wanted = asked(now.design(), now.source(), now.ret());
        Question then = now.of(p.edit().applyTo(now.design()));
        return wanted.state() != WetState.HIDDEN
                && finder.standing(now, job).cover().state() != WetState.HIDDEN
                && finder.standing(then, job).cover().state() == WetState.HIDDEN;
    }

    private static Question alone(Question q, String id) {
        return new Question(q.design(), q.source(), id, q.phrases(), q.span(), false);
    }

    /** Returns by how much each covers the source by itself, the worst first. */
    private List<String> byCover(Question q, Job job) {
        return q.design().returns().stream()
                .map(Return::id)
                .sorted(
                        Comparator.comparingDouble(id ->
                                finder.standing(alone(q, id), job)
                                        .cover()
                                        .presenceKept()
                                        .orElse(1)))
                .toList();
    }

    private static Solution solution(
            List<Proposal> steps, Design design, Standing before, Standing after, Targets t) {
        boolean met = after.meets(t) || after.uncovers(t);
        String reached =
                Candidate.text(
                        "presence %.0f %%, worst phrase %.0f %%, %s",
                        100 * after.cover().presenceKept().orElse(1),
                        100 * after.cover().worstPhrase().orElse(1),
                        after.cover().state().name().toLowerCase(java.util.Locale.ROOT));
        String words =
                met
                        ? (steps.isEmpty() ? "Clear as it is: " : "Reached: ") + reached + "."
                        : Candidate.text(
                                "Not all can be met; the best reachable is %s, where %.0f and %.0f"
                                        + " %% were asked.",
                                reached, 100 * t.presence(), 100 * t.worstPhrase());
        return new Solution(steps, design, before, after, met, words);
    }
}

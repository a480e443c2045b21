package orbispace.core.clear;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.hearing.WetState;
import orbispace.core.render.Job;
import orbispace.core.words.Wording;

/**
 * Takes the best bargain again and again until the targets are met or nothing helps any more.
 * Remedies behind the space are tried first; the space itself is changed only where they do not
 * suffice. What the targets ask may be out of reach, such as an effect that must be heard in a
 * dense mix without covering it: then it stops at the best it found and says so.
 */
public final class Solver {
    private static final int MOST_STEPS = 10;
    private static final int HURRIED_STEPS = 4;
    private static final int MOST_ROUNDS = 3;
    private static final double LEAST_STEP = 0.5;

    private final RemedyFinder finder;

    /** A solver that takes what a finder proposes. */
    public Solver(RemedyFinder finder) {
        this.finder = finder;
    }

    /** Clears one source of one return, or of all returns by changes of this one. */
    public Solution solve(Question q, Job job) {
        return gone(q, job).solution(finder.told(q, finder.standing(q, job), job));
    }

    private Way gone(Question q, Job job) {
        Way way = new Way(q, job, finder.targets());
        way.go(finder.quick());
        if (!way.arrived()) {
            way.go(finder);
        }
        return way;
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
                take(best(open));
                job.report(steps.size() / (double) MOST_STEPS);
            }
        }

        /** What settles all; else the best bargain, and near the end what brings most. */
        private Proposal best(List<Proposal> open) {
            Comparator<Proposal> byGain = Comparator.comparingDouble(p -> p.gain(targets));
            boolean hurried = steps.size() >= MOST_STEPS - HURRIED_STEPS;
            return open.stream()
                    .filter(p -> p.settles(targets))
                    .findFirst()
                    .orElseGet(() ->
                            hurried ? open.stream().max(byGain).orElseThrow() : open.getFirst());
        }

        void take(Proposal step) {
            steps.add(step);
            design = step.edit().applyTo(design);
            now = step.standingAfter();
        }

        Solution solution(Standing before) {
            Standing told = finder.told(q.of(design), now, job);
            boolean tired = steps.size() >= MOST_STEPS;
            return Solver.this.solution(
                    steps, design, before, told, told.stateWords(), told.misses(targets), tired);
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
        Design each = eachAlone(all, steps, job);
        Design design = together(all.of(each), steps, job);
        Standing after = finder.standing(all.of(design), job);
        List<String> misses = new ArrayList<>();
        List<String> states = new ArrayList<>();
        for (Return r : design.returns()) {
            Targets asked = asked(design, q.source(), r);
            Question one = alone(all.of(design), r.id());
            Standing there = finder.told(one, finder.standing(one, job), job);
            states.add(r.id() + " " + there.stateWords());
            if (!asked.accepts(there.cover().state())) {
                misses.add(
                        r.id()
                                + " "
                                + there.loudWords()
                                + " where "
                                + asked.state().label()
                                + " was asked");
            }
        }
        misses.addAll(0, after.covered(finder.targets()));
        return solution(steps, design, before, after, String.join(", ", states), misses, false);
    }

    /** What one return is set to changes how the others stand beside it: several rounds. */
    private Design eachAlone(Question all, List<Proposal> steps, Job job) {
        Set<String> unheard = unheard(all, job);
        Design design = all.design();
        for (int round = 0; round < MOST_ROUNDS; round++) {
            int taken = steps.size();
            for (Return r : all.design().returns()) {
                Question one = alone(all.of(design), r.id());
                Way part = part(one, unheard.contains(r.id())).gone(one, job);
                steps.addAll(part.steps);
                design = part.design;
                job.report(steps.size() / (steps.size() + 4.0));
            }
            if (steps.size() == taken) {
                break;
            }
        }
        return design;
    }

    /** What is left to be done about all of them at once. */
    private Design together(Question all, List<Proposal> steps, Job job) {
        Design design = all.design();
        for (int round = 0; round < 4 * all.design().returns().size(); round++) {
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
        return design;
    }

    /** Returns that nobody hears before anything is done; they are left as they are. */
    private Set<String> unheard(Question all, Job job) {
        return all.design().returns().stream()
                .map(Return::id)
                .filter(id ->
                        finder.standing(alone(all, id), job).cover().state() == WetState.HIDDEN)
                .collect(Collectors.toSet());
    }

    private Solver part(Question one, boolean unheard) {
        RemedyFinder own = finder.with(asked(one.design(), one.source(), one.ret()));
        return new Solver(unheard ? own.lowering() : own);
    }

    private Targets asked(Design design, Source source, Return r) {
        Targets usual = Targets.of(design, source, r);
        return design.aims()
                .of(source.id(), r.id())
                .orElseGet(() ->
                        usual.equals(Targets.FREE)
                                ? usual
                                : usual.withPresence(finder.targets().presence()));
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
        return !wanted.accepts(WetState.HIDDEN)
                && finder.standing(now, job).cover().state() != WetState.HIDDEN
                && finder.standing(then, job).cover().state() == WetState.HIDDEN;
    }

    private static Question alone(Question q, String id) {
        return new Question(q.design(), q.source(), id, q.phrases(), q.span(), false);
    }

    /** Returns by how much each covers the source by itself, the worst first. */
    private List<String> byCover(Question q, Job job) {
        return q.design().returns().stream()
                .filter(r -> !asked(q.design(), q.source(), r).equals(Targets.FREE))
                .map(Return::id)
                .sorted(
                        Comparator.comparingDouble(id ->
                                finder.standing(alone(q, id), job)
                                        .cover()
                                        .presenceKept()
                                        .orElse(1)))
                .toList();
    }

    /** Tells what was reached: all, or what is missed, and why it stopped there. */
    private Solution solution(
            List<Proposal> steps,
            Design design,
            Standing before,
            Standing after,
            String states,
            List<String> misses,
            boolean tired) {
        String reached =
                Wording.format(
                        "presence %.0f %%, worst phrase %.0f %%, %s",
                        100 * after.cover().presenceKept().orElse(1),
                        100 * after.cover().worstPhrase().orElse(1),
                        states);
        boolean met = misses.isEmpty();
        String words =
                met
                        ? (steps.isEmpty() ? "Clear as it is: " : "Reached: ") + reached + "."
                        : "Not all can be met; the best reachable is "
                                + reached
                                + ": "
                                + String.join(", ", misses)
                                + ". "
                                + why(design, tired);
        return new Solution(steps, design, before, after, met, words);
    }

    private String why(Design design, boolean tired) {
        if (tired) {
            return "It stopped after " + MOST_STEPS + " steps; ask again to go on.";
        }
        boolean locked =
                design.returns().stream().anyMatch(r -> !design.aims().lockedOf(r.id()).isEmpty());
        return finder.barred().isEmpty() && !locked
                ? "Nothing brings it nearer."
                : "Nothing that is neither barred nor locked brings it nearer.";
    }
}

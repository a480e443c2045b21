package orbispace.app.desk;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import orbispace.app.song.Clearance;
import orbispace.core.design.Design;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.hearing.WetState;
import orbispace.core.plan.BoundaryClash;
import orbispace.core.prove.Finding;
import orbispace.core.prove.FindingLine;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/**
 * What is to be done next on a screen, in one line, from what was measured of the song; empty where
 * nothing was measured that asks for anything.
 */
final class NextStep {
    /** Less of a point of presence is not worth a word. */
    private static final double LEAST = 0.005;

    private NextStep() {}

    /** On the Song: stems that are gone, then what is wrong with one. */
    static String song(Design design, int missing, List<Finding> findings) {
        if (design.sources().isEmpty()) {
            return "Bring the stems: drop files or a folder here.";
        }
        if (missing > 0) {
            return counted(missing, "stem") + " cannot be read: press its lane to find the file.";
        }
        return FindingLine.of(findings).stream()
                .filter(l -> l.severity() == Severity.ACT)
                .findFirst()
                .map(l -> "First: " + l.title(names(design)) + ". Press its flag.")
                .orElse("");
    }

    /** On the Orbit: a field, then what gets nothing, then what is not heard. */
    static String orbit(Design design, Optional<Clearance> clearance) {
        if (design.sources().isEmpty()) {
            return "";
        }
        if (design.returns().isEmpty()) {
            return "There is no space yet: press Draft, or Add one.";
        }
        Optional<Return> starved =
                design.returns().stream()
                        .filter(r -> r.sends().isEmpty() && r.feeds().isEmpty())
                        .findFirst();
        if (starved.isPresent()) {
            return starved.get().name() + " gets nothing: send something into it.";
        }
        return clearance
                .flatMap(c ->
                        design.returns().stream()
                                .filter(r -> !Purposes.of(design, r).mayBeHidden())
                                .filter(r -> c.state(r.id()).equals(Optional.of(WetState.HIDDEN)))
                                .findFirst())
                .map(r -> r.name() + " is hidden here: its Ear line on Clear finds its level.")
                .orElse("");
    }

    /** On Clear: the return that leaves least of what is asked. */
    static String clear(
            String part, Design design, Optional<Clearance> clearance, ReturnTargets targets) {
        if (clearance.isEmpty()) {
            return "";
        }
        Clearance c = clearance.get();
        return design.returns().stream()
                .filter(r -> missed(c, r, targets) > LEAST)
                .max(Comparator.comparingDouble(r -> missed(c, r, targets)))
                .map(r ->
                        Wording.text(
                                "%s leaves %.0f %% of %s where %.0f is asked: press Solve.",
                                r.name(),
                                100 * kept(c, r).orElse(1),
                                part,
                                100 * targets.of(r.id()).map(Targets::presence).orElse(0.0)))
                .orElse("");
    }

    /** What is asked of the judged source against a return. */
    @FunctionalInterface
    interface ReturnTargets {
        Optional<Targets> of(String returnId);
    }

    private static OptionalDouble kept(Clearance c, Return r) {
        return c.pair(r.id()).map(p -> p.cover().presenceKept()).orElse(OptionalDouble.empty());
    }

    private static double missed(Clearance c, Return r, ReturnTargets targets) {
        double asked = targets.of(r.id()).map(Targets::presence).orElse(0.0);
        return asked - kept(c, r).orElse(1);
    }

    /** On the Plan: what a tail covers, then a field that never moves. */
    static String plan(Design design, List<BoundaryClash> clashes) {
        Optional<BoundaryClash> worst =
                clashes.stream().min(Comparator.comparingDouble(BoundaryClash::kept));
        if (worst.isPresent()) {
            BoundaryClash w = worst.get();
            return Wording.text(
                    "A tail of %s carried into %s leaves %.0f %% of what is sung: fade or cut it.",
                    names(design).apply(w.returnId()), w.section().name(), 100 * w.kept());
        }
        boolean plain = design.song().sections().stream().allMatch(s -> s.plan().isPlain());
        return design.song().sections().size() > 2 && plain && !design.returns().isEmpty()
                ? "No section differs yet: lay a ready-made plan, or press a cell."
                : "";
    }

    /** On Prove: the finding that brings most, then a comparison. */
    static String prove(Design design, List<Finding> open, boolean same, boolean proven) {
        Optional<FindingLine> first =
                FindingLine.of(open).stream()
                        .filter(l -> l.severity() != Severity.KNOW)
                        .findFirst();
        if (first.isPresent()) {
            return "First: " + first.get().title(names(design)) + brings(first.get()) + ".";
        }
        return proven && !same
                ? "Nothing is left that would be heard: try blind whether it is better."
                : "";
    }

    private static String brings(FindingLine line) {
        return line.brings().map(b -> ", " + b.words()).orElse("");
    }

    /** On the Sheet: what is still open. */
    static String sheet(List<Finding> open) {
        long act = open.stream().filter(f -> f.severity() == Severity.ACT).count();
        return act == 0
                ? ""
                : counted(act, "finding") + " to act on " + (act == 1 ? "is" : "are") + " open.";
    }

    private static String counted(long n, String what) {
        return n + " " + what + (n == 1 ? "" : "s");
    }

    private static UnaryOperator<String> names(Design design) {
        return id ->
                design.findReturn(id)
                        .map(Return::name)
                        .or(() -> design.findSource(id).map(Source::name))
                        .orElse(id);
    }
}

package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.design.Design;
import orbispace.core.design.Purpose;
import orbispace.core.design.Throw;
import orbispace.core.design.ThrowsEdit;
import orbispace.core.design.Trail;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;

/** What is wrong with thrown words. */
final class ThrowAtFault implements FieldRule {
    @Override
    public boolean holdsFor(Purpose purpose) {
        return true;
    }

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (ThrowConflict c : facts.conflicts()) {
            found.add(
                    new Finding(
                            "throw-"
                                    + c.kind()
                                            .name()
                                            .toLowerCase(java.util.Locale.ROOT)
                                            .replace('_', '-'),
                            severity(c.kind()),
                            c.thrown().returnId(),
                            c.kind().label(),
                            c.evidence(),
                            "A throw is heard by itself: what is wrong with it is noticed.",
                            OptionalDouble.of(
                                    facts.design().song().clock().secondsAt(c.thrown().fromBeat())),
                            remedies(facts.design(), c)));
        }
        return found;
    }

    private static Severity severity(ThrowConflict.Kind kind) {
        return switch (kind) {
            case LOST, BEYOND -> Severity.ACT;
            case SILENT, MUTED, RUNS_ON, NO_GAP -> Severity.WEIGH;
            case TWO_AT_ONCE, TEMPO -> Severity.KNOW;
        };
    }

    private static List<Remedy> remedies(Design design, ThrowConflict c) {
        Throw t = c.thrown();
        Remedy away = new Remedy("take the throw away", ThrowsEdit.without(design, t.id()));
        return switch (c.kind()) {
            case LOST, BEYOND, SILENT, MUTED, TWO_AT_ONCE, TEMPO -> List.of(away);
            case RUNS_ON, NO_GAP -> {
                Trail single = t.trail().withFeedback(0.0);
                yield List.of(
                        new Remedy(
                                "a single repeat",
                                ThrowsEdit.changing(design, t.withTrail(single))),
                        away);
            }
        };
    }
}

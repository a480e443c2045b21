package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.prove.Brings;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.time.Fit;
import orbispace.core.words.Wording;

/** An echo whose repeats outlast the gaps of what is sent into it. */
final class RepeatsRunOn implements FieldRule {
    private static final double DOWN_DB = 30;
    private static final double LATE = 1.05;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            if (!(r.space() instanceof Space.Echo echo) || facts.phrases(r).isEmpty()) {
                continue;
            }
            double gap = facts.phrases(r).get().gapSeconds(0.5);
            double spacing = facts.seconds(r, echo.time());
            double end = Fit.repeatsEndSeconds(spacing, echo.feedback(), DOWN_DB);
            double fits = Fit.feedbackOfWholeRepeats(spacing, gap, DOWN_DB);
            double then = Fit.repeatsEndSeconds(spacing, fits, DOWN_DB);
            if (end > LATE * Math.max(gap, spacing) && fits < echo.feedback()) {
                found.add(
                        new Finding(
                                        "repeats-run-on",
                                        Severity.WEIGH,
                                        r.id(),
                                        "repeats run on",
                                        Wording.text(
                                                "%d repeats of %s end %.2f s after the word; the"
                                                        + " median gap is %.2f s.",
                                                Fit.arrivalsAbove(echo.feedback(), DOWN_DB),
                                                r.name(),
                                                end,
                                                gap),
                                        "Repeats under the next phrase crowd its words.",
                                        List.of(
                                                new Remedy(
                                                        Wording.text("feedback %.2f", fits),
                                                        new ReturnEdit.Feedback(r.id(), fits))))
                                .bringing(new Brings(end - then, "s less of repeats", 0.1)));
            }
        }
        return found;
    }
}

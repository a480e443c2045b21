package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.prove.Brings;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.time.Fit;
import orbispace.core.words.Wording;

/** A tail that has not fallen far enough when the next phrase or hit comes. */
final class DecayTooLong implements FieldRule {
    /** A tail this far down no longer covers what comes. */
    private static final double DOWN_DB = 20;

    private static final double HITS_DOWN_DB = 20;
    private static final double TOO_LONG = 1.15;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            Optional<Double> gap =
                    facts.takesLead(r) && !facts.purpose(r).isOfStrokes()
                            ? facts.phrases().map(p -> p.gapSeconds(0.5))
                            : Optional.empty();
            boolean byGap = gap.isPresent();
            Optional<Double> event = byGap ? gap : facts.hitSeconds(r);
            if (event.isPresent()
                    && r.space() instanceof Space.Reverb tail
                    && !FieldFacts.isGated(r)) {
                judge(facts, r, tail, event.get(), byGap).ifPresent(found::add);
            }
        }
        return found;
    }

    private static Optional<Finding> judge(
            FieldFacts facts, Return r, Space.Reverb tail, double event, boolean byGap) {
        double predelay = facts.seconds(r, r.predelay());
        double down = byGap ? DOWN_DB : HITS_DOWN_DB;
        if (event <= predelay + 0.03) {
            return Optional.empty();
        }
        double allowed = Fit.decayThatClears(event, predelay, down);
        double fits = Math.max(0.1, Math.floor(100 * allowed) / 100);
        if (tail.decaySeconds() <= TOO_LONG * allowed) {
            return Optional.empty();
        }
        double level = -Fit.tailLevelDb(event, predelay, tail.decaySeconds());
        double then = -Fit.tailLevelDb(event, predelay, fits);
        return Optional.of(
                new Finding(
                                "decay-too-long",
                                Severity.WEIGH,
                                r.id(),
                                "too long",
                                Wording.text(
                                        "%s is only %.0f dB down at the next %s, %.2f s later; its"
                                                + " decay is %.2f s.",
                                        r.name(),
                                        level,
                                        byGap ? "phrase" : "hit",
                                        event,
                                        tail.decaySeconds()),
                                Wording.text(
                                        "A tail %.0f dB down stays out of the way of what comes.",
                                        down),
                                List.of(
                                        new Remedy(
                                                Wording.text("decay %.2f s", fits),
                                                new ReturnEdit.Decay(r.id(), fits))))
                        .bringing(
                                new Brings(
                                        then - level,
                                        "dB less at the next " + (byGap ? "phrase" : "hit"),
                                        3)));
    }
}

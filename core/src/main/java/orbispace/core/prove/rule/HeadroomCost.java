package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.clear.ReturnCost;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** A return that makes the mix louder or its peaks higher by more than 1 dB. */
final class HeadroomCost implements FieldRule {
    private static final double MOST_DB = 1;

    @Override
    public boolean holdsFor(Purpose purpose) {
        return true;
    }

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            if (facts.of(r).isEmpty()) {
                continue;
            }
            ReturnCost cost = facts.of(r).get().cost();
            double most = Math.max(cost.loudnessLu(), cost.truePeakDb());
            if (most > MOST_DB) {
                double softer = Math.max(-90, Math.rint(2 * (r.levelDb() - 2 * most)) / 2);
                found.add(
                        new Finding(
                                "headroom-cost",
                                Severity.WEIGH,
                                r.id(),
                                Wording.text("costs %.1f dB", most),
                                Wording.text(
                                        "With %s the mix is %.1f LU louder and peaks %.1f"
                                                + " dB higher.",
                                        r.name(), cost.loudnessLu(), cost.truePeakDb()),
                                "A space that takes more than 1 dB of headroom makes the"
                                        + " whole song quieter.",
                                List.of(
                                        new Remedy(
                                                Wording.text("level %.1f dB", softer),
                                                new ReturnEdit.Level(r.id(), softer)))));
            }
        }
        return found;
    }
}

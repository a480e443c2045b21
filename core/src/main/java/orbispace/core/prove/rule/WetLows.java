package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** Energy of a return under 80 Hz, where it only costs headroom. */
final class WetLows implements FieldRule {
    private static final double WEIGH_SHARE = 0.02;
    private static final double ACT_SHARE = 0.10;
    private static final double CUT_HZ = 120;
    private static final int POLES = 2;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            double share = facts.of(r).map(f -> f.cost().bandShares().getFirst()).orElse(0.0);
            if (share < WEIGH_SHARE) {
                continue;
            }
            Filter.Corner now = r.filterOut().highPass();
            double hz = now == null ? CUT_HZ : Math.min(400, Math.max(CUT_HZ, 1.5 * now.hz()));
            int poles = now == null ? POLES : Math.min(8, now.poles() + POLES);
            found.add(
                    new Finding(
                            "wet-lows",
                            share >= ACT_SHARE ? Severity.ACT : Severity.WEIGH,
                            r.id(),
                            "lows in the wet",
                            Wording.text(
                                    "%.0f %% of the energy of %s lies under 80 Hz.",
                                    100 * share, r.name()),
                            "Down there a space is not heard as one; it takes headroom and"
                                    + " blurs the bass.",
                            List.of(
                                    new Remedy(
                                            Wording.text(
                                                    "high-pass at %.0f Hz, %d dB/oct",
                                                    hz, 6 * poles),
                                            new ReturnEdit.FilterOut(
                                                    r.id(),
                                                    r.filterOut()
                                                            .withHighPass(
                                                                    new Filter.Corner(
                                                                            hz, poles)))))));
        }
        return found;
    }
}

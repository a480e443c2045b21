package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Return;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** Two spaces that rise and fall together, as long and as late as each other. */
final class SameJob implements FieldRule {
    private static final double ALIKE = 0.95;
    private static final double DECAY_RATIO = 1.3;
    private static final double PREDELAY_SECONDS = 0.025;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        List<Return> returns = facts.design().returns();
        for (int i = 0; i < returns.size(); i++) {
            for (int j = i + 1; j < returns.size(); j++) {
                double alike = alike(facts, returns.get(i), returns.get(j));
                if (alike >= ALIKE) {
                    found.add(finding(returns.get(i), returns.get(j), alike));
                }
            }
        }
        return found;
    }

    private static double alike(FieldFacts facts, Return a, Return b) {
        if (facts.of(a).isEmpty()
                || facts.of(b).isEmpty()
                || FieldFacts.decay(a).isEmpty()
                || FieldFacts.decay(b).isEmpty()) {
            return 0;
        }
        double ratio = FieldFacts.decay(a).get() / FieldFacts.decay(b).get();
        double apart = Math.abs(facts.seconds(a, a.predelay()) - facts.seconds(b, b.predelay()));
        if (Math.max(ratio, 1 / ratio) > DECAY_RATIO || apart > PREDELAY_SECONDS) {
            return 0;
        }
        return correlation(facts.of(a).get().envelope(), facts.of(b).get().envelope());
    }

    /** Correlation of two envelopes over all steps in which either sounds. */
    static double correlation(List<Float> a, List<Float> b) {
        double ab = 0;
        double aa = 0;
        double bb = 0;
        double ma = mean(a);
        double mb = mean(b);
        for (int i = 0; i < Math.min(a.size(), b.size()); i++) {
            double x = a.get(i) - ma;
            double y = b.get(i) - mb;
            ab += x * y;
            aa += x * x;
            bb += y * y;
        }
        return aa <= 0 || bb <= 0 ? 0 : ab / Math.sqrt(aa * bb);
    }

    private static double mean(List<Float> x) {
        return x.stream().mapToDouble(v -> v).average().orElse(0);
    }

    private static Finding finding(Return a, Return b, double alike) {
        return new Finding(
                "same-job",
                Severity.WEIGH,
                b.id(),
                "does the same",
                Wording.text(
                        "%s and %s rise and fall together (%.2f), with decays of %.2f and %.2f s.",
                        a.name(),
                        b.name(),
                        alike,
                        FieldFacts.decay(a).orElse(0.0),
                        FieldFacts.decay(b).orElse(0.0)),
                "Two spaces that do one job cost twice and blur each other; make one shorter, or"
                        + " take it out.",
                List.of(new Remedy("take " + b.id() + " out", new FieldEdit.Remove(b.id()))));
    }
}

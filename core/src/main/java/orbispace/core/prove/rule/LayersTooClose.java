package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.time.Fit;
import orbispace.core.words.Wording;

/** Layered spaces of one source whose later one starts before the first has spoken. */
final class LayersTooClose implements FieldRule {
    private static final double SHORTER = 0.6;
    private static final double SPOKEN_DB = 6;
    private static final double MOST_SECONDS = 0.15;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return first : facts.design().returns()) {
            for (Return later : facts.design().returns()) {
                judge(facts, first, later).ifPresent(found::add);
            }
        }
        return found;
    }

    private static Optional<Finding> judge(FieldFacts facts, Return first, Return later) {
        Optional<Double> brief = FieldFacts.decay(first);
        Optional<Double> long2 = FieldFacts.decay(later);
        boolean layered =
                brief.isPresent()
                        && long2.isPresent()
                        && brief.get() <= SHORTER * long2.get()
                        && !FieldFacts.isGated(first)
                        && !FieldFacts.isGated(later)
                        && facts.takesLead(first)
                        && facts.takesLead(later);
        if (!layered) {
            return Optional.empty();
        }
        double starts = facts.seconds(later, later.predelay());
        double spoken =
                Math.min(
                        MOST_SECONDS,
                        Fit.spokenSeconds(
                                facts.seconds(first, first.predelay()), brief.get(), SPOKEN_DB));
        if (starts >= spoken - 0.001) {
            return Optional.empty();
        }
        return Optional.of(finding(first, later, starts, spoken));
    }

    private static Finding finding(Return first, Return later, double starts, double spoken) {
        double millis = Math.ceil(1000 * spoken);
        return new Finding(
                "layers-too-close",
                Severity.KNOW,
                later.id(),
                "starts too early",
                Wording.text(
                        "%s starts after %.0f ms; %s is 6 dB down only after %.0f ms.",
                        later.name(), 1000 * starts, first.name(), 1000 * spoken),
                "Layers that begin together are heard as one thick space instead of a near"
                        + " and a far one.",
                List.of(
                        new Remedy(
                                Wording.text("predelay %.0f ms", millis),
                                new ReturnEdit.Predelay(
                                        later.id(),
                                        new MusicalTime.Millis(millis),
                                        later.timedAtBar()))));
    }
}

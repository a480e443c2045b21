package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import orbispace.core.prove.Finding;

/** All rules about a whole design. */
public final class FieldFindings {
    private static final List<FieldRule> RULES =
            List.of(
                    new AmbienceDoubled(),
                    new EchoDoubled(),
                    new PartlyWet(),
                    new WetLows(),
                    new DecayTooLong(),
                    new EchoOffGrid(),
                    new RepeatsRunOn(),
                    new DuckerAtFault(),
                    new GateCannotPart(),
                    new WrongState(),
                    new MonoLoss(),
                    new ShortOffset(),
                    new SameJob(),
                    new LayersTooClose(),
                    new EchoOutOfPlace(),
                    new PreFaderLeft(),
                    new HeadroomCost(),
                    new UnalignedCopy(),
                    new NothingChanges(),
                    new ThrowAtFault());

    private FieldFindings() {}

    /** Everything that is found, what must be done first. */
    public static List<Finding> of(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (FieldRule rule : RULES) {
            rule.find(facts).stream().filter(f -> holds(rule, f, facts)).forEach(found::add);
        }
        found.sort(Comparator.comparing(Finding::severity));
        return List.copyOf(found);
    }

    private static boolean holds(FieldRule rule, Finding f, FieldFacts facts) {
        return facts.design()
                .findReturn(f.subject())
                .map(r -> rule.holdsFor(facts.purpose(r)))
                .orElse(true);
    }
}

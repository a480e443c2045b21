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
            found.addAll(rule.find(facts));
        }
        found.sort(Comparator.comparing(Finding::severity));
        return List.copyOf(found);
    }
}

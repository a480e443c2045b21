package orbispace.core.prove;

import java.util.List;
import java.util.Optional;

/** Two stems that hold the same sound and do not lie on each other. */
final class UnalignedCopy implements FieldRule {
    @Override
    public List<Finding> find(FieldFacts facts) {
        return facts.pairs().stream()
                .map(p -> PairFindings.of(facts.design(), p))
                .flatMap(Optional::stream)
                .toList();
    }
}

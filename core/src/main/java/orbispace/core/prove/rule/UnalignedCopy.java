package orbispace.core.prove.rule;

import java.util.List;
import java.util.Optional;
import orbispace.core.prove.Finding;
import orbispace.core.prove.stem.PairFindings;

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

package orbispace.core.plan;

import java.util.List;
import java.util.OptionalDouble;

/**
 * How a throw stands with the phrase that follows it.
 *
 * @param course what follows the word
 * @param kept share of the next phrase's loudness that is left beside its return, as far as the
 *     throw sounds into it; empty if it does not
 * @param without the same without this throw
 * @param remedies what would help, the most helpful first
 */
public record ThrowStanding(
        ThrowCourse course,
        OptionalDouble kept,
        OptionalDouble without,
        List<ThrowRemedy> remedies) {
    /** Keeps its own list. */
    public ThrowStanding {
        remedies = List.copyOf(remedies);
    }
}

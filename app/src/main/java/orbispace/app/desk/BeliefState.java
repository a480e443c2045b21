package orbispace.app.desk;

import java.util.Optional;
import orbispace.core.ears.Belief;
import orbispace.core.prove.compare.BlindTrial;
import org.jspecify.annotations.Nullable;

/**
 * A belief on trial, without what is hidden.
 *
 * @param belief which
 * @param two the two fields
 * @param answered how many rounds are answered
 * @param hears whether the first of the two is heard; null for X
 * @param ready whether both can be heard equally loud
 * @param result what came out, at its end
 */
public record BeliefState(
        Belief belief,
        Belief.Two two,
        int answered,
        @Nullable Boolean hears,
        boolean ready,
        Optional<BlindTrial.Result> result) {
    /** What came out, in words; empty before the end. */
    public String words() {
        return result.map(r -> belief.words(two, r)).orElse("");
    }
}

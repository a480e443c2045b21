package orbispace.core.ears;

import java.util.List;
import java.util.Optional;

/** The rounds of a lesson: how great the difference is in each, and what comes out. */
public sealed interface Rounds permits Staircase, BriefRounds {
    /** The difference in the round at hand. */
    double difference();

    /**
     * The differences that the round after this one can have: after a right answer, and a wrong.
     */
    List<Double> next();

    /** How many answers were given. */
    int answers();

    /** More answers are not asked for. */
    int most();

    /** Takes the answer of the round at hand; ignored after the last. */
    void answer(boolean right);

    /** What came out; empty until no more answers are asked for. */
    Optional<Outcome> outcome();
}

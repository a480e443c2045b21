package orbispace.core.ears;

/** How a lesson ended. */
public sealed interface Outcome {
    /** How many answers there were. */
    int answers();

    /**
     * The difference that is told four times in five.
     *
     * @param difference in the unit of what differed, over 0
     * @param low one standard deviation of such an estimate below it
     * @param high as much above it
     */
    record Heard(double difference, double low, double high, int answers) implements Outcome {}

    /** The greatest difference was missed about as often as told. */
    record NotHeard(double greatest, int answers) implements Outcome {}

    /** All answers are given, but they wander, or guessing would do as well. */
    record Unsure(int answers) implements Outcome {}
}

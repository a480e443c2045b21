package orbispace.core.measure;

/** A decay time, or why there is none. */
public sealed interface DecayTime {

    /**
     * A measured decay time.
     *
     * @param seconds time for 60 dB at the fitted slope
     */
    record Measured(double seconds) implements DecayTime {}

    /**
     * The noise floor lies too high for the range that the measure needs.
     *
     * @param rangeDb the range there was
     */
    record TooNoisy(double rangeDb) implements DecayTime {}

    /** The decay is so short that the octave filter itself would be measured. */
    record TooShort() implements DecayTime {}
}

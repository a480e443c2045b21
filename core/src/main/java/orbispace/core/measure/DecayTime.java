package orbispace.core.measure;

import java.util.OptionalDouble;

/** A decay time, or why there is none. */
public sealed interface DecayTime {

    /**
     * A measured decay time.
     *
     * @param seconds time for 60 dB at the fitted slope
     */
    record Measured(double seconds) implements DecayTime {}

    /**
     * A slope that was fitted but may be another's than the decay's.
     *
     * @param seconds time for 60 dB at the fitted slope
     * @param doubt why it is not sure
     */
    record NotSure(double seconds, Doubt doubt) implements DecayTime {}

    /**
     * The noise floor lies too high for the range that the measure needs.
     *
     * @param rangeDb the range there was
     */
    record TooNoisy(double rangeDb) implements DecayTime {}

    /** The decay is so short that the octave filter itself would be measured. */
    record TooShort() implements DecayTime {}

    /** Why a decay time is not sure. */
    enum Doubt {
        /** It falls faster at first than later, or the other way: no one time describes it. */
        BENT("bent"),
        /** So short a decay in so narrow a band scatters by chance. */
        CHANCE("chance"),
        /**
         * Chance moves it by 2 to 3 percent: seldom by more than 5, hardly ever by more than 12.
         */
        SLIGHT("a few percent by chance");

        private final String label;

        Doubt(String label) {
            this.label = label;
        }

        /** In a word. */
        public String label() {
            return label;
        }
    }

    /** The fitted time, sure or not; empty where none could be fitted. */
    default OptionalDouble fitted() {
        return switch (this) {
            case Measured(double s) -> OptionalDouble.of(s);
            case NotSure(double s, Doubt d) -> OptionalDouble.of(s);
            case TooNoisy n -> OptionalDouble.empty();
            case TooShort t -> OptionalDouble.empty();
        };
    }
}

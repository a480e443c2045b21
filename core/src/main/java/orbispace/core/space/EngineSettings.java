package orbispace.core.space;

import java.util.Optional;

/**
 * The settings of an engine, in seconds and hertz. To add an engine: a record of its settings,
 * which makes its tuning, and its processor with that tuning.
 */
public interface EngineSettings {

    /** How long the engine may still sound after its input ends, in seconds, down to -100 dB. */
    double ringSeconds();

    /** True if its wet sound is a fixed linear answer, so that an impulse response tells all. */
    default boolean linear() {
        return true;
    }

    /** Works the settings out for a sample rate. */
    EngineTuning tuning(double sampleRateHz);

    /** The fixed response that is the engine's whole answer; empty if it has none. */
    default Optional<Taps> fixedResponse(double sampleRateHz) {
        return Optional.empty();
    }

    /** Whether one fixed response is the engine's whole answer. */
    default boolean isFixed() {
        return false;
    }

    /** What can change while it sounds without another engine being needed. */
    Object shape();

    /** Checks a range. */
    static void require(String what, double value, double low, double high) {
        if (!(value >= low && value <= high)) {
            throw new IllegalArgumentException(
                    what + " " + value + " is outside " + low + " to " + high);
        }
    }
}

package orbispace.core.space;

/**
 * The settings of an engine, in seconds and hertz. To add an engine: a record of its settings here,
 * its tuning and its processor in rooms of their own.
 */
public sealed interface EngineSettings
        permits ReverbSettings,
                GatedSettings,
                ConvolutionSettings,
                EchoSettings,
                DoublerSettings,
                SplitSettings,
                ParallelSettings {

    /** How long the engine may still sound after its input ends, in seconds, down to -100 dB. */
    double ringSeconds();

    /** True if its wet sound is a fixed linear answer, so that an impulse response tells all. */
    default boolean linear() {
        return true;
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

package orbispace.core.space;

import java.util.Optional;

/**
 * A reverb that decays exponentially.
 *
 * @param kind how it begins
 * @param decaySeconds T60 of the middle band, 0.1 to 20
 * @param lowRatio T60 of the lows relative to the middle, 0.25 to 2
 * @param highRatio T60 of the highs relative to the middle, 0.1 to 2
 * @param size how large it is, relative to the kind's own, 0.5 to 2
 * @param character how it begins otherwise than its kind, and whether its tail moves
 */
public record ReverbSettings(
        ReverbKind kind,
        double decaySeconds,
        double lowRatio,
        double highRatio,
        double size,
        ReverbCharacter character)
        implements EngineSettings {
    /** The middle of where the low ratio goes over into 1. */
    public static final double LOW_CROSSOVER_HZ = 250;

    /** The middle of where 1 goes over into the high ratio. */
    public static final double HIGH_CROSSOVER_HZ = 3600;

    /** Checks the ranges. */
    public ReverbSettings {
        EngineSettings.require("decay", decaySeconds, 0.1, 20);
        EngineSettings.require("low decay ratio", lowRatio, 0.25, 2);
        EngineSettings.require("high decay ratio", highRatio, 0.1, 2);
        EngineSettings.require("size", size, 0.5, 2);
    }

    /** A reverb that begins as its kind does, with a still tail. */
    public ReverbSettings(
            ReverbKind kind, double decaySeconds, double lowRatio, double highRatio, double size) {
        this(kind, decaySeconds, lowRatio, highRatio, size, ReverbCharacter.of(kind));
    }

    @Override
    public double ringSeconds() {
        return ReverbResponse.seconds(this);
    }

    @Override
    public EngineTuning tuning(double sampleRateHz) {
        ConvolutionEngine.Tuning still =
                ConvolutionEngine.Tuning.of(this, ReverbResponse.of(this, sampleRateHz, 0));
        return isFixed() ? still : new MovingTail.Tuning(still, character.movementSeconds());
    }

    @Override
    public Optional<Taps> fixedResponse(double sampleRateHz) {
        return isFixed() ? Optional.of(ReverbResponse.of(this, sampleRateHz, 0)) : Optional.empty();
    }

    @Override
    public boolean isFixed() {
        return character.movementSeconds() == 0;
    }

    @Override
    public Object shape() {
        return isFixed() ? "reverb" : "moving reverb";
    }
}

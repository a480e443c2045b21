package orbispace.core.space;

/**
 * A reverb that decays exponentially.
 *
 * @param kind how it begins
 * @param decaySeconds T60 of the middle band, 0.1 to 20
 * @param lowRatio T60 of the lows relative to the middle, 0.25 to 2
 * @param highRatio T60 of the highs relative to the middle, 0.1 to 1.5
 * @param size how far its walls are, relative to the kind's own, 0.5 to 2
 */
public record ReverbSettings(
        ReverbKind kind, double decaySeconds, double lowRatio, double highRatio, double size)
        implements EngineSettings {
    /** The largest size. */
    static final double LARGEST = 2;

    /** How often the longest way must be gone until the sound has decayed. */
    private static final double LEAST_ROUNDS = 9;

    /** Walls come closer in steps, so that a drag of the decay seldom needs another engine. */
    private static final double STEP = 0.7;

    /** Checks the ranges. */
    public ReverbSettings {
        EngineSettings.require("decay", decaySeconds, 0.1, 20);
        EngineSettings.require("low decay ratio", lowRatio, 0.25, 2);
        EngineSettings.require("high decay ratio", highRatio, 0.1, 1.5);
        EngineSettings.require("size", size, 0.5, LARGEST);
    }

    @Override
    public double ringSeconds() {
        return decaySeconds * Math.max(1, lowRatio) * 100 / 60 + 0.3 * size;
    }

    /**
     * How far the walls really are. A decay that would end within a few reflections of far walls
     * brings them closer, since otherwise it would not be that of the set time.
     */
    double wallScale() {
        double fitting = decaySeconds / (LEAST_ROUNDS * kind.longestSeconds * size);
        double closer =
                fitting >= 1 ? 1 : Math.pow(STEP, Math.ceil(Math.log(fitting) / Math.log(STEP)));
        return size * closer;
    }

    @Override
    public EngineTuning tuning(double sampleRateHz) {
        return NetworkTuning.of(this, sampleRateHz);
    }

    @Override
    public Object shape() {
        return kind.label() + wallScale();
    }
}

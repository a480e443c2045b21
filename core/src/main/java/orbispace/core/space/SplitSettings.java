package orbispace.core.space;

/**
 * Two different mono spaces apart.
 *
 * @param left the space on the left
 * @param right the space on the right
 * @param width how far apart, 0 to 1
 */
public record SplitSettings(ReverbSettings left, ReverbSettings right, double width)
        implements EngineSettings {
    /** Checks the range. */
    public SplitSettings {
        EngineSettings.require("width", width, 0, 1);
    }

    @Override
    public double ringSeconds() {
        return Math.max(left.ringSeconds(), right.ringSeconds());
    }

    @Override
    public EngineTuning tuning(double sampleRateHz) {
        return SplitPair.Tuning.of(this, sampleRateHz);
    }

    @Override
    public Object shape() {
        return "split" + left.shape() + right.shape();
    }
}

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
    /** How much farther the walls of the second of two spaces of one kind are. */
    private static final double APART = 1.1;

    /** Checks the range. */
    public SplitSettings {
        EngineSettings.require("width", width, 0, 1);
    }

    @Override
    public double ringSeconds() {
        return Math.max(left.ringSeconds(), right.ringSeconds());
    }

    /**
     * The space on the right as it is made: where it is of the same kind and size as the left, its
     * walls are a tenth farther, or nearer at the largest size, since the same twice would be mono.
     */
    ReverbSettings rightApart() {
        boolean alike =
                left.kind() == right.kind() && Math.abs(right.size() / left.size() - 1) < APART - 1;
        if (!alike) {
            return right;
        }
        double farther = left.size() * APART;
        double size = farther <= ReverbSettings.LARGEST ? farther : left.size() / APART;
        return new ReverbSettings(
                right.kind(), right.decaySeconds(), right.lowRatio(), right.highRatio(), size);
    }

    @Override
    public EngineTuning tuning(double sampleRateHz) {
        return SplitPair.Tuning.of(this, sampleRateHz);
    }

    @Override
    public Object shape() {
        return "split" + left.shape() + rightApart().shape();
    }
}

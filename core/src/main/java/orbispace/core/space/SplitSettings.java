package orbispace.core.space;

import java.util.Optional;
import orbispace.core.audio.Pan;

/**
 * Two different mono spaces apart.
 *
 * @param left the space on the left
 * @param right the space on the right
 */
public record SplitSettings(Side left, Side right) implements EngineSettings {
    /**
     * One of the two.
     *
     * @param space what it is
     * @param laterSeconds how much later it begins, 0 to 0.2
     * @param pan where it stands, -1 (left) to 1
     */
    public record Side(ReverbSettings space, double laterSeconds, double pan) {
        /** Checks the ranges. */
        public Side {
            EngineSettings.require("later side", laterSeconds, 0, 0.2);
            EngineSettings.require("pan of a side", pan, -1, 1);
        }

        private double ringSeconds() {
            return laterSeconds + space.ringSeconds();
        }

        /** Adds what it answers to both paths. */
        private void addTo(float[][] paths, float[] mono, double rate) {
            int late = (int) Math.round(laterSeconds * rate);
            float near = (float) Pan.left(pan);
            float far = (float) Pan.right(pan);
            for (int i = 0; i < mono.length; i++) {
                paths[0][late + i] += near * mono[i] / 2;
                paths[1][late + i] += far * mono[i] / 2;
            }
        }
    }

    /** Two spaces that begin at once, as far to either side, 0 to 1. */
    public SplitSettings(ReverbSettings left, ReverbSettings right, double width) {
        this(new Side(left, 0, -width), new Side(right, 0, width));
    }

    @Override
    public double ringSeconds() {
        return Math.max(left.ringSeconds(), right.ringSeconds());
    }

    /** Both spaces hear the sum of the send, folded to mono, each on its side. */
    private Taps taps(double rate) {
        float[] a = mono(ReverbResponse.of(left.space, rate, 0));
        // The same twice would be mono.
        float[] b = mono(ReverbResponse.of(right.space, rate, 1));
        int late = (int) Math.round(Math.max(left.laterSeconds, right.laterSeconds) * rate);
        float[][] paths = new float[2][late + Math.max(a.length, b.length)];
        left.addTo(paths, a, rate);
        right.addTo(paths, b, rate);
        return new Taps(new float[][] {paths[0], paths[1], paths[0], paths[1]});
    }

    /** What both sides together answer to a click on both. */
    private static float[] mono(Taps space) {
        float[] sum = new float[space.paths()[0].length];
        for (float[] path : space.paths()) {
            for (int i = 0; i < sum.length; i++) {
                sum[i] += (float) Math.sqrt(0.5) * path[i];
            }
        }
        return sum;
    }

    @Override
    public EngineTuning tuning(double sampleRateHz) {
        return ConvolutionEngine.Tuning.of(this, taps(sampleRateHz));
    }

    @Override
    public Optional<Taps> fixedResponse(double sampleRateHz) {
        return Optional.of(taps(sampleRateHz));
    }

    @Override
    public boolean isFixed() {
        return true;
    }

    @Override
    public Object shape() {
        return "split";
    }
}

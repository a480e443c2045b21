package orbispace.core.space;

import java.util.Optional;
import orbispace.core.audio.Pan;

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

    /** Both spaces hear the sum of the send, folded to mono, each on its side. */
    private Taps taps(double rate) {
        float[] a = mono(ReverbResponse.of(left, rate, 0));
        // The same twice would be mono.
        float[] b = mono(ReverbResponse.of(right, rate, 1));
        float near = (float) Pan.left(-width);
        float far = (float) Pan.right(-width);
        float[][] paths = new float[2][Math.max(a.length, b.length)];
        for (int i = 0; i < paths[0].length; i++) {
            float x = i < a.length ? a[i] / 2 : 0;
            float y = i < b.length ? b[i] / 2 : 0;
            paths[0][i] = near * x + far * y;
            paths[1][i] = far * x + near * y;
        }
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

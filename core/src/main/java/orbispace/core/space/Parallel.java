package orbispace.core.space;

import orbispace.core.audio.Decibels;
import orbispace.core.dynamics.Ducker;
import orbispace.core.dynamics.DuckerSettings;
import orbispace.core.dynamics.KeyPeaks;

/** A compressor keyed by its own input, for a return that has no time of its own. */
public final class Parallel implements Engine {
    private static final int PART = 256;

    /** The curve, the times and what is given back. */
    record Tuning(ParallelSettings settings) implements EngineTuning {
        private DuckerSettings compressor() {
            return settings.compressor();
        }

        private float makeUp() {
            return (float) Decibels.toAmplitude(settings.makeUpDb());
        }

        @Override
        public Engine engine(double sampleRateHz) {
            return new Parallel(this, sampleRateHz);
        }

        @Override
        public Object shape() {
            return settings.shape();
        }
    }

    private final Ducker compressor;
    private final KeyPeaks peaks;
    private final float[] middle = new float[PART];
    private final float[] side = new float[PART];
    private Tuning tuning;
    private float makeUp;

    Parallel(Tuning tuning, double sampleRateHz) {
        this.tuning = tuning;
        peaks = new KeyPeaks(java.util.List.of(), PART, sampleRateHz);
        compressor = new Ducker(tuning.compressor(), sampleRateHz);
        makeUp = tuning.makeUp();
    }

    @Override
    public void apply(EngineTuning given) {
        if (given instanceof Tuning t) {
            tuning = t;
            compressor.apply(t.compressor(), null);
        }
    }

    @Override
    public void process(float[] left, float[] right, int from, int to) {
        float wanted = tuning.makeUp();
        for (int at = from; at < to; at += PART) {
            int n = Math.min(PART, to - at);
            for (int k = 0; k < n; k++) {
                middle[k] = (left[at + k] + right[at + k]) / 2;
                side[k] = (left[at + k] - right[at + k]) / 2;
            }
            peaks.process(middle, side, 0, n);
            compressor.process(peaks.steps(), 0, left, right, at, at + n);
            for (int k = 0; k < n; k++) {
                makeUp += (wanted - makeUp) / 1024;
                left[at + k] *= makeUp;
                right[at + k] *= makeUp;
            }
        }
    }

    @Override
    public void reset() {
        compressor.reset();
        peaks.reset();
        makeUp = tuning.makeUp();
    }
}

package orbispace.core.space;

import java.util.Arrays;

/**
 * Convolution as an engine, for impulse responses and for gated noise: partitioned, without
 * latency, equal to direct convolution within -110 dB.
 *
 * <p>A new response takes over what comes in within {@link #FADE_FRAMES} while what the old one has
 * begun rings to its end. A third response waits until the second has taken over.
 */
public final class ConvolutionEngine implements Engine {
    /** Over how many frames a new response takes over. */
    public static final int FADE_FRAMES = 2048;

    private static final int PART = 256;

    /** A response cut up, with the state of its convolution. */
    static final class Tuning implements EngineTuning {
        private final EngineSettings settings;
        private final Partitions response;
        private final Convolver convolver;

        /**
         * Ready to work.
         *
         * @param settings what the response was made from; equal ones are not exchanged
         * @param response the response
         */
        Tuning(EngineSettings settings, Taps response) {
            this.settings = settings;
            this.response = Partitions.of(response.paths());
            this.convolver = new Convolver(this.response);
        }

        @Override
        public Object shape() {
            return settings.shape();
        }
    }

    private final float[] oldLeft = new float[PART];
    private final float[] oldRight = new float[PART];
    private Tuning now;
    private Tuning wanted;
    private Tuning before;
    private int fadeLeft;
    private int ringLeft;

    ConvolutionEngine(Tuning tuning) {
        now = tuning;
        wanted = tuning;
        before = tuning;
    }

    @Override
    public void apply(EngineTuning tuning) {
        if (tuning instanceof Tuning t && t.shape().equals(now.shape())) {
            wanted = t.settings.equals(now.settings) ? now : t;
        }
    }

    @Override
    public void process(float[] left, float[] right, int from, int to) {
        if (ringLeft == 0 && wanted != now) {
            before = now;
            now = wanted;
            fadeLeft = FADE_FRAMES;
            ringLeft = FADE_FRAMES + before.response.frames;
        }
        int at = from;
        while (at < to && ringLeft > 0) {
            int n = Math.min(Math.min(PART, ringLeft), to - at);
            both(left, right, at, n);
            at += n;
        }
        now.convolver.process(left, right, at, to);
    }

    private void both(float[] left, float[] right, int at, int n) {
        for (int k = 0; k < n; k++) {
            float share = fadeLeft / (float) FADE_FRAMES;
            oldLeft[k] = share * left[at + k];
            oldRight[k] = share * right[at + k];
            left[at + k] -= oldLeft[k];
            right[at + k] -= oldRight[k];
            fadeLeft = Math.max(0, fadeLeft - 1);
        }
        before.convolver.process(oldLeft, oldRight, 0, n);
        now.convolver.process(left, right, at, at + n);
        for (int k = 0; k < n; k++) {
            left[at + k] += oldLeft[k];
            right[at + k] += oldRight[k];
        }
        ringLeft -= n;
    }

    @Override
    public void reset() {
        now.convolver.reset();
        ringLeft = 0;
        fadeLeft = 0;
        Arrays.fill(oldLeft, 0);
        Arrays.fill(oldRight, 0);
    }
}

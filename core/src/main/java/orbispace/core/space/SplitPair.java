package orbispace.core.space;

import orbispace.core.audio.Pan;

/**
 * Two different mono spaces apart: the send is summed to the middle, each space is folded to mono
 * and stands on its side.
 */
public final class SplitPair implements Engine {
    private static final int PART = 256;
    private static final float HALF = (float) Math.sqrt(0.5);
    private static final int GLIDE_FRAMES = 1024;

    /** Both spaces, and how far apart. */
    static final class Tuning implements EngineTuning {
        private final SplitSettings settings;
        private final NetworkTuning left;
        private final NetworkTuning right;
        private final float near;
        private final float far;

        private Tuning(SplitSettings s, double rate) {
            settings = s;
            left = NetworkTuning.of(s.left(), rate);
            right = NetworkTuning.of(s.rightApart(), rate);
            near = (float) Pan.left(-s.width());
            far = (float) Pan.right(-s.width());
        }

        static Tuning of(SplitSettings settings, double sampleRateHz) {
            return new Tuning(settings, sampleRateHz);
        }

        @Override
        public Engine engine(double sampleRateHz) {
            return new SplitPair(this, sampleRateHz);
        }

        @Override
        public Object shape() {
            return settings.shape();
        }
    }

    private final NetworkReverb first;
    private final NetworkReverb second;
    private final float[] l = new float[PART];
    private final float[] r = new float[PART];
    private Tuning tuning;
    private float near;
    private float far;

    SplitPair(Tuning tuning, double sampleRateHz) {
        this.tuning = tuning;
        first = new NetworkReverb(tuning.left, sampleRateHz);
        second = new NetworkReverb(tuning.right, sampleRateHz);
        near = tuning.near;
        far = tuning.far;
    }

    @Override
    public void apply(EngineTuning given) {
        if (given instanceof Tuning t && t.shape().equals(tuning.shape())) {
            tuning = t;
            first.apply(t.left);
            second.apply(t.right);
        }
    }

    @Override
    public void at(int frame) {
        first.at(frame);
        second.at(frame);
    }

    @Override
    public void process(float[] left, float[] right, int from, int to) {
        for (int at = from; at < to; at += PART) {
            run(left, right, at, Math.min(PART, to - at));
        }
    }

    private void run(float[] left, float[] right, int at, int n) {
        for (int k = 0; k < n; k++) {
            float middle = (left[at + k] + right[at + k]) / 2;
            l[k] = middle;
            r[k] = middle;
            left[at + k] = middle;
            right[at + k] = middle;
        }
        first.process(l, r, 0, n);
        second.process(left, right, at, at + n);
        for (int k = 0; k < n; k++) {
            near += (tuning.near - near) / GLIDE_FRAMES;
            far += (tuning.far - far) / GLIDE_FRAMES;
            float a = HALF * (l[k] + r[k]);
            float b = HALF * (left[at + k] + right[at + k]);
            left[at + k] = near * a + far * b;
            right[at + k] = far * a + near * b;
        }
    }

    @Override
    public void reset() {
        first.reset();
        second.reset();
        near = tuning.near;
        far = tuning.far;
    }
}

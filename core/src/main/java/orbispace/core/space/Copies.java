package orbispace.core.space;

import java.util.List;
import orbispace.core.audio.Pan;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FadingFilter;
import orbispace.core.signal.FilterDesign;

/**
 * One to four short copies of the mono sum, each with its own time, detune, sway and side, without
 * lows.
 *
 * <p>Copy and copy arrive at the set time to the sample at rest; a detuned one drifts around it by
 * at most {@link CopiesVoice#REACH_SECONDS} and then splices back where the waveform fits best.
 */
public final class Copies implements Engine {
    private static final int BLOCK = 64;
    private static final int GLIDE_FRAMES = 1024;

    /** Filters, sides and copies. */
    static final class Tuning implements EngineTuning {
        private final CopiesSettings settings;
        private final double[] filter;
        private final float[] left;
        private final float[] right;

        private Tuning(CopiesSettings s, double rate) {
            settings = s;
            filter = Cascade.pack(FilterDesign.highPass(s.highPassHz(), 2, rate), 1);
            List<CopiesSettings.Voice> voices = s.voices();
            double level = Math.sqrt(1.0 / voices.size());
            left = new float[voices.size()];
            right = new float[voices.size()];
            for (int v = 0; v < left.length; v++) {
                left[v] = (float) (level * Pan.left(voices.get(v).side()));
                right[v] = (float) (level * Pan.right(voices.get(v).side()));
            }
        }

        static Tuning of(CopiesSettings settings, double sampleRateHz) {
            return new Tuning(settings, sampleRateHz);
        }

        @Override
        public Engine engine(double sampleRateHz) {
            return new Copies(this, sampleRateHz);
        }

        @Override
        public Object shape() {
            return settings.shape();
        }
    }

    private final CopiesVoice[] voices;
    private final float[] left;
    private final float[] right;
    private final FadingFilter filter;
    private final float[] mono = new float[BLOCK];
    private final float[] voice = new float[BLOCK];
    private Tuning tuning;
    private float middle;

    Copies(Tuning tuning, double sampleRateHz) {
        this.tuning = tuning;
        filter = new FadingFilter(1, tuning.filter);
        voices = new CopiesVoice[tuning.left.length];
        left = new float[voices.length];
        right = new float[voices.length];
        for (int v = 0; v < voices.length; v++) {
            voices[v] =
                    new CopiesVoice(
                            tuning.settings.voices().get(v),
                            2 * Math.PI * v / voices.length,
                            sampleRateHz);
        }
        settle();
    }

    private void settle() {
        filter.set(tuning.filter);
        filter.reset();
        middle = tuning.settings.centre() ? 0 : 1;
        System.arraycopy(tuning.left, 0, left, 0, left.length);
        System.arraycopy(tuning.right, 0, right, 0, right.length);
    }

    @Override
    public void apply(EngineTuning given) {
        if (given instanceof Tuning t && t.shape().equals(tuning.shape())) {
            tuning = t;
            filter.set(t.filter);
            for (int v = 0; v < voices.length; v++) {
                voices[v].apply(t.settings.voices().get(v));
            }
        }
    }

    @Override
    public void at(int frame) {
        for (CopiesVoice v : voices) {
            v.begin(frame);
        }
    }

    @Override
    public void process(float[] l, float[] r, int from, int to) {
        for (int at = from; at < to; at += BLOCK) {
            run(l, r, at, Math.min(BLOCK, to - at));
        }
    }

    private void run(float[] l, float[] r, int at, int n) {
        float half = (float) Math.sqrt(0.5);
        for (int k = 0; k < n; k++) {
            mono[k] = half * (l[at + k] + r[at + k]);
            l[at + k] = 0;
            r[at + k] = 0;
        }
        filter.process(mono, mono, 0, n);
        for (int v = 0; v < voices.length; v++) {
            voices[v].process(mono, voice, n);
            for (int k = 0; k < n; k++) {
                left[v] += (tuning.left[v] - left[v]) / GLIDE_FRAMES;
                right[v] += (tuning.right[v] - right[v]) / GLIDE_FRAMES;
                l[at + k] += left[v] * voice[k];
                r[at + k] += right[v] * voice[k];
            }
        }
        float wanted = tuning.settings.centre() ? 0 : 1;
        for (int k = 0; k < n; k++) {
            middle += (wanted - middle) / GLIDE_FRAMES;
            float m = middle * (l[at + k] + r[at + k]) / 2;
            l[at + k] -= m;
            r[at + k] -= m;
        }
    }

    @Override
    public void reset() {
        for (CopiesVoice v : voices) {
            v.reset();
        }
        settle();
    }
}

package orbispace.core.space;

import org.jspecify.annotations.Nullable;

/**
 * Convolution as an engine, for impulse responses and for gated noise: partitioned, without
 * latency, equal to direct convolution within -110 dB.
 *
 * <p>A new response takes over what comes in within {@link #FADE_FRAMES} while what the ones before
 * have begun rings to its end. {@link #MOST_RINGING} may ring; for one more the one that would end
 * first fades out, as when a knob is drawn along.
 */
public final class ConvolutionEngine implements Engine {
    /** Over how many frames a new response takes over. */
    public static final int FADE_FRAMES = 2048;

    /** How many responses may ring out behind the one that works. */
    public static final int MOST_RINGING = 4;

    private static final int PART = 256;

    /**
     * A response cut up.
     *
     * @param settings what the response was made from; equal ones are not exchanged
     * @param response the response, which never changes
     * @param convolver working memory of one engine; null for none yet
     */
    record Tuning(EngineSettings settings, Partitions response, @Nullable Convolver convolver)
            implements EngineTuning {
        static Tuning of(EngineSettings settings, Taps response) {
            return new Tuning(settings, response.parts(), null);
        }

        @Override
        public Tuning own() {
            return new Tuning(settings, response, new Convolver(response));
        }

        @Override
        public Engine engine(double sampleRateHz) {
            return new ConvolutionEngine(this);
        }

        @Override
        public Object shape() {
            return settings.shape();
        }
    }

    /** A response at work, or ringing out. */
    private static final class Voice {
        private Tuning tuning;
        private Convolver convolver;
        private int share;
        private int ringLeft;
        private int leaving;

        Voice(Tuning tuning, Convolver convolver) {
            this.tuning = tuning;
            this.convolver = convolver;
        }
    }

    private final float[] inLeft = new float[PART];
    private final float[] inRight = new float[PART];
    private final float[] left = new float[PART];
    private final float[] right = new float[PART];
    private final Voice[] voices = new Voice[MOST_RINGING + 1];
    private Tuning wanted;
    private int now;

    /** An engine at rest; a tuning without working memory gets it here. */
    ConvolutionEngine(Tuning tuning) {
        Tuning first = tuning.convolver == null ? tuning.own() : tuning;
        wanted = first;
        java.util.Arrays.setAll(
                voices, v -> new Voice(first, java.util.Objects.requireNonNull(first.convolver)));
        voices[now].share = FADE_FRAMES;
    }

    /** Takes another response that is {@link EngineTuning#own its own}; any other is left alone. */
    @Override
    public void apply(EngineTuning tuning) {
        if (tuning instanceof Tuning t && t.shape().equals(wanted.shape()) && t.convolver != null) {
            wanted = t;
        }
    }

    @Override
    public void process(float[] l, float[] r, int from, int to) {
        int at = from;
        while (at < to) {
            takeOver();
            Voice only = voices[now];
            if (only.share == FADE_FRAMES && !rings()) {
                only.convolver.process(l, r, at, to);
                return;
            }
            int n = Math.min(PART, Math.min(nextEnd(), to - at));
            mix(l, r, at, n);
            at += n;
        }
    }

    /** Lets the wanted response work, if it does not, and there is room for it. */
    private void takeOver() {
        if (wanted.settings.equals(voices[now].tuning.settings)) {
            return;
        }
        for (int v = 0; v < voices.length; v++) {
            // One that still rings is taken up again with its tail.
            if (v != now
                    && voices[v].ringLeft > 0
                    && voices[v].leaving == 0
                    && voices[v].tuning.settings.equals(wanted.settings)) {
                change(v);
                return;
            }
        }
        for (int v = 0; v < voices.length; v++) {
            Convolver own = wanted.convolver;
            if (v != now && voices[v].ringLeft == 0 && own != null) {
                voices[v].tuning = wanted;
                voices[v].convolver = own;
                own.reset();
                change(v);
                return;
            }
        }
        letOneLeave();
    }

    /** Fades out the one that has rung longest, unless one is fading out already. */
    private void letOneLeave() {
        Voice oldest = voices[now];
        for (Voice v : voices) {
            if (v.leaving > 0) {
                return;
            }
            oldest =
                    v.ringLeft > 0 && (oldest.ringLeft == 0 || v.ringLeft < oldest.ringLeft)
                            ? v
                            : oldest;
        }
        if (oldest.ringLeft > FADE_FRAMES) {
            oldest.leaving = FADE_FRAMES;
            oldest.ringLeft = FADE_FRAMES;
        }
    }

    private void change(int next) {
        Voice before = voices[now];
        // Whole parts, so that blocks stay where whole ones are convolved fast.
        int ring = FADE_FRAMES + before.tuning.response.frames;
        before.ringLeft = Math.ceilDiv(ring, PART) * PART;
        before.leaving = 0;
        voices[next].ringLeft = 0;
        now = next;
    }

    private boolean rings() {
        for (Voice v : voices) {
            if (v.ringLeft > 0) {
                return true;
            }
        }
        return false;
    }

    /** How many frames there are until one has rung out, after which another may begin. */
    private int nextEnd() {
        int next = Integer.MAX_VALUE;
        for (Voice v : voices) {
            next = v.ringLeft > 0 ? Math.min(next, v.ringLeft) : next;
        }
        return next;
    }

    private void mix(float[] l, float[] r, int at, int n) {
        System.arraycopy(l, at, inLeft, 0, n);
        System.arraycopy(r, at, inRight, 0, n);
        java.util.Arrays.fill(l, at, at + n, 0);
        java.util.Arrays.fill(r, at, at + n, 0);
        for (int v = 0; v < voices.length; v++) {
            Voice voice = voices[v];
            if (v != now && voice.ringLeft == 0) {
                voice.share = 0;
                continue;
            }
            fade(voice, v == now ? 1 : -1, n);
            voice.convolver.process(left, right, 0, n);
            leave(voice, n);
            for (int k = 0; k < n; k++) {
                l[at + k] += left[k];
                r[at + k] += right[k];
            }
            voice.ringLeft = Math.max(0, voice.ringLeft - n);
        }
    }

    private void leave(Voice voice, int n) {
        for (int k = 0; k < n && voice.leaving > 0; k++) {
            voice.leaving--;
            float share = voice.leaving / (float) FADE_FRAMES;
            left[k] *= share;
            right[k] *= share;
        }
    }

    private void fade(Voice voice, int step, int n) {
        for (int k = 0; k < n; k++) {
            float share = voice.share / (float) FADE_FRAMES;
            left[k] = share * inLeft[k];
            right[k] = share * inRight[k];
            voice.share = Math.clamp(voice.share + step, 0, FADE_FRAMES);
        }
    }

    @Override
    public void reset() {
        for (Voice v : voices) {
            v.convolver.reset();
            v.share = 0;
            v.ringLeft = 0;
            v.leaving = 0;
        }
        if (wanted.convolver != null) {
            voices[now].tuning = wanted;
            voices[now].convolver = wanted.convolver;
            wanted.convolver.reset();
        }
        voices[now].share = FADE_FRAMES;
    }
}

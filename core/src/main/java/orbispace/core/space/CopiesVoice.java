package orbispace.core.space;

import orbispace.core.signal.DelayLine;

/**
 * One detuned copy: a delay that drifts, and when it has drifted far enough splices back to where
 * the waveform fits best (the waveform similarity of Verhelst and Roelands 1993), so that a
 * sustained tone passes without a beat. Before a stroke it goes back to the set time, since its
 * copy would otherwise stand now before and now behind it.
 */
final class CopiesVoice {
    /** How far the delay may drift from the set time. */
    static final double REACH_SECONDS = 0.004;

    private static final double SEARCH_SECONDS = 0.005;
    private static final double FADE_SECONDS = 0.012;
    private static final double WINDOW_SECONDS = 0.008;
    private static final double MARGIN_SECONDS = 0.001;
    private static final double SWAY_SECONDS = 0.003;
    private static final int GLIDE_FRAMES = 1024;
    private static final float SILENT = 1e-10f;

    private final double rate;
    private final float[] ring;
    private final int mask;
    private final int fadeFrames;
    private final Strokes strokes;
    private int fading;
    private int write;
    private double base;
    private double target;
    private double perFrame;
    private double delay;
    private double old;
    private int fadeLeft;
    private boolean moved;
    private final SlowTurn turn;
    private double swayWanted;
    private double sway;

    /**
     * A copy at rest.
     *
     * @param offset where its sway stands as the song begins, so that no two sway as one
     */
    CopiesVoice(CopiesSettings.Voice voice, double offset, double sampleRateHz) {
        rate = sampleRateHz;
        turn = new SlowTurn(0, offset, sampleRateHz);
        int most = (int) ((0.1 + 3 * REACH_SECONDS + 2 * WINDOW_SECONDS + SWAY_SECONDS) * rate);
        ring = new float[Integer.highestOneBit(most) * 2];
        mask = ring.length - 1;
        fadeFrames = (int) (FADE_SECONDS * rate);
        strokes = new Strokes(rate);
        apply(voice);
        base = target;
        reset();
    }

    /** Takes a new time and detune; the delay goes there by one splice, however near it is. */
    void apply(CopiesSettings.Voice voice) {
        double wanted = voice.seconds() * rate;
        // Detuned upwards the delay grows shorter.
        double step = 1 - Math.pow(2, voice.cents() / 1200);
        moved |= wanted != base || (step == 0 && delay != wanted);
        target = wanted;
        perFrame = step;
        turn.rate(2 * Math.PI * voice.swayHz() / rate);
        double most = Math.max(0, wanted - reachOf(wanted, step) - MARGIN_SECONDS * rate);
        swayWanted = Math.min(voice.swaySeconds() * rate, most);
    }

    /**
     * A time that was given goes with the drift that there is; one that does not drift is exact.
     */
    private void move() {
        leave(fadeFrames);
        double drift = delay - base;
        base = target;
        delay = perFrame == 0 ? base : base + Math.clamp(drift, -reach(), reach());
        moved = false;
    }

    private void leave(int frames) {
        old = delay;
        fading = frames;
        fadeLeft = frames;
    }

    /** Goes to where a stroke that has come in will stand at the set time, if there is time. */
    private void meet() {
        int since = strokes.taken();
        int left = (int) (Math.min(delay, base) - since - MARGIN_SECONDS * rate);
        if (perFrame != 0 && left >= MARGIN_SECONDS * rate) {
            leave(Math.min(fadeFrames, left));
            delay = base - perFrame * (base - since);
        }
    }

    /** Says which frame of the song comes next. */
    void begin(int frame) {
        turn.at(frame);
    }

    private double reach() {
        return Math.min(REACH_SECONDS * rate, base - 8);
    }

    /** How far one drifts that is so many frames late, if it does. */
    private double reachOf(double frames, double step) {
        return step == 0 ? 0 : Math.min(REACH_SECONDS * rate, frames - 8);
    }

    void process(float[] in, float[] out, int n) {
        for (int k = 0; k < n; k++) {
            float x = in[k];
            ring[write & mask] = Math.abs(x) < SILENT ? 0 : x;
            strokes.next(x);
            double swayed = swayed();
            float y = at(delay + swayed);
            if (fadeLeft > 0) {
                float share = fadeLeft / (float) fading;
                y += share * (at(old + swayed) - y);
                fadeLeft--;
                old += perFrame;
            } else if (moved) {
                move();
            } else if (strokes.waits()) {
                meet();
            } else if (Math.abs(delay - base) > reach() + 1) {
                splice();
            }
            out[k] = y;
            delay += perFrame;
            write++;
        }
    }

    /** How much later it stands by its sway. */
    private double swayed() {
        if (sway == 0 && swayWanted == 0) {
            turn.goOn(1);
            return 0;
        }
        sway += (swayWanted - sway) / GLIDE_FRAMES;
        if (swayWanted == 0 && sway < 1e-3) {
            sway = 0;
        }
        double later = sway * turn.sine();
        turn.goOn(1);
        return later;
    }

    private float at(double frames) {
        int whole = (int) frames;
        float f = (float) (frames - whole);
        int i = write - whole;
        if (f == 0) {
            return ring[i & mask];
        }
        return DelayLine.lagrange(
                ring[(i + 1) & mask],
                ring[i & mask],
                ring[(i - 1) & mask],
                ring[(i - 2) & mask],
                f);
    }

    /** Goes back to the other end of the reach, to the place that sounds most alike. */
    private void splice() {
        leave(fadeFrames);
        if (perFrame == 0) {
            delay = base;
            return;
        }
        double far = perFrame > 0 ? base - reach() : base + reach();
        int search = (int) Math.min(SEARCH_SECONDS * rate, 1.6 * reach());
        int step = perFrame > 0 ? 1 : -1;
        double best = -2;
        int bestAt = 0;
        for (int s = 0; s <= search; s++) {
            double alike = alike((int) Math.round(old), (int) Math.round(far) + step * s);
            if (alike > best + 1e-6) {
                best = alike;
                bestAt = s;
            }
        }
        delay = Math.rint(far) + (double) step * bestAt + (old - Math.rint(old));
    }

    /** Normalised correlation of what lies behind two delays, on every third frame. */
    private double alike(int a, int b) {
        int window = (int) (WINDOW_SECONDS * rate);
        double product = 0;
        double energy = 1e-20;
        for (int i = 0; i < window; i += 3) {
            double x = ring[(write - a - i) & mask];
            double y = ring[(write - b - i) & mask];
            product += x * y;
            energy += y * y;
        }
        return product / Math.sqrt(energy);
    }

    void reset() {
        java.util.Arrays.fill(ring, 0);
        base = target;
        moved = false;
        delay = base;
        old = base;
        fadeLeft = 0;
        turn.reset();
        sway = swayWanted;
        strokes.reset();
        write = 0;
    }
}

package orbispace.core.space;

import orbispace.core.signal.Cascade;
import orbispace.core.signal.DelayLine;

/**
 * An echo that answers left, right, left: two delay lines in a ring with a high-pass and a low-pass
 * of two poles each in the loop.
 *
 * <p>The input is summed to mono at constant power. The first arrival is the input itself, left, at
 * the set time (fractions of a frame included); arrival k stands at k times the spacing, {@code
 * feedback^(k-1)} in level before the loop filters. A new time is cross-faded in.
 */
public final class PingPongEcho implements Engine {
    /** The shortest delay the ring can hold. */
    static final int LEAST_FRAMES = 4;

    private static final int BLOCK = 32;
    private static final float SILENT = 1e-10f;
    private static final int GLIDE_FRAMES = 1024;

    private final DelayLine leftLine;
    private final DelayLine rightLine;
    private final Cascade loop = new Cascade(2);
    private final float[] l = new float[BLOCK];
    private final float[] r = new float[BLOCK];
    private final float[] input = new float[BLOCK];
    private EngineTuning.PingPong tuning;
    private float feedback;
    private float near;
    private float far;

    /** An echo at rest. */
    PingPongEcho(EngineTuning.PingPong tuning, double sampleRateHz) {
        int most = (int) Math.ceil(EngineSettings.PingPong.MAX_SECONDS * sampleRateHz);
        leftLine = new DelayLine(most);
        rightLine = new DelayLine(most);
        this.tuning = tuning;
        this.feedback = tuning.feedback;
        near = tuning.near;
        far = tuning.far;
        loop.set(tuning.loop, true);
        setDelay(true);
    }

    @Override
    public void apply(EngineTuning given) {
        if (given instanceof EngineTuning.PingPong echo && echo != tuning) {
            tuning = echo;
            loop.set(echo.loop, false);
        }
    }

    private void setDelay(boolean atOnce) {
        leftLine.setDelay(tuning.delayFrames, atOnce);
        rightLine.setDelay(tuning.delayFrames, atOnce);
    }

    @Override
    public void process(float[] left, float[] right, int from, int to) {
        setDelay(false);
        int at = from;
        while (at < to) {
            int n = Math.min(Math.min(BLOCK, leftLine.readable()), to - at);
            processBlock(left, right, at, n);
            at += n;
        }
    }

    private void processBlock(float[] left, float[] right, int at, int n) {
        leftLine.read(l, n);
        rightLine.read(r, n);
        float half = (float) Math.sqrt(0.5);
        float wanted = tuning.feedback;
        for (int k = 0; k < n; k++) {
            float in = half * (left[at + k] + right[at + k]);
            near += (tuning.near - near) / GLIDE_FRAMES;
            far += (tuning.far - far) / GLIDE_FRAMES;
            left[at + k] = near * l[k] + far * r[k];
            right[at + k] = near * r[k] + far * l[k];
            // What the right line gives back returns to the left, where the input joins it below.
            input[k] = Math.abs(in) < SILENT ? 0 : in;
        }
        loop.process(l, r, 0, n);
        for (int k = 0; k < n; k++) {
            feedback += (wanted - feedback) / GLIDE_FRAMES;
            float toRight = feedback * l[k];
            float toLeft = input[k] + feedback * r[k];
            l[k] = Math.abs(toLeft) < SILENT ? 0 : toLeft;
            r[k] = Math.abs(toRight) < SILENT ? 0 : toRight;
        }
        leftLine.write(l, n);
        rightLine.write(r, n);
    }

    @Override
    public void reset() {
        leftLine.reset();
        rightLine.reset();
        loop.reset();
        feedback = tuning.feedback;
        near = tuning.near;
        far = tuning.far;
        setDelay(true);
    }
}

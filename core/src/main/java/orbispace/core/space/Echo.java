package orbispace.core.space;

import orbispace.core.signal.DelayLine;
import orbispace.core.signal.FadingFilter;
import orbispace.core.signal.Oversampler;
import orbispace.core.signal.SoftCurve;

/**
 * An echo: two delay lines with a high-pass and a low-pass of two poles each, a soft curve and a
 * slow sway in the loop.
 *
 * <p>A single echo and a stereo pair answer each side for itself; a ping-pong sums its input to
 * mono and answers left, right, left; one that walks sums it as well, answers in the middle, and
 * then each time further to its side, as loud within 1 dB. The first arrival is the input itself at
 * the set time, to the frame where that is within 0.01 percent and the time does not sway, to a
 * fraction of a frame otherwise; arrival k stands at k times the spacing, {@code feedback^(k-1)} in
 * level before filters and curve. A new time is cross-faded in, or glided to if that is set.
 */
public final class Echo implements Engine {
    /** The shortest delay the lines can hold. */
    static final int LEAST_FRAMES = 4;

    private static final int BLOCK = 32;
    private static final float SILENT = 1e-10f;
    private static final int GLIDE_FRAMES = 1024;

    private final boolean pingPong;
    private final boolean walks;
    private final boolean toRight;
    private final DelayLine leftLine;
    private final DelayLine rightLine;
    private final FadingFilter loop;
    private final float[] l = new float[BLOCK];
    private final float[] r = new float[BLOCK];
    private final float[] backLeft = new float[BLOCK];
    private final float[] backRight = new float[BLOCK];
    private final float[] amounts = new float[BLOCK];
    private final Oversampler leftCurve = new Oversampler(2);
    private final Oversampler rightCurve = new Oversampler(2);
    private final Oversampler.Curve curve = this::bend;
    private final float[] inLeft = new float[BLOCK];
    private final float[] inRight = new float[BLOCK];
    private EchoTuning tuning;
    private float feedback;
    private float bend;
    private float near;
    private float far;
    private float walkStays;
    private float walkOver;
    private double wow;
    private final SlowTurn turn;
    private final EchoGlide leftGlide = new EchoGlide();
    private final EchoGlide rightGlide = new EchoGlide();

    /** An echo at rest. */
    Echo(EchoTuning tuning, double sampleRateHz) {
        int most = (int) Math.ceil((EchoSettings.MAX_SECONDS + 0.005) * sampleRateHz);
        pingPong = tuning.settings.kind() == EchoSettings.Kind.PING_PONG;
        walks = tuning.settings.kind().walks();
        toRight = tuning.settings.kind() == EchoSettings.Kind.WALK_RIGHT;
        leftLine = new DelayLine(most);
        rightLine = new DelayLine(most);
        turn = new SlowTurn(tuning.wowPerFrame, 0, sampleRateHz);
        loop = new FadingFilter(2, tuning.loop);
        this.tuning = tuning;
        settle();
    }

    private void settle() {
        feedback = tuning.feedback;
        bend = tuning.bend;
        near = tuning.near;
        far = tuning.far;
        walkStays = tuning.stays;
        walkOver = tuning.goesOver;
        wow = tuning.wowFrames;
        turn.reset();
        turn.rate(tuning.wowPerFrame);
        loop.set(tuning.loop);
        loop.reset();
        leftLine.setDelay(tuning.leftFrames, true);
        rightLine.setDelay(tuning.rightFrames, true);
        leftGlide.settle(tuning.leftFrames);
        rightGlide.settle(tuning.rightFrames);
    }

    @Override
    public void apply(EngineTuning given) {
        if (given instanceof EchoTuning t && t != tuning && t.shape().equals(tuning.shape())) {
            turn.rate(t.wowPerFrame);
            tuning = t;
            loop.set(t.loop);
        }
    }

    @Override
    public void at(int frame) {
        turn.at(frame);
    }

    @Override
    public void process(float[] left, float[] right, int from, int to) {
        int at = from;
        while (at < to) {
            leftGlide.aim(leftLine, tuning.leftFrames, tuning.glideFrames);
            rightGlide.aim(rightLine, tuning.rightFrames, tuning.glideFrames);
            int readable = Math.min(leftLine.readable(), rightLine.readable());
            int nearer =
                    (int) Math.ceil(Math.max(0, Math.max(-leftGlide.off(), -rightGlide.off())));
            int sooner = (int) wow + nearer + tuning.curveFrames;
            int n = Math.min(Math.min(BLOCK, readable - sooner), to - at);
            processBlock(left, right, at, Math.max(1, n));
            at += Math.max(1, n);
        }
    }

    private void processBlock(float[] left, float[] right, int at, int n) {
        boolean bends = tuning.bend > 0;
        read(n, bends);
        if (!bends) {
            System.arraycopy(l, 0, backLeft, 0, n);
            System.arraycopy(r, 0, backRight, 0, n);
        }
        for (int k = 0; k < n; k++) {
            take(left[at + k], right[at + k], k);
            near += (tuning.near - near) / GLIDE_FRAMES;
            far += (tuning.far - far) / GLIDE_FRAMES;
            // One that walks goes from the right line to the left one, wherever that is heard.
            left[at + k] = toRight ? r[k] : near * l[k] + far * r[k];
            right[at + k] = toRight ? l[k] : near * r[k] + far * l[k];
        }
        loop.process(backLeft, backRight, 0, n);
        if (bends) {
            for (int k = 0; k < n; k++) {
                bend += (tuning.bend - bend) / GLIDE_FRAMES;
                amounts[k] = bend;
            }
            leftCurve.process(backLeft, 0, n, curve);
            rightCurve.process(backRight, 0, n, curve);
        }
        float wanted = tuning.feedback;
        for (int k = 0; k < n; k++) {
            feedback += (wanted - feedback) / GLIDE_FRAMES;
            // In a ping-pong what the right line gives back returns to the left, where the input
            // joins it.
            float back = pingPong ? backRight[k] : backLeft[k];
            float cross = pingPong ? backLeft[k] : backRight[k];
            if (walks) {
                walkStays += (tuning.stays - walkStays) / GLIDE_FRAMES;
                walkOver += (tuning.goesOver - walkOver) / GLIDE_FRAMES;
                back += walkOver * cross;
                cross *= walkStays;
            }
            l[k] = clean(inLeft[k] + feedback * back);
            r[k] = clean(inRight[k] + feedback * cross);
        }
        leftLine.write(l, n);
        rightLine.write(r, n);
    }

    /** Reads what is due, and with a curve what is due when that has bent it. */
    private void read(int n, boolean bends) {
        boolean sways = wow != 0 || tuning.wowFrames != 0;
        if (!sways && !bends && leftGlide.off() == 0 && rightGlide.off() == 0) {
            leftLine.read(l, n);
            rightLine.read(r, n);
            turn.goOn(n);
            return;
        }
        for (int k = 0; k < n; k++) {
            wow += (tuning.wowFrames - wow) / GLIDE_FRAMES;
            double later = wow * turn.sine();
            double onLeft = later + leftGlide.next();
            double onRight = later + rightGlide.next();
            l[k] = leftLine.ahead(k, onLeft);
            r[k] = rightLine.ahead(k, onRight);
            if (bends) {
                backLeft[k] = leftLine.ahead(k, onLeft - tuning.curveFrames);
                backRight[k] = rightLine.ahead(k, onRight - tuning.curveFrames);
            }
            turn.goOn(1);
        }
        if (tuning.wowFrames == 0 && wow < 1e-3) {
            wow = 0;
        }
    }

    private void take(float left, float right, int k) {
        if (pingPong) {
            inLeft[k] = clean((float) Math.sqrt(0.5) * (left + right));
            inRight[k] = 0;
        } else if (walks) {
            inLeft[k] = clean((left + right) / 2);
            inRight[k] = inLeft[k];
        } else {
            inLeft[k] = clean(left);
            inRight[k] = clean(right);
        }
    }

    /** Bends samples at four times the rate, each by the amount of its frame. */
    private void bend(float[] samples, int n) {
        for (int k = 0; k < n; k++) {
            samples[k] = SoftCurve.bend(samples[k], amounts[k >> 2]);
        }
    }

    private static float clean(float x) {
        return Math.abs(x) < SILENT ? 0 : x;
    }

    @Override
    public void reset() {
        leftLine.reset();
        rightLine.reset();
        leftCurve.reset();
        rightCurve.reset();
        settle();
    }
}

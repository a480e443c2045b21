package orbispace.core.space;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Pan;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.DelayLine;
import orbispace.core.signal.FadingFilter;
import orbispace.core.signal.FilterDesign;
import orbispace.core.signal.Oversampler;
import orbispace.core.signal.SoftCurve;

/**
 * An echo: two delay lines with a high-pass and a low-pass of two poles each, a soft curve and a
 * slow sway in the loop.
 *
 * <p>A single echo and a stereo pair answer each side for itself; a ping-pong sums its input to
 * mono and answers left, right, left. The first arrival is the input itself at the set time, to the
 * frame where that is within 0.01 percent and the time does not sway, to a fraction of a frame
 * otherwise; arrival k stands at k times the spacing, {@code feedback^(k-1)} in level before
 * filters and curve. A new time is cross-faded in, or glided to if that is set.
 */
public final class Echo implements Engine {
    /** The shortest delay the lines can hold. */
    static final int LEAST_FRAMES = 4;

    private static final int BLOCK = 32;
    private static final float SILENT = 1e-10f;
    private static final int GLIDE_FRAMES = 1024;
    private static final int FREQUENCIES = 512;

    /** What comes back is always softer than what went in, whatever the filters do to it. */
    private static final double MOST_GAIN = 0.96;

    /** Times, feedback and loop of an echo. */
    static final class Tuning implements EngineTuning {
        private final EchoSettings settings;
        private final double leftFrames;
        private final double rightFrames;
        private final double[] loop;
        private final float near;
        private final float far;
        private final float bend;
        private final float feedback;

        /** How much sooner what is bent is read, since the curve takes as long. */
        private final int curveFrames;

        private final double wowFrames;
        private final double wowPerFrame;
        private final double glideFrames;

        private Tuning(EchoSettings s, double rate) {
            settings = s;
            boolean pair = s.kind() == EchoSettings.Kind.PAIR;
            leftFrames = s.frames(s.leftSeconds(), rate);
            rightFrames = pair ? s.frames(s.rightSeconds(), rate) : leftFrames;
            List<Biquad> filters =
                    new ArrayList<>(FilterDesign.highPass(s.loop().highPassHz(), 2, rate));
            filters.addAll(FilterDesign.lowPass(s.loop().lowPassHz(), 2, rate));
            loop = Cascade.pack(filters, 2);
            boolean keepsSides = s.kind() == EchoSettings.Kind.SINGLE;
            near = keepsSides ? 1 : (float) Pan.left(-s.width());
            far = keepsSides ? 0 : (float) Pan.right(-s.width());
            bend = (float) s.loop().saturation();
            feedback = bounded(s.feedback(), filters, rate);
            double most = Math.min(leftFrames, rightFrames) - LEAST_FRAMES;
            curveFrames = bend > 0 ? (int) Math.min(Oversampler.LATENCY_FRAMES, most) : 0;
            double left = Math.max(0, most - curveFrames);
            wowFrames = Math.clamp(s.loop().wowMillis() / 1000 * rate, 0, left);
            wowPerFrame = 2 * Math.PI * s.loop().wowHz() / rate;
            glideFrames = s.loop().glideMillis() / 1000 * rate;
        }

        /**
         * Feedback with which the loop's gain stays under {@link #MOST_GAIN} at all frequencies.
         */
        private static float bounded(double wanted, List<Biquad> filters, double rate) {
            double most = 0;
            for (int k = 1; k < FREQUENCIES; k++) {
                double hz = rate / 2 * k / FREQUENCIES;
                most = Math.max(most, FilterDesign.magnitudeDb(filters, hz, rate));
            }
            return (float) Math.min(wanted, MOST_GAIN / Decibels.toAmplitude(most));
        }

        static Tuning of(EchoSettings settings, double sampleRateHz) {
            return new Tuning(settings, sampleRateHz);
        }

        @Override
        public Engine engine(double sampleRateHz) {
            return new Echo(this, sampleRateHz);
        }

        @Override
        public Object shape() {
            return settings.shape();
        }
    }

    private final boolean pingPong;
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
    private Tuning tuning;
    private float feedback;
    private float bend;
    private float near;
    private float far;
    private double wow;
    private final Sway sway;
    private int nextFrame;
    private boolean begun;
    private final EchoGlide leftGlide = new EchoGlide();
    private final EchoGlide rightGlide = new EchoGlide();

    /** An echo at rest. */
    Echo(Tuning tuning, double sampleRateHz) {
        int most = (int) Math.ceil((EchoSettings.MAX_SECONDS + 0.005) * sampleRateHz);
        pingPong = tuning.settings.kind() == EchoSettings.Kind.PING_PONG;
        leftLine = new DelayLine(most);
        rightLine = new DelayLine(most);
        sway = new Sway(sampleRateHz);
        loop = new FadingFilter(2, tuning.loop);
        this.tuning = tuning;
        settle();
    }

    private void settle() {
        feedback = tuning.feedback;
        bend = tuning.bend;
        near = tuning.near;
        far = tuning.far;
        wow = tuning.wowFrames;
        sway.reset();
        begun = false;
        nextFrame = 0;
        loop.set(tuning.loop);
        loop.reset();
        leftLine.setDelay(tuning.leftFrames, true);
        rightLine.setDelay(tuning.rightFrames, true);
        leftGlide.settle(tuning.leftFrames);
        rightGlide.settle(tuning.rightFrames);
    }

    @Override
    public void apply(EngineTuning given) {
        if (given instanceof Tuning t && t != tuning && t.shape().equals(tuning.shape())) {
            sway.jump(tuning.wowPerFrame * nextFrame, t.wowPerFrame * nextFrame);
            tuning = t;
            loop.set(t.loop);
        }
    }

    @Override
    public void at(int frame) {
        if (begun && frame != nextFrame) {
            sway.jump(tuning.wowPerFrame * nextFrame, tuning.wowPerFrame * frame);
        }
        begun = true;
        nextFrame = frame;
    }

    @Override
    public void process(float[] left, float[] right, int from, int to) {
        begun = true;
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
            nextFrame += Math.max(1, n);
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
            left[at + k] = near * l[k] + far * r[k];
            right[at + k] = near * r[k] + far * l[k];
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
            return;
        }
        for (int k = 0; k < n; k++) {
            wow += (tuning.wowFrames - wow) / GLIDE_FRAMES;
            double turn = tuning.wowPerFrame * (nextFrame + k) + sway.off();
            double later = wow * Math.sin(turn);
            double onLeft = later + leftGlide.next();
            double onRight = later + rightGlide.next();
            l[k] = leftLine.ahead(k, onLeft);
            r[k] = rightLine.ahead(k, onRight);
            if (bends) {
                backLeft[k] = leftLine.ahead(k, onLeft - tuning.curveFrames);
                backRight[k] = rightLine.ahead(k, onRight - tuning.curveFrames);
            }
            sway.goOn(1);
        }
        if (tuning.wowFrames == 0 && wow < 1e-3) {
            wow = 0;
        }
    }

    private void take(float left, float right, int k) {
        if (pingPong) {
            inLeft[k] = clean((float) Math.sqrt(0.5) * (left + right));
            inRight[k] = 0;
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

package orbispace.core.space;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Pan;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;
import orbispace.core.signal.Oversampler;

/** Times, feedback and loop of an echo. */
final class EchoTuning implements EngineTuning {
    private static final int FREQUENCIES = 512;

    /** Of the way that is left, how much one that walks goes at most. */
    private static final double WALK = 0.6;

    /** With so much of what the far side loses the near one stays as loud in the end. */
    private static final double TAKEN = Math.sqrt(2) - 1;

    /** What comes back is always softer than what went in, whatever the filters do to it. */
    private static final double MOST_GAIN = 0.96;

    final EchoSettings settings;
    final double leftFrames;
    final double rightFrames;
    final double[] loop;
    final float near;
    final float far;
    final float bend;
    final float feedback;

    /** What of the far side stays there at each turn, and what goes over to the near one. */
    final float stays;

    final float goesOver;

    /** How much sooner what is bent is read, since the curve takes as long. */
    final int curveFrames;

    final double wowFrames;
    final double wowPerFrame;
    final double glideFrames;

    private EchoTuning(EchoSettings s, double rate) {
        settings = s;
        boolean pair = s.kind() == EchoSettings.Kind.PAIR;
        leftFrames = s.frames(s.leftSeconds(), rate);
        rightFrames = pair ? s.frames(s.rightSeconds(), rate) : leftFrames;
        List<Biquad> filters =
                new ArrayList<>(FilterDesign.highPass(s.loop().highPassHz(), 2, rate));
        filters.addAll(FilterDesign.lowPass(s.loop().lowPassHz(), 2, rate));
        loop = Cascade.pack(filters, 2);
        boolean walks = s.kind().walks();
        boolean keepsSides = s.kind() == EchoSettings.Kind.SINGLE || walks;
        near = keepsSides ? 1 : (float) Pan.left(-s.width());
        far = keepsSides ? 0 : (float) Pan.right(-s.width());
        double step = walks ? WALK * s.width() : 0;
        stays = (float) (1 - step);
        goesOver = (float) (TAKEN * step);
        bend = (float) s.loop().saturation();
        feedback = bounded(s.feedback(), filters, rate);
        double most = Math.min(leftFrames, rightFrames) - Echo.LEAST_FRAMES;
        curveFrames = bend > 0 ? (int) Math.min(Oversampler.LATENCY_FRAMES, most) : 0;
        double left = Math.max(0, most - curveFrames);
        wowFrames = Math.clamp(s.loop().wowMillis() / 1000 * rate, 0, left);
        wowPerFrame = 2 * Math.PI * s.loop().wowHz() / rate;
        glideFrames = s.loop().glideMillis() / 1000 * rate;
    }

    /** Feedback with which the loop's gain stays under {@link #MOST_GAIN} at all frequencies. */
    private static float bounded(double wanted, List<Biquad> filters, double rate) {
        double most = 0;
        for (int k = 1; k < FREQUENCIES; k++) {
            double hz = rate / 2 * k / FREQUENCIES;
            most = Math.max(most, FilterDesign.magnitudeDb(filters, hz, rate));
        }
        return (float) Math.min(wanted, MOST_GAIN / Decibels.toAmplitude(most));
    }

    static EchoTuning of(EchoSettings settings, double sampleRateHz) {
        return new EchoTuning(settings, sampleRateHz);
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

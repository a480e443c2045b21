package orbispace.core.render;

import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Return;

/**
 * The impulse response of a return's linear part: filters, predelay and engine, without sends,
 * ducker and level. The impulse has energy 1 and comes from the middle.
 */
public final class ImpulseResponse {
    private static final double LONGEST_SECONDS = 40;

    private ImpulseResponse() {}

    /** The response, as long as it rings (to about -100 dB). */
    public static Audio of(Design design, Return r) {
        ChainSettings chain = ChainSettings.of(design, r);
        double rate = design.song().sampleRateHz();
        int frames = (int) Math.ceil(Math.min(LONGEST_SECONDS, chain.ringSeconds()) * rate);
        float[] left = new float[frames];
        float[] right = new float[frames];
        left[0] = (float) Math.sqrt(0.5);
        right[0] = left[0];
        Block block = new Block(left, right, new float[0]);
        for (StageSettings settings : chain.linearPart().stages()) {
            if (!settings.passesAll()) {
                Stage.of(settings, rate).process(block, 0, frames);
            }
        }
        return Audio.of(rate, left, right);
    }
}

package orbispace.core.measure;

import orbispace.core.audio.Audio;
import orbispace.core.space.Engine;
import orbispace.core.space.EngineSettings;
import orbispace.core.space.WholeConvolution;

/** What spaces answer to clicks and other sounds. */
final class SpaceAnswer {
    private static final int BLOCK = 4096;

    private SpaceAnswer() {}

    /** The answer to a click of so much on each side. */
    static Audio toClick(
            EngineSettings settings, double left, double right, double seconds, double rate) {
        if (WholeConvolution.serves(settings)) {
            int frames = (int) (seconds * rate);
            return Audio.of(rate, WholeConvolution.click(settings, rate, left, right, frames));
        }
        float[][] sound = new float[2][(int) (seconds * rate)];
        sound[0][0] = (float) left;
        sound[1][0] = (float) right;
        replace(settings, rate, sound[0], sound[1]);
        return Audio.of(rate, sound);
    }

    /** The answer to a click of energy 1 in the middle. */
    static Audio toMiddle(EngineSettings settings, double seconds, double rate) {
        return toClick(settings, Math.sqrt(0.5), Math.sqrt(0.5), seconds, rate);
    }

    /** Replaces a sound by its wet sound. */
    static void replace(EngineSettings settings, double rate, float[] left, float[] right) {
        if (WholeConvolution.serves(settings)) {
            WholeConvolution.process(settings, rate, left, right, () -> true);
            return;
        }
        Engine engine = Engine.of(settings, rate);
        for (int at = 0; at < left.length; at += BLOCK) {
            engine.process(left, right, at, Math.min(left.length, at + BLOCK));
        }
    }
}

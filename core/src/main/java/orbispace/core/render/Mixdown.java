package orbispace.core.render;

import java.util.List;
import orbispace.core.audio.Audio;

/** Sums of sounds. */
final class Mixdown {
    private static final int PART = 8192;

    private Mixdown() {}

    /** Adds the front of a sound, read by parts. */
    static void addPanned(float[] left, float[] right, Audio audio, double gain, double pan) {
        float gl = (float) (gain * Renderer.leftGain(audio, pan));
        float gr = (float) (gain * Renderer.rightGain(audio, pan));
        Block part = new Block(new float[PART], new float[PART]);
        int frames = Math.min(left.length, audio.frames());
        for (int at = 0; at < frames; at += PART) {
            int n = Math.min(PART, frames - at);
            audio.read(at, n, part.left, part.right);
            for (int i = 0; i < n; i++) {
                left[at + i] += gl * part.left[i];
                right[at + i] += gr * part.right[i];
            }
        }
    }

    /** Adds a stereo sound of the same length. */
    static void add(float[] left, float[] right, Audio audio, double gain) {
        float g = (float) gain;
        float[] l = audio.channel(0);
        float[] r = audio.channel(1);
        for (int i = 0; i < left.length; i++) {
            left[i] += g * l[i];
            right[i] += g * r[i];
        }
    }

    static Audio sum(Audio first, List<Audio> others) {
        float[] left = first.channel(0).clone();
        float[] right = first.channel(1).clone();
        for (Audio other : others) {
            add(left, right, other, 1);
        }
        return Audio.of(first.sampleRateHz(), left, right);
    }

    /** Multiplies frames {@code from} to before {@code to} by as many gains. */
    static void multiply(float[] sound, int from, int to, float[] gains) {
        for (int i = from; i < to; i++) {
            sound[i] *= gains[i - from];
        }
    }
}

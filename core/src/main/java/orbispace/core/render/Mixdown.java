package orbispace.core.render;

import java.util.List;
import orbispace.core.audio.Audio;

/** Sums of sounds. */
final class Mixdown {
    private Mixdown() {}

    static void addPanned(float[] left, float[] right, Audio audio, double gain, double pan) {
        float gl = (float) (gain * Renderer.leftGain(audio, pan));
        float gr = (float) (gain * Renderer.rightGain(audio, pan));
        float[] l = audio.channel(0);
        float[] r = audio.channel(1);
        int n = Math.min(left.length, audio.frames());
        for (int i = 0; i < n; i++) {
            left[i] += gl * l[i];
            right[i] += gr * r[i];
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
            for (int i = 0; i < left.length; i++) {
                left[i] += other.channel(0)[i];
                right[i] += other.channel(1)[i];
            }
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

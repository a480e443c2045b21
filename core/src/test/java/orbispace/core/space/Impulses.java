package orbispace.core.space;

import orbispace.core.audio.Audio;

/** Impulse responses of engines for tests. */
public final class Impulses {
    private Impulses() {}

    /** What an engine answers to an impulse of energy 1 from the middle, made in blocks. */
    public static Audio response(EngineSettings settings, double seconds, double rate, int block) {
        return response(
                Engine.of(settings, rate), Math.sqrt(0.5), Math.sqrt(0.5), seconds, rate, block);
    }

    /** What an engine answers to an impulse on each side. */
    public static Audio response(
            Engine engine, double l, double r, double seconds, double rate, int block) {
        float[] left = new float[(int) (seconds * rate)];
        float[] right = new float[left.length];
        left[0] = (float) l;
        right[0] = (float) r;
        run(engine, left, right, block);
        return Audio.of(rate, left, right);
    }

    /** Runs a sound through an engine in blocks, in place. */
    public static void run(Engine engine, float[] left, float[] right, int block) {
        for (int at = 0; at < left.length; at += block) {
            engine.process(left, right, at, Math.min(left.length, at + block));
        }
    }

    /** The largest difference of two sounds. */
    public static double difference(Audio a, Audio b) {
        double most = 0;
        for (int c = 0; c < 2; c++) {
            for (int i = 0; i < a.frames(); i++) {
                most = Math.max(most, Math.abs(a.channel(c)[i] - b.channel(c)[i]));
            }
        }
        return most;
    }
}

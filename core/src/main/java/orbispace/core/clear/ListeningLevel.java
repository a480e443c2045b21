package orbispace.core.clear;

import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;

/** How loud a mix is, before all of it was rendered. */
public final class ListeningLevel {
    private static final int STRETCHES = 20;
    private static final double STRETCH_SECONDS = 3;

    private ListeningLevel() {}

    /**
     * The integrated loudness of the dry sources in stretches that lie evenly over the song, in
     * LUFS; what the returns add is left out. Empty for silence.
     */
    public static OptionalDouble estimate(Renderer renderer, Design design, Job job) {
        double rate = renderer.material().sampleRateHz();
        double seconds = renderer.frames() / rate;
        if (seconds <= STRETCHES * STRETCH_SECONDS) {
            return LoudnessMeter.integratedLufs(renderer.dryMix(design));
        }
        int frames = (int) Math.round(STRETCH_SECONDS * rate);
        float[][] all = new float[2][STRETCHES * frames];
        for (int i = 0; i < STRETCHES; i++) {
            job.check();
            double from = (i + 0.5) * seconds / STRETCHES - STRETCH_SECONDS / 2;
            Audio part = renderer.window(from, from + STRETCH_SECONDS).dryMix(design);
            int n = Math.min(frames, part.frames());
            for (int c = 0; c < all.length; c++) {
                System.arraycopy(part.channel(c), 0, all[c], i * frames, n);
            }
        }
        return LoudnessMeter.integratedLufs(Audio.of(rate, all));
    }
}

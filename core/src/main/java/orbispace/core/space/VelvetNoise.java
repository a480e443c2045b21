package orbispace.core.space;

import java.util.Random;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;

/**
 * Velvet noise (Karjalainen and Jarvelainen 2007): one pulse of either sign at a random place of
 * each short stretch, which sounds smoother than white noise at the same density.
 */
final class VelvetNoise {
    private static final double PULSES_PER_SECOND = 3000;
    private static final double SLOPE_DB = 12;

    private VelvetNoise() {}

    /** Puts pulses of one frame at random places. */
    static float[] pulses(int frames, double sampleRateHz, double perSecond, long seed) {
        Random random = new Random(seed);
        float[] x = new float[frames];
        double stretch = sampleRateHz / perSecond;
        for (int m = 0; (m + 1) * stretch < frames; m++) {
            int at = (int) (m * stretch + random.nextDouble() * (stretch - 1));
            x[at] = random.nextBoolean() ? 1 : -1;
        }
        return x;
    }

    /**
     * The answer of a gated reverb, of unit energy: its level runs as the envelope says and falls
     * by 40 dB within the fall, so that it is 40 dB down at the set length.
     */
    static Taps response(GatedSettings s, double rate) {
        int frames = (int) Math.ceil((s.lengthSeconds() + 1.5 * s.fallSeconds()) * rate);
        float[][] paths = new float[2][];
        double energy = 0;
        for (int c = 0; c < 2; c++) {
            float[] x = pulses(frames, rate, PULSES_PER_SECOND, 11 + c);
            new Cascade(FilterDesign.lowPass(s.brightHz(), 2, rate)).process(x, x, 0, frames);
            for (int i = 0; i < frames; i++) {
                x[i] *= (float) Decibels.toAmplitude(levelDb(s, i / rate));
                energy += x[i] * (double) x[i];
            }
            paths[c] = x;
        }
        float gain = (float) Math.sqrt(2 / energy);
        for (float[] x : paths) {
            for (int i = 0; i < x.length; i++) {
                x[i] *= gain;
            }
        }
        return new Taps(paths);
    }

    private static double levelDb(GatedSettings s, double seconds) {
        double wall = s.lengthSeconds() - s.fallSeconds();
        double share = Math.min(1, seconds / wall);
        double envelope =
                switch (s.envelope()) {
                    case FLAT -> 0;
                    case FALLING -> -SLOPE_DB * share;
                    case RISING -> SLOPE_DB * (share - 1);
                };
        return seconds <= wall ? envelope : envelope - 40 * (seconds - wall) / s.fallSeconds();
    }
}

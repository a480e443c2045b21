package orbispace.bench.draft;

import java.util.Random;
import orbispace.bench.truth.Sounds;

/** Plain instruments that play into a stem; each call adds to what is there. */
final class Players {
    private Players() {}

    /** A phrase of syllables that begin with a consonant, two of three of them sung. */
    static void sing(float[] x, double at, double lasts, double level, Random random) {
        float[] voice = Sounds.vowel(frames(lasts) + 1, true, random);
        double t = 0;
        while (t < lasts - 0.1) {
            double syllable = Math.min(lasts - t, 0.18 + 0.22 * random.nextDouble());
            double hiss = 0.03 + 0.05 * random.nextDouble();
            int from = frames(at + t);
            double last = 0;
            for (int i = 0; i < frames(hiss) && from + i < x.length; i++) {
                double noise = random.nextGaussian();
                x[from + i] += (float) (0.02 * level * (noise - last));
                last = noise;
            }
            int sung = frames(syllable - hiss - 0.02);
            double accent = level * (0.75 + 0.5 * random.nextDouble());
            for (int i = 0; i < sung && from + frames(hiss) + i < x.length; i++) {
                double edge = Math.min(1, Math.min(i, sung - i) / (0.02 * Sounds.RATE));
                int v = Math.min(voice.length - 1, frames(t + hiss) + i);
                x[from + frames(hiss) + i] += (float) (accent * edge * voice[v]);
            }
            t += syllable;
        }
    }

    /** A struck or plucked string of some partials that fall off, the higher the sooner. */
    static void pluck(float[] x, double at, double hz, double rings, double level, Random random) {
        int from = frames(at);
        double[] phase = new double[8];
        for (int k = 0; k < phase.length; k++) {
            phase[k] = 2 * Math.PI * random.nextDouble();
        }
        for (int i = 0; i < frames(4 * rings) && from + i < x.length; i++) {
            double t = i / Sounds.RATE;
            double y = 0;
            for (int k = 0; k < phase.length; k++) {
                double fall = Math.exp(-t * (1 + 0.6 * k) / rings);
                y += fall / (1 + k) * Math.sin(2 * Math.PI * hz * (k + 1) * t + phase[k]);
            }
            x[from + i] += (float) (level * Math.min(1, t / 0.002) * y);
        }
    }

    /** A bowed or blown tone that swells and goes. */
    static void hold(float[] x, double at, double lasts, double hz, double level, Random random) {
        int from = frames(at);
        int length = frames(lasts);
        double turn = 2 * Math.PI * random.nextDouble();
        for (int i = 0; i < length && from + i < x.length; i++) {
            double t = i / Sounds.RATE;
            double edge = Math.min(1, Math.min(t, lasts - t) / 0.08);
            double sway = 1 + 0.004 * Math.sin(2 * Math.PI * 5.5 * t + turn);
            double y = 0;
            for (int k = 1; k <= 9; k++) {
                y += Math.sin(2 * Math.PI * hz * sway * k * t + k * turn) / k;
            }
            x[from + i] += (float) (0.4 * level * edge * (y + 0.03 * random.nextGaussian()));
        }
    }

    static int frames(double seconds) {
        return (int) Math.round(seconds * Sounds.RATE);
    }

    /** The frequency of a note, in semitones over the A of 110 Hz. */
    static double hertz(int semitones) {
        return 110 * Math.pow(2, semitones / 12.0);
    }
}

package orbispace.bench.truth;

import java.util.Random;
import orbispace.core.signal.Fft;

/** Voices, drums, breaths and rooms made of tone and noise. */
public final class Sounds {
    /** Frames per second of all that is made. */
    public static final double RATE = 48000;

    private static final double[] FORMANT_WIDTHS_HZ = {90, 120, 160};

    private Sounds() {}

    /** The amplitude of a level. */
    public static double amplitude(double db) {
        return Math.pow(10, db / 20);
    }

    /** A vowel that goes on, at -20 dBFS: pulses or noise through three resonances. */
    public static float[] vowel(int frames, boolean pitched, Random random) {
        double[] formants = {
            600 + 200 * random.nextDouble(), 1400 + 500 * random.nextDouble(), 2700
        };
        double pitch = 110 + 150 * random.nextDouble();
        double[] last = new double[3];
        double[] before = new double[3];
        float[] x = new float[frames];
        double phase = 0;
        for (int i = 0; i < frames; i++) {
            double t = i / RATE;
            double sway = 1 + 0.02 * Math.sin(2 * Math.PI * 5.3 * t) + 0.15 * Math.sin(0.9 * t);
            phase += pitch * sway / RATE;
            double pulse = phase >= 1 ? 30 : 0;
            phase %= 1;
            double source = pitched ? pulse + 0.3 * random.nextGaussian() : random.nextGaussian();
            for (int k = 0; k < 3; k++) {
                double r = Math.exp(-Math.PI * FORMANT_WIDTHS_HZ[k] / RATE);
                double turn = 2 * r * Math.cos(2 * Math.PI * formants[k] / RATE);
                double y = source * (1 - r) + turn * last[k] - r * r * before[k];
                before[k] = last[k];
                last[k] = y;
                x[i] += (float) y;
            }
        }
        double energy = 0;
        for (float v : x) {
            energy += v * v;
        }
        double gain = Math.sqrt(0.01 * frames / energy);
        for (int i = 0; i < frames; i++) {
            x[i] *= (float) gain;
        }
        return x;
    }

    /** Adds a breath: soft-edged noise of that level. */
    static void breath(float[] x, double seconds, double lasts, double level, Random random) {
        int from = (int) (seconds * RATE);
        int frames = (int) (lasts * RATE);
        double low = 0;
        for (int i = 0; i < frames && from + i < x.length; i++) {
            low += 0.3 * (random.nextGaussian() - low);
            x[from + i] += (float) (3.2 * level * Math.sin(Math.PI * i / frames) * low);
        }
    }

    /** Adds noise of a level. */
    public static void hiss(float[] x, double level, Random random) {
        for (int i = 0; i < x.length; i++) {
            x[i] += (float) (level * random.nextGaussian());
        }
    }

    /** Adds a room of noise whose energy lies that far under what is in it, 12 ms later. */
    static void room(float[] x, double underDb, double t60, Random random) {
        float[] room = roomOf(x, underDb, t60, random);
        for (int i = 0; i < x.length; i++) {
            x[i] += room[i];
        }
    }

    /** The room alone. */
    static float[] roomOf(float[] x, double underDb, double t60, Random random) {
        int tail = (int) (Math.min(3, 1.2 * t60) * RATE);
        int length = Integer.highestOneBit(x.length + tail) * 2;
        double[] dry = new double[length];
        double[] response = new double[length];
        double energy = 0;
        for (int i = (int) (0.012 * RATE); i < tail; i++) {
            response[i] = random.nextGaussian() * Math.pow(10, -3 * i / RATE / t60);
            energy += response[i] * response[i];
        }
        double gain = amplitude(underDb) / Math.sqrt(energy);
        for (int i = 0; i < x.length; i++) {
            dry[i] = gain * x[i];
        }
        Fft fft = new Fft(length);
        fft.forward(dry);
        fft.forward(response);
        double first = dry[0] * response[0];
        double middle = dry[1] * response[1];
        for (int k = 2; k < length; k += 2) {
            double re = dry[k] * response[k] - dry[k + 1] * response[k + 1];
            dry[k + 1] = dry[k] * response[k + 1] + dry[k + 1] * response[k];
            dry[k] = re;
        }
        dry[0] = first;
        dry[1] = middle;
        fft.inverse(dry);
        float[] room = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            room[i] = (float) dry[i];
        }
        return room;
    }

    /** Adds a stroke of a snare. */
    public static void snare(float[] x, double seconds, double level, Random random) {
        double tone = 185 * (1 + 0.02 * random.nextGaussian());
        double low = 0;
        int from = (int) (seconds * RATE);
        for (int i = 0; i < 0.35 * RATE && from + i < x.length; i++) {
            double t = i / RATE;
            double noise = random.nextGaussian();
            low += 0.25 * (noise - low);
            double body = 0.6 * Math.exp(-t / 0.05) * Math.sin(2 * Math.PI * tone * t);
            double wires = 0.35 * Math.exp(-t / 0.06) * (noise - 0.6 * low);
            x[from + i] += (float) (level * Math.min(1, t / 0.0007) * (body + wires));
        }
    }

    /** Adds a stroke of a kick. */
    public static void kick(float[] x, double seconds, double level, Random random) {
        double phase = 0;
        int from = (int) (seconds * RATE);
        for (int i = 0; i < 0.4 * RATE && from + i < x.length; i++) {
            double t = i / RATE;
            phase += (52 + 110 * Math.exp(-t / 0.018)) / RATE;
            double beater = 0.25 * Math.exp(-t / 0.004) * random.nextGaussian();
            double body = Math.exp(-t / 0.12) * Math.sin(2 * Math.PI * phase);
            x[from + i] += (float) (level * Math.min(1, t / 0.0007) * (body + beater));
        }
    }

    /** A hat, or a ride if it rings for longer. */
    public static void metal(float[] x, double seconds, double level, double rings, Random random) {
        double a = 0;
        double b = 0;
        int from = (int) (seconds * RATE);
        for (int i = 0; i < 5 * rings * RATE && from + i < x.length; i++) {
            double t = i / RATE;
            double noise = random.nextGaussian();
            a += 0.55 * (noise - a);
            double high = noise - a;
            b += 0.55 * (high - b);
            double fall = Math.min(1, t / 0.0005) * Math.exp(-t / rings);
            x[from + i] += (float) (level * fall * (high - b));
        }
    }
}

package orbispace.core;

import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/** Test sounds with known properties. */
public final class Signals {
    private Signals() {}

    /** Amplitude of a sine whose mean square has this level on a scale where 1.0 is {@code off}. */
    public static double amplitude(double levelDb, double off) {
        return Math.sqrt(2) * Math.pow(10, (levelDb - off) / 20);
    }

    public static float[] sine(double hz, double amplitude, double seconds, double rate) {
        float[] x = new float[(int) Math.round(seconds * rate)];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (amplitude * Math.sin(2 * Math.PI * hz * i / rate));
        }
        return x;
    }

    /** Gaussian noise between two frequencies with an exact mean square. */
    public static float[] noise(
            double meanSquare,
            double lowHz,
            double highHz,
            double seconds,
            double rate,
            long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int wanted = (int) Math.round(seconds * rate);
        int n = Integer.highestOneBit(Math.max(1, wanted - 1)) * 2;
        double[] x = new double[n];
        for (int i = 0; i < n; i++) {
            x[i] = random.nextGaussian();
        }
        Fft fft = new Fft(n);
        fft.forward(x);
        for (int k = 0; k < n / 2; k++) {
            double hz = k * rate / n;
            if (hz < lowHz || hz > highHz) {
                x[2 * k] = 0;
                x[2 * k + 1] = 0;
            }
        }
        x[0] = 0;
        x[1] = 0;
        fft.inverse(x);
        double sum = 0;
        for (int i = 0; i < wanted; i++) {
            sum += x[i] * x[i];
        }
        double gain = Math.sqrt(meanSquare * wanted / sum);
        float[] out = new float[wanted];
        for (int i = 0; i < wanted; i++) {
            out[i] = (float) (gain * x[i]);
        }
        return out;
    }

    /** White noise under an exponential decay, with a noise floor that many dB under its start. */
    public static float[] decay(
            double t60, double floorDb, double seconds, double rate, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = new float[(int) (seconds * rate)];
        double floor = Math.pow(10, floorDb / 20);
        for (int i = 0; i < x.length; i++) {
            double envelope = Math.pow(10, -3 * i / rate / t60);
            x[i] =
                    (float)
                            (0.3
                                    * (envelope * random.nextGaussian()
                                            + floor * random.nextGaussian()));
        }
        return x;
    }

    public static Audio mono(double rate, float[] samples) {
        return Audio.of(rate, samples);
    }

    public static float[] sum(float[] a, float[] b) {
        float[] out = a.clone();
        for (int i = 0; i < Math.min(a.length, b.length); i++) {
            out[i] += b[i];
        }
        return out;
    }

    public static float[] scaled(float[] a, double gain) {
        float[] out = a.clone();
        for (int i = 0; i < out.length; i++) {
            out[i] *= (float) gain;
        }
        return out;
    }
}

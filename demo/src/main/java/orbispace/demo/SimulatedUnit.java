package orbispace.demo;

import java.util.Random;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;
import orbispace.core.space.ConvolutionSettings;
import orbispace.core.space.SpaceResponse;
import orbispace.core.space.WholeConvolution;

/**
 * An outboard reverb that is not there: it takes a sound in and gives back what a recorder would
 * have heard of it, with a latency, a noise, a bend, a polarity and a clock of its own, and a decay
 * that is not what its label says. For trying how a unit is measured.
 */
public final class SimulatedUnit {
    /** What its front panel calls its decay, in seconds. */
    public static final double LABEL_SECONDS = 2.0;

    /** What its decay is from 500 Hz to 2 kHz. */
    public static final double DECAY_SECONDS = 1.74;

    /** Its decay under 400 Hz. */
    public static final double LOW_SECONDS = 1.95;

    /** Its decay over 4 kHz. */
    public static final double HIGH_SECONDS = 1.10;

    /** How late it answers. */
    public static final int LATENCY_SAMPLES = 211;

    /** By how much the recorder's clock runs faster. */
    public static final double DRIFT_PPM = 12;

    /** Its noise, in dBFS. */
    public static final double NOISE_DBFS = -84;

    private static final double BEND = 0.004;
    private static final double RESPONSE_SECONDS = 3.2;
    private static final double LOW_HZ = 400;
    private static final double HIGH_HZ = 4000;
    private static final double WET = 0.02;
    private static final int TAPS = 32;
    private static final long SEED = 1907;

    private static final double[] COS = new double[2 * TAPS + 1];
    private static final double[] SIN = new double[2 * TAPS + 1];

    static {
        for (int k = -TAPS; k <= TAPS; k++) {
            COS[k + TAPS] = Math.cos(Math.PI * k / TAPS);
            SIN[k + TAPS] = Math.sin(Math.PI * k / TAPS);
        }
    }

    private SimulatedUnit() {}

    /** What is recorded of a sound that is played through it, in stereo. */
    public static Audio record(Audio played) {
        double rate = played.sampleRateHz();
        float[] bent = new float[played.frames()];
        for (int i = 0; i < bent.length; i++) {
            float x = played.channel(0)[i];
            bent[i] = x + (float) BEND * x * x;
        }
        float[] left = bent.clone();
        float[] right = bent;
        WholeConvolution.process(
                new ConvolutionSettings(SpaceResponse.of(response(rate))),
                rate,
                left,
                right,
                () -> true);
        Random random = new Random(SEED + 1);
        return Audio.of(rate, heard(left, random), heard(right, random));
    }

    /** Late, upside down, on another clock, with noise. */
    private static float[] heard(float[] x, Random random) {
        float[] y = new float[x.length];
        double noise = Decibels.toAmplitude(NOISE_DBFS);
        for (int i = 0; i < y.length; i++) {
            double at = i * (1 - 1e-6 * DRIFT_PPM) - LATENCY_SAMPLES;
            y[i] = (float) (-read(x, at) + noise * random.nextGaussian());
        }
        return y;
    }

    /**
     * A value between samples, by a windowed sinc. The sine of {@code pi (k - share)} is that of
     * the share with a sign that takes turns, and the window's cosine is that of a difference, so
     * that neither is worked out tap by tap.
     */
    private static double read(float[] x, double at) {
        int whole = (int) Math.floor(at);
        double share = at - whole;
        if (share < 1e-9) {
            return whole >= 0 && whole < x.length ? x[whole] : 0;
        }
        double sine = Math.sin(Math.PI * share) / Math.PI;
        double cos = Math.cos(Math.PI * share / TAPS);
        double sin = Math.sin(Math.PI * share / TAPS);
        double sum = 0;
        for (int k = Math.max(1 - TAPS, -whole); k <= Math.min(TAPS, x.length - 1 - whole); k++) {
            double window = 0.5 + 0.5 * (COS[k + TAPS] * cos + SIN[k + TAPS] * sin);
            sum += x[whole + k] * window * ((k & 1) == 0 ? -sine : sine) / (k - share);
        }
        return sum;
    }

    /** Its response: a first arrival and three bands of noise, each with a decay of its own. */
    public static Audio response(double rate) {
        int n = (int) (RESPONSE_SECONDS * rate);
        float[][] sides = new float[2][n];
        Random random = new Random(SEED);
        for (float[] side : sides) {
            add(side, band(noise(n, random), 0, LOW_HZ, rate), LOW_SECONDS, rate);
            add(side, band(noise(n, random), LOW_HZ, HIGH_HZ, rate), DECAY_SECONDS, rate);
            add(side, band(noise(n, random), HIGH_HZ, 0, rate), HIGH_SECONDS, rate);
            side[0] += 0.25f;
        }
        return Audio.of(rate, sides);
    }

    private static float[] noise(int n, Random random) {
        float[] x = new float[n];
        for (int i = 0; i < n; i++) {
            x[i] = (float) (WET * random.nextGaussian());
        }
        return x;
    }

    private static float[] band(float[] x, double fromHz, double toHz, double rate) {
        java.util.List<Biquad> filters = new java.util.ArrayList<>();
        if (fromHz > 0) {
            filters.addAll(FilterDesign.highPass(fromHz, 4, rate));
        }
        if (toHz > 0) {
            filters.addAll(FilterDesign.lowPass(toHz, 4, rate));
        }
        new Cascade(filters).process(x, x.clone(), 0, x.length);
        return x;
    }

    private static void add(float[] to, float[] x, double decaySeconds, double rate) {
        for (int i = 0; i < to.length; i++) {
            to[i] += (float) (x[i] * Math.pow(10, -3 * i / rate / decaySeconds));
        }
    }
}

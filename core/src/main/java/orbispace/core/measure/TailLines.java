package orbispace.core.measure;

import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/**
 * Whether single lines stand in a tail, as they do where a space has too few modes: what is heard
 * as metal when a snare or a chord stops. The fall is taken back, and 2.7 s of the tail (less where
 * 66 dB are over sooner) are looked at in one spectrum, which tells lines 0.5 Hz apart.
 *
 * <p>Noise of the same decay gives by itself about 9 dB and 0.58 (a bin of noise has the power of
 * an exponential chance), and 0.16 at 2.5 s; {@link #ofNoise} says how much in the same window.
 *
 * @param prominenceDb the strongest bin over the median within a sixth of an octave, the worst of
 *     250 Hz to 4 kHz and of both sides
 * @param flatness geometric over arithmetic mean of the bins there, the least
 * @param selfCorrelation how far the sound in an ear band (ERB) at 500 Hz is that of 80 to 400 ms
 *     before, the worse side
 */
public record TailLines(double prominenceDb, double flatness, double selfCorrelation) {
    /** Where lines are looked for. */
    static final List<Double> CENTRES_HZ = List.of(250.0, 500.0, 1000.0, 2000.0, 4000.0);

    private static final double SECONDS = 2.7;
    private static final double MOST_DECAYS = 1.1;
    private static final double FROM_DECAYS = 0.1;
    private static final double FROM_SECONDS = 0.1;
    private static final double REACH = Math.pow(2, 1 / 12.0);
    private static final double EAR_BAND_HZ = 500;
    private static final double EAR_BAND_WIDTH_HZ = 79;
    private static final double FIRST_LAG_SECONDS = 0.08;
    private static final double LAST_LAG_SECONDS = 0.4;

    /**
     * Looks at an impulse response.
     *
     * @param response of one channel or two, from its start
     * @param decaySeconds its T60 at a frequency
     */
    public static TailLines of(Audio response, DoubleUnaryOperator decaySeconds) {
        double rate = response.sampleRateHz();
        double prominence = 0;
        double flatness = 1;
        double self = 0;
        for (int c = 0; c < response.channelCount(); c++) {
            float[] x = response.channel(c);
            double[] powers = new double[0];
            double told = 0;
            for (double hz : CENTRES_HZ) {
                double decay = decaySeconds.applyAsDouble(hz);
                if (decay != told) {
                    powers = powers(late(x, rate, decay));
                    told = decay;
                }
                double perBin = rate / 2 / powers.length;
                double[] near =
                        Arrays.copyOfRange(
                                powers, (int) (hz / REACH / perBin), (int) (hz * REACH / perBin));
                Arrays.sort(near);
                double median = Math.max(1e-300, near[near.length / 2]);
                prominence = Math.max(prominence, 10 * Math.log10(near[near.length - 1] / median));
                flatness = Math.min(flatness, flatness(near));
            }
            self = Math.max(self, selfCorrelation(x, rate, decaySeconds));
        }
        return new TailLines(prominence, flatness, self);
    }

    /** What noise of a decay gives in the same windows. */
    public static TailLines ofNoise(double decaySeconds, double sampleRateHz, long seed) {
        var random = new java.util.SplittableRandom(seed);
        float[][] x = new float[2][(int) ((1.3 * decaySeconds + 0.5) * sampleRateHz)];
        for (float[] side : x) {
            for (int i = 0; i < side.length; i++) {
                double fall = Math.pow(10, -3 * i / (decaySeconds * sampleRateHz));
                side[i] = (float) (fall * random.nextGaussian());
            }
        }
        return of(Audio.of(sampleRateHz, x), hz -> decaySeconds);
    }

    private static double flatness(double[] powers) {
        double logs = 0;
        double sum = 0;
        for (double p : powers) {
            logs += Math.log(p + 1e-300);
            sum += p;
        }
        return Math.exp(logs / powers.length) / Math.max(1e-300, sum / powers.length);
    }

    /** The tail with its fall taken back, as long as one window. */
    private static double[] late(float[] x, double rate, double decaySeconds) {
        double seconds = Math.min(SECONDS, MOST_DECAYS * decaySeconds);
        int from = (int) (Math.max(FROM_SECONDS, FROM_DECAYS * decaySeconds) * rate);
        // The nearest power of two: 2.73 s at 48 kHz.
        double[] late = new double[Integer.highestOneBit((int) (seconds * rate * 4 / 3))];
        for (int i = 0; i < late.length && from + i < x.length; i++) {
            late[i] = x[from + i] * Math.pow(10, 3 * i / (decaySeconds * rate));
        }
        return late;
    }

    private static double[] powers(double[] late) {
        double[] window = Fft.hann(late.length);
        for (int i = 0; i < late.length; i++) {
            late[i] *= window[i];
        }
        new Fft(late.length).forward(late);
        double[] powers = new double[late.length / 2];
        for (int k = 1; k < powers.length; k++) {
            powers[k] = late[2 * k] * late[2 * k] + late[2 * k + 1] * late[2 * k + 1];
        }
        return powers;
    }

    /** The highest magnitude of the analytic self-correlation of the band, re that at once. */
    private static double selfCorrelation(
            float[] x, double rate, DoubleUnaryOperator decaySeconds) {
        double[] late = late(x, rate, decaySeconds.applyAsDouble(EAR_BAND_HZ));
        int length = 2 * Integer.highestOneBit(2 * late.length - 1);
        double[] spectrum = Arrays.copyOf(late, length);
        new Fft(length).forward(spectrum);
        double perBin = rate / length;
        double[] powers = new double[2 * length];
        for (int k = (int) ((EAR_BAND_HZ - EAR_BAND_WIDTH_HZ / 2) / perBin);
                k <= (EAR_BAND_HZ + EAR_BAND_WIDTH_HZ / 2) / perBin;
                k++) {
            double re = spectrum[2 * k];
            double im = spectrum[2 * k + 1];
            powers[2 * k] = re * re + im * im;
        }
        new Fft(length).forwardComplex(powers);
        double now = Math.max(1e-300, Math.hypot(powers[0], powers[1]));
        double most = 0;
        int last = (int) Math.min(LAST_LAG_SECONDS * rate, late.length / 2.0);
        for (int lag = (int) (FIRST_LAG_SECONDS * rate); lag <= last; lag++) {
            most = Math.max(most, Math.hypot(powers[2 * lag], powers[2 * lag + 1]) / now);
        }
        return most;
    }
}

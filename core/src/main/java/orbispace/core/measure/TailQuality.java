package orbispace.core.measure;

import java.util.Arrays;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/**
 * How a space sounds where decay times do not tell: whether its tail rings, flutters, is coloured,
 * and folds to mono.
 *
 * @param denseSeconds when the later of both sides reaches the echo density of noise; empty if it
 *     never does
 * @param highestModeDb how far the strongest line of the late tail's long-term spectrum stands over
 *     the median of its neighbours within a sixth of an octave, 150 Hz to 8 kHz
 * @param flatness spectral flatness of the tail within third octaves, 125 Hz to 8 kHz: geometric
 *     over arithmetic mean of the averaged spectrum, 1 for none but even noise
 * @param flutter the highest correlation of the tail's level with itself, 8 to 120 ms later
 * @param correlation of both sides of the whole response
 * @param foldLossDb how far its mono fold lies under the sum of its powers
 */
public record TailQuality(
        OptionalDouble denseSeconds,
        double highestModeDb,
        double flatness,
        double flutter,
        double correlation,
        double foldLossDb) {
    private static final double WINDOW_SECONDS = 0.34;
    private static final double LATE_SHARE = 0.25;
    private static final double LATE_END_SHARE = 0.8;

    /**
     * Measures an impulse response.
     *
     * @param response stereo, from its start
     * @param decaySeconds its T60, with which the tail's fall is taken back before it is looked at
     */
    public static TailQuality of(Audio response, double decaySeconds) {
        double rate = response.sampleRateHz();
        double[] spectrum = new double[windowFrames(rate) / 2];
        double flutter = 0;
        OptionalDouble dense = OptionalDouble.of(0);
        for (int c = 0; c < 2; c++) {
            float[] x = response.channel(c);
            double[] late = late(x, rate, decaySeconds);
            addSpectrum(late, spectrum);
            flutter = Math.max(flutter, flutter(late, rate));
            OptionalDouble reached = EchoDensity.denseSeconds(x, rate);
            dense =
                    dense.isEmpty() || reached.isEmpty()
                            ? OptionalDouble.empty()
                            : OptionalDouble.of(
                                    Math.max(dense.getAsDouble(), reached.getAsDouble()));
        }
        StereoReport stereo = StereoReport.of(response);
        return new TailQuality(
                dense,
                highestModeDb(spectrum, rate),
                flatness(spectrum, rate),
                flutter,
                stereo.correlation().orElse(0),
                stereo.monoFoldLossDb().orElse(Double.POSITIVE_INFINITY));
    }

    private static int windowFrames(double rate) {
        return Integer.highestOneBit((int) (WINDOW_SECONDS * rate)) * 2;
    }

    /** The tail from a quarter of the decay time on, with its fall taken back. */
    private static double[] late(float[] x, double rate, double decaySeconds) {
        int from = (int) Math.min(x.length, Math.max(0.06, LATE_SHARE * decaySeconds) * rate);
        int to = (int) Math.min(x.length, LATE_END_SHARE * decaySeconds * rate);
        double[] late = new double[Math.max(0, to - from)];
        for (int i = 0; i < late.length; i++) {
            late[i] = x[from + i] * Math.pow(10, 3 * (from + i) / (decaySeconds * rate));
        }
        return late;
    }

    private static void addSpectrum(double[] x, double[] into) {
        int length = 2 * into.length;
        Fft fft = new Fft(length);
        double[] window = Fft.hann(length);
        for (int at = 0; at == 0 || at + length <= x.length; at += length / 4) {
            double[] part = new double[length];
            for (int i = 0; i < Math.min(length, x.length - at); i++) {
                part[i] = window[i] * x[at + i];
            }
            fft.forward(part);
            for (int k = 1; k < into.length; k++) {
                into[k] += part[2 * k] * part[2 * k] + part[2 * k + 1] * part[2 * k + 1];
            }
        }
    }

    private static double highestModeDb(double[] spectrum, double rate) {
        double perBin = rate / 2 / spectrum.length;
        double highest = 0;
        for (int k = (int) (150 / perBin); k < 8000 / perBin; k++) {
            int reach = Math.max(6, (int) (k * 0.06));
            double[] around = Arrays.copyOfRange(spectrum, k - reach, k + reach + 1);
            Arrays.sort(around);
            if (around[reach] > 0) {
                highest = Math.max(highest, 10 * Math.log10(spectrum[k] / around[reach]));
            }
        }
        return highest;
    }

    private static double flatness(double[] spectrum, double rate) {
        double perBin = rate / 2 / spectrum.length;
        double sum = 0;
        int bands = 0;
        for (double hz = 125; hz < 8000; hz *= Math.pow(2, 1 / 3.0)) {
            int from = (int) (hz / perBin);
            int to = (int) (hz * Math.pow(2, 1 / 3.0) / perBin);
            double logs = 0;
            double powers = 0;
            for (int k = from; k < to; k++) {
                logs += Math.log(spectrum[k] + 1e-300);
                powers += spectrum[k];
            }
            sum += Math.exp(logs / (to - from)) / (powers / (to - from));
            bands++;
        }
        return sum / bands;
    }

    private static double flutter(double[] x, double rate) {
        int step = (int) Math.round(0.001 * rate);
        double[] level = new double[x.length / step];
        double mean = 0;
        for (int f = 0; f < level.length; f++) {
            for (int i = 0; i < step; i++) {
                level[f] += x[f * step + i] * x[f * step + i];
            }
            mean += level[f] / level.length;
        }
        double own = 1e-300;
        for (int f = 0; f < level.length; f++) {
            level[f] -= mean;
            own += level[f] * level[f];
        }
        double highest = 0;
        for (int lag = 8; lag <= 120 && lag < level.length / 2; lag++) {
            double sum = 0;
            for (int f = 0; f + lag < level.length; f++) {
                sum += level[f] * level[f + lag];
            }
            highest = Math.max(highest, sum / own);
        }
        return highest;
    }
}

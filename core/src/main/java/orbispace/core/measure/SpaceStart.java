package orbispace.core.measure;

import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/**
 * How a space begins, from what it answers to a click in the middle, on the left and on the right.
 *
 * @param leanDb left over right in the first 30 ms of a sound on the left
 * @param laterLeanDb the same from 30 to 100 ms
 * @param mirrorDb how far both differ from those of a sound on the right, the other way round
 * @param apartSeconds how much later one side begins than the other, for a sound in the middle: to
 *     a tenth of its peak
 * @param apartDb how much louder one side is than the other there in the first 30 ms
 * @param density echo density 20 ms after the start, the less dense side
 * @param loudestSeconds the middle of the loudest 10 ms
 * @param riseSeconds until a tenth of the energy of the first 0.2 s has come
 * @param colourDb third octave of the first 30 ms that stands out most from their mean, 250 Hz to 8
 *     kHz
 * @param earlyDb power of the first 30 ms over that of the tail carried back to there
 * @param highsLeadSeconds how much sooner 4 kHz comes than 250 Hz, in the first 60 ms
 */
public record SpaceStart(
        double leanDb,
        double laterLeanDb,
        double mirrorDb,
        double apartSeconds,
        double apartDb,
        double density,
        double loudestSeconds,
        double riseSeconds,
        double colourDb,
        double earlyDb,
        double highsLeadSeconds) {
    private static final double FIRST_SECONDS = 0.03;
    private static final double LATER_SECONDS = 0.1;
    private static final double RISE_WITHIN_SECONDS = 0.2;
    private static final double LEAD_WITHIN_SECONDS = 0.06;
    private static final double DENSITY_SECONDS = 0.02;
    private static final double ONSET = 0.1;

    /**
     * Measures a space.
     *
     * @param middle answer to a click in the middle
     * @param left answer to one on the left
     * @param right answer to one on the right
     * @param decaySeconds T60 as set
     */
    public static SpaceStart of(Audio middle, Audio left, Audio right, double decaySeconds) {
        double rate = middle.sampleRateHz();
        float[] l = middle.channel(0);
        float[] r = middle.channel(1);
        double lean = ratioDb(left, 0, FIRST_SECONDS);
        double later = ratioDb(left, FIRST_SECONDS, LATER_SECONDS);
        double mirror =
                Math.max(
                        Math.abs(lean + ratioDb(right, 0, FIRST_SECONDS)),
                        Math.abs(later + ratioDb(right, FIRST_SECONDS, LATER_SECONDS)));
        int at = (int) (DENSITY_SECONDS * rate);
        return new SpaceStart(
                lean,
                later,
                mirror,
                Math.abs(onset(l) - onset(r)) / rate,
                Math.abs(ratioDb(middle, 0, FIRST_SECONDS)),
                Math.min(EchoDensity.at(l, at, rate), EchoDensity.at(r, at, rate)),
                loudest(middle),
                rise(middle),
                colourDb(middle),
                earlyDb(middle, decaySeconds),
                arrival(middle, 250) - arrival(middle, 4000));
    }

    private static double energy(float[] x, double from, double to, double rate) {
        double sum = 1e-30;
        for (int i = (int) (from * rate); i < Math.min(x.length, to * rate); i++) {
            sum += (double) x[i] * x[i];
        }
        return sum;
    }

    private static double both(Audio a, double from, double to) {
        double rate = a.sampleRateHz();
        return energy(a.channel(0), from, to, rate) + energy(a.channel(1), from, to, rate);
    }

    private static double ratioDb(Audio a, double from, double to) {
        double rate = a.sampleRateHz();
        double left = energy(a.channel(0), from, to, rate);
        return 10 * Math.log10(left / energy(a.channel(1), from, to, rate));
    }

    private static int onset(float[] x) {
        float peak = 0;
        for (float y : x) {
            peak = Math.max(peak, Math.abs(y));
        }
        int at = 0;
        while (at < x.length - 1 && Math.abs(x[at]) < ONSET * peak) {
            at++;
        }
        return at;
    }

    /** The middle of the loudest 10 ms of the first 0.2 s. */
    public static double loudest(Audio a) {
        double best = 0;
        double most = 0;
        for (double t = 0; t < RISE_WITHIN_SECONDS; t += 0.002) {
            double power = both(a, t, t + 0.01);
            if (power > most) {
                most = power;
                best = t + 0.005;
            }
        }
        return best;
    }

    private static double rise(Audio a) {
        double wanted = both(a, 0, RISE_WITHIN_SECONDS) / 10;
        double sum = 0;
        int at = 0;
        for (; at < a.frames() && sum < wanted; at++) {
            sum += Math.pow(a.channel(0)[at], 2) + Math.pow(a.channel(1)[at], 2);
        }
        return at / a.sampleRateHz();
    }

    private static double earlyDb(Audio a, double decay) {
        // Two stretches of a fall compare as their levels, each with the fall taken back.
        double from = Math.max(RISE_WITHIN_SECONDS, 0.1 * decay);
        double to = from + 0.3 * decay;
        double early = both(a, 0, FIRST_SECONDS) / fallen(0, FIRST_SECONDS, decay);
        return 10 * Math.log10(early / (both(a, from, to) / fallen(from, to, decay)));
    }

    /** Energy of an even fall between two moments. */
    private static double fallen(double from, double to, double decay) {
        double rate = 6 * Math.log(10) / decay;
        return (Math.exp(-rate * from) - Math.exp(-rate * to)) / rate;
    }

    private static double[] powers(Audio a, double seconds, int size) {
        double[] powers = new double[size / 2];
        for (int c = 0; c < 2; c++) {
            double[] x = new double[size];
            int n = (int) Math.min(Math.min(size, a.frames()), seconds * a.sampleRateHz());
            for (int i = 0; i < n; i++) {
                x[i] = a.channel(c)[i];
            }
            new Fft(size).forward(x);
            for (int k = 1; k < powers.length; k++) {
                powers[k] += x[2 * k] * x[2 * k] + x[2 * k + 1] * x[2 * k + 1];
            }
        }
        return powers;
    }

    private static double colourDb(Audio a) {
        double rate = a.sampleRateHz();
        int size = Integer.highestOneBit((int) (rate / 3)) * 2;
        double[] powers = powers(a, FIRST_SECONDS, size);
        List<Double> levels = new java.util.ArrayList<>();
        for (int third = 0; third <= 15; third++) {
            double hz = 250 * Math.pow(2, third / 3.0);
            int from = (int) (hz * Math.pow(2, -1 / 6.0) / rate * size);
            int to = (int) (hz * Math.pow(2, 1 / 6.0) / rate * size);
            double sum = 1e-30;
            for (int k = from; k < to; k++) {
                sum += powers[k];
            }
            levels.add(10 * Math.log10(sum / (to - from)));
        }
        double mean = levels.stream().mapToDouble(d -> d).average().orElse(0);
        return levels.stream().mapToDouble(d -> Math.abs(d - mean)).max().orElse(0);
    }

    /** When a fifth of the energy around a frequency has come, of that of the first 60 ms. */
    private static double arrival(Audio a, double hz) {
        double rate = a.sampleRateHz();
        int size = Integer.highestOneBit((int) (rate / 3)) * 2;
        double[] powers = new double[(int) (LEAD_WITHIN_SECONDS * rate)];
        Fft fft = new Fft(size);
        for (int c = 0; c < 2; c++) {
            double[] x = new double[size];
            int n = (int) Math.min(a.frames(), 2 * LEAD_WITHIN_SECONDS * rate);
            for (int i = 0; i < n; i++) {
                x[i] = a.channel(c)[i];
            }
            fft.forward(x);
            for (int k = 0; k < size / 2; k++) {
                double octaves = Math.log(Math.max(1e-9, k * rate / size / hz)) / Math.log(2);
                double share = Math.exp(-2 * octaves * octaves);
                x[2 * k] *= share;
                x[2 * k + 1] *= k == 0 ? 0 : share;
            }
            fft.inverse(x);
            for (int i = 0; i < powers.length; i++) {
                powers[i] += x[i] * x[i];
            }
        }
        double left = java.util.Arrays.stream(powers).sum() / 5;
        int at = 0;
        while (at < powers.length - 1 && left > powers[at]) {
            left -= powers[at];
            at++;
        }
        return at / rate;
    }
}

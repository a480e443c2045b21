package orbispace.core.measure;

import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.signal.Fft;

/**
 * By how much the clock of a recorder ran faster than the player's while a sweep was played twice:
 * the time between its two answers against that between the sweeps, by cross-correlation refined
 * between the samples. Whatever a unit does, it does to both, so that neither a diffuse space nor a
 * filter is taken for a drift. A unit that moves answers differently each time; where the two
 * answers are not alike, or low and high frequencies tell different times, no drift is told.
 *
 * @param drift as a share; empty where it cannot be told
 * @param repeatDb energy of what differs between the two answers re the answer, once they lie over
 *     each other; empty for a sweep that was played once
 */
record ClockDrift(OptionalDouble drift, OptionalDouble repeatDb) {
    private static final double BEFORE_SECONDS = 0.1;
    private static final double HEARD_SECONDS = 1.2;
    private static final double MOST_DRIFT = 1e-3;
    private static final double ALIKE = 0.9;
    private static final double SAME_TIME = 1e-6;
    private static final double LOW_HZ = 60;
    private static final double MIDDLE_HZ = 2000;

    /** Where converters begin to close, as a share of the rate. */
    private static final double TOP_SHARE = 0.42;

    private static final double LEAST_ENERGY = 1e-3;
    private static final double FINEST = 1e-3;

    /** What cannot be told, because the sweep was played once. */
    static final ClockDrift ONCE = new ClockDrift(OptionalDouble.empty(), OptionalDouble.empty());

    /** The two answers as spectra of one length. */
    private static final class Pair {
        private final double[] first;
        private final double[] second;
        private final double sampleRateHz;

        Pair(double[] first, double[] second, double sampleRateHz) {
            this.first = first;
            this.second = second;
            this.sampleRateHz = sampleRateHz;
        }

        /** How far the two are alike within a band if the second is so many frames late. */
        double alike(double late, double lowHz, double highHz) {
            double both = 0;
            double one = 0;
            double two = 0;
            int n = first.length;
            for (int k = 2; k < n; k += 2) {
                double hz = k / 2.0 * sampleRateHz / n;
                if (hz >= lowHz && hz < highHz) {
                    double turn = Math.PI * k / n * late;
                    double re = first[k] * second[k] + first[k + 1] * second[k + 1];
                    double im = first[k] * second[k + 1] - first[k + 1] * second[k];
                    both += re * Math.cos(turn) - im * Math.sin(turn);
                    one += first[k] * first[k] + first[k + 1] * first[k + 1];
                    two += second[k] * second[k] + second[k + 1] * second[k + 1];
                }
            }
            return one <= 0 || two <= 0 ? 0 : both / Math.sqrt(one * two);
        }

        double energy(double lowHz, double highHz) {
            double sum = 0;
            for (int k = 2; k < first.length; k += 2) {
                double hz = k / 2.0 * sampleRateHz / first.length;
                sum +=
                        hz >= lowHz && hz < highHz
                                ? first[k] * first[k] + first[k + 1] * first[k + 1]
                                : 0;
            }
            return sum;
        }

        /** The lateness near a given one at which a band is most alike, by parabolas. */
        double sharpest(double around, double lowHz, double highHz) {
            double at = around;
            for (double h = 0.5; h > FINEST; h /= 8) {
                double before = alike(at - h, lowHz, highHz);
                double after = alike(at + h, lowHz, highHz);
                double bend = before - 2 * alike(at, lowHz, highHz) + after;
                at += bend < 0 ? Math.clamp(h * (before - after) / (2 * bend), -h, h) : 0;
            }
            return at;
        }
    }

    /**
     * Tells the drift from a response that holds both answers.
     *
     * @param response as {@link SweepDivision#response} gives it
     * @param peak the highest frame of the first answer
     */
    static ClockDrift of(double[] response, int peak, Sweep sweep) {
        if (sweep.times() < 2) {
            return ONCE;
        }
        double rate = sweep.sampleRateHz();
        int from = Math.max(0, peak - (int) (BEFORE_SECONDS * rate));
        int length = (int) ((BEFORE_SECONDS + HEARD_SECONDS) * rate);
        int reach = (int) (MOST_DRIFT * sweep.period()) + 2;
        int size = 2 * Integer.highestOneBit(2 * (length + reach) - 1);
        Fft fft = new Fft(size);
        Pair pair =
                new Pair(
                        spectrum(response, from, length, fft),
                        spectrum(response, from + sweep.period(), length, fft),
                        rate);
        Optional<Double> late =
                coarse(pair, reach, fft).map(c -> pair.sharpest(c, LOW_HZ, TOP_SHARE * rate));
        double alike = late.map(l -> pair.alike(l, LOW_HZ, TOP_SHARE * rate)).orElse(0.0);
        double differs = 10 * Math.log10(Math.max(1e-12, 2 * (1 - alike)));
        boolean told = alike >= ALIKE && agreed(pair, late.orElse(0.0), sweep);
        return new ClockDrift(
                told
                        ? OptionalDouble.of(late.orElseThrow() / (sweep.period() + late.get()))
                        : OptionalDouble.empty(),
                OptionalDouble.of(differs));
    }

    /**
     * The spectrum of an answer, weighed so that noise counts alike everywhere: a sweep that dwells
     * on low frequencies leaves more of it in high ones.
     */
    private static double[] spectrum(double[] response, int from, int length, Fft fft) {
        double[] x = new double[fft.length()];
        for (int i = 0; i < length && from + i < response.length; i++) {
            x[i] = response[from + i];
        }
        fft.forward(x);
        for (int k = 2; k < x.length; k++) {
            x[k] /= Math.sqrt(Math.floorDiv(k, 2));
        }
        return x;
    }

    /**
     * The whole lateness with the highest correlation; empty if it lies at the end of the reach.
     */
    private static Optional<Double> coarse(Pair pair, int reach, Fft fft) {
        double[] a = pair.first;
        double[] b = pair.second;
        double[] cross = new double[a.length];
        for (int k = 2; k < a.length; k += 2) {
            cross[k] = a[k] * b[k] + a[k + 1] * b[k + 1];
            cross[k + 1] = a[k] * b[k + 1] - a[k + 1] * b[k];
        }
        fft.inverse(cross);
        int best = 0;
        for (int d = -reach; d <= reach; d++) {
            best =
                    cross[Math.floorMod(d, cross.length)] > cross[Math.floorMod(best, cross.length)]
                            ? d
                            : best;
        }
        return Math.abs(best) >= reach ? Optional.empty() : Optional.of((double) best);
    }

    /** Whether each part of the spectrum that holds enough tells the same time. */
    private static boolean agreed(Pair pair, double late, Sweep sweep) {
        double[] edges = {LOW_HZ, MIDDLE_HZ, TOP_SHARE * sweep.sampleRateHz()};
        double all = pair.energy(edges[0], edges[2]);
        boolean agreed = true;
        for (int b = 0; b < 2; b++) {
            if (pair.energy(edges[b], edges[b + 1]) > LEAST_ENERGY * all) {
                double own = pair.sharpest(late, edges[b], edges[b + 1]);
                agreed &= Math.abs(own - late) < SAME_TIME * sweep.period();
            }
        }
        return agreed;
    }
}

package orbispace.core.measure;

import orbispace.core.audio.Decibels;

/**
 * The energy decay curve of a squared response by backward integration, cut where it meets the
 * noise and completed by the energy that the cut left out (Lundeby, Vigran, Bietz and Vorlaender
 * 1995).
 */
final class EnergyDecay {
    private static final int ROUNDS = 6;
    private static final int MOST_POINTS = 4000;

    private final double[] curve;
    private final double sampleRateHz;
    private final double rangeDb;

    private EnergyDecay(double[] curve, double sampleRateHz, double rangeDb) {
        this.curve = curve;
        this.sampleRateHz = sampleRateHz;
        this.rangeDb = rangeDb;
    }

    /** The curve of a squared response that starts at its onset. */
    static EnergyDecay of(double[] squared, double sampleRateHz) {
        int tenth = Math.max(1, squared.length / 10);
        double noise = mean(squared, squared.length - tenth, squared.length);
        double slopeDb = 0;
        int cut = squared.length;
        double window = 0.01;
        for (int round = 0; round < ROUNDS; round++) {
            double[] smooth = smooth(squared, (int) Math.max(1, window * sampleRateHz));
            double perWindow = Math.max(1, window * sampleRateHz) / sampleRateHz;
            double[] line = fit(smooth, perWindow, noise, round == 0);
            if (line.length == 0) {
                break;
            }
            slopeDb = line[1];
            double crossing = (Decibels.ofPower(noise) - line[0]) / slopeDb;
            cut = (int) Math.clamp(crossing * sampleRateHz, tenth / 10.0 + 1, squared.length);
            // Noise again, from 5 to 10 dB of decay after the crossing, at least the last tenth.
            int quiet = (int) Math.min(squared.length - tenth, cut + 7 / -slopeDb * sampleRateHz);
            noise = mean(squared, quiet, squared.length);
            window = Math.clamp(-10 / slopeDb / 5, 0.002, 0.05);
        }
        return integrate(squared, sampleRateHz, noise, slopeDb, cut);
    }

    private static EnergyDecay integrate(
            double[] squared, double sampleRateHz, double noise, double slopeDb, int cut) {
        double perFrame = slopeDb / 10 * Math.log(10) / sampleRateHz;
        double atCut = mean(squared, Math.max(0, cut - (int) (0.02 * sampleRateHz)), cut);
        double level = Math.max(0, Math.min(atCut, noise > 0 ? noise : atCut));
        double sum = slopeDb < 0 ? level / -perFrame : 0;
        double[] curve = new double[cut];
        double peak = 0;
        int reach = Math.max(1, (int) (0.005 * sampleRateHz));
        for (int i = cut - 1; i >= 0; i--) {
            sum += squared[i];
            curve[i] = sum;
        }
        for (int i = 0; i + reach <= cut; i += reach) {
            peak = Math.max(peak, mean(squared, i, i + reach));
        }
        double range = noise > 0 ? Decibels.ofPower(peak / noise) : 200;
        return new EnergyDecay(curve, sampleRateHz, range);
    }

    /** Level and slope (dB, dB per second) of the decay above the noise; empty if there is none. */
    private static double[] fit(double[] smooth, double step, double noise, boolean first) {
        int top = 0;
        for (int i = 1; i < smooth.length; i++) {
            top = smooth[i] > smooth[top] ? i : top;
        }
        double peakDb = Decibels.ofPower(smooth[top]);
        double floorDb = noise > 0 ? Decibels.ofPower(noise) + (first ? 10 : 6) : peakDb - 120;
        double fromDb = first ? peakDb : Math.min(peakDb - 3, floorDb + 25);
        int start = top;
        while (start < smooth.length && Decibels.ofPower(smooth[start]) > fromDb) {
            start++;
        }
        int end = start;
        while (end < smooth.length && Decibels.ofPower(smooth[end]) > floorDb) {
            end++;
        }
        if (end - start < 3) {
            return new double[0];
        }
        double[] line =
                Line.fit(start, end, i -> (i + 0.5) * step, i -> Decibels.ofPower(smooth[i]));
        return line[1] < 0 ? line : new double[0];
    }

    /** The decay time by the slope between two levels; needs the lower one 10 dB over the noise. */
    DecayTime time(double fromDb, double toDb) {
        if (rangeDb < -toDb + 10) {
            return new DecayTime.TooNoisy(rangeDb);
        }
        int start = indexAt(fromDb);
        int end = indexAt(toDb);
        if (end - start < 4) {
            return new DecayTime.TooShort();
        }
        // The curve falls smoothly, so some thousand of its points tell as much as all of them.
        int stride = Math.max(1, (end - start) / MOST_POINTS);
        double[] line =
                Line.fit(
                        0,
                        (end - start) / stride,
                        k -> (start + k * stride) / sampleRateHz,
                        k -> levelDb(start + k * stride));
        return line[1] < 0
                ? new DecayTime.Measured(-60 / line[1])
                : new DecayTime.TooNoisy(rangeDb);
    }

    /** Level re the start, in dB, of the energy that is still to come at a frame. */
    double levelDb(int frame) {
        return frame >= curve.length
                ? Double.NEGATIVE_INFINITY
                : Decibels.ofPower(curve[frame] / curve[0]);
    }

    int frames() {
        return curve.length;
    }

    /** The first frame that is not above a level; the curve never rises. */
    private int indexAt(double db) {
        double energy = curve[0] * Decibels.toPower(db);
        int low = 0;
        int high = curve.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (curve[middle] > energy) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    private static double[] smooth(double[] squared, int window) {
        double[] means = new double[squared.length / window];
        for (int i = 0; i < means.length; i++) {
            means[i] = Math.max(1e-30, mean(squared, i * window, (i + 1) * window));
        }
        return means;
    }

    private static double mean(double[] values, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += values[i];
        }
        return to > from ? sum / (to - from) : 0;
    }
}

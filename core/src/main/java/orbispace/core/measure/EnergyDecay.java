package orbispace.core.measure;

import java.util.Arrays;
import java.util.Optional;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Line;

/**
 * The energy decay curve of a squared response by backward integration (Schroeder 1965), with the
 * noise taken off (Chu 1978), cut where the decay meets the noise and completed by the energy that
 * the cut left out (Lundeby, Vigran, Bietz and Vorlaender 1995).
 *
 * <p>The knee is sought from the end backwards, so that a gap after the direct sound does not end
 * the decay. A time is sure only if its two halves fall alike and if the band is wide enough for
 * the decay that chance moves it little: the decay of one response of noise in a band B, read over
 * R dB, scatters by {@code 18 / R / sqrt(B T)} of itself (0.9 for the T20, 0.6 for the T30,
 * measured over 150 responses in each of 13 bands and decays).
 */
final class EnergyDecay {
    private static final int ROUNDS = 4;
    private static final int MOST_POINTS = 4000;
    private static final double BLOCK_SHARE = 0.1;
    private static final double KNEE_DB = 6;
    private static final double DEEPEST_DB = -130;
    private static final double FIT_FROM_DB = 8;
    private static final double FIT_RANGE_DB = 20;
    private static final double LEAST_WINDOW_SECONDS = 0.002;
    private static final double PEAK_SECONDS = 0.005;
    private static final double WINDOW_CELLS = 6;
    private static final double NOISE_MARGIN_DB = 10;
    private static final double STRAIGHT = 0.1;
    private static final double MOST_SCATTER = 0.03;
    private static final double SURE_SCATTER = 0.02;
    private static final double SCATTER_DB = 18;
    private final double sampleRateHz;
    private final double bandwidthHz;
    private final double rangeDb;
    private final Knee knee;
    private final double[] curve;
    private final double centre;

    /**
     * Where a decay meets the noise.
     *
     * @param frame up to which it is heard
     * @param slopeDb of its late part in dB per second, under 0
     * @param power mean square at the knee by that slope, the noise taken off
     * @param noise mean square of the noise
     */
    private record Knee(int frame, double slopeDb, double power, double noise) {}

    private EnergyDecay(
            double[] squared, double sampleRateHz, double bandwidthHz, double rangeDb, Knee knee) {
        this.sampleRateHz = sampleRateHz;
        this.bandwidthHz = bandwidthHz;
        this.rangeDb = rangeDb;
        this.knee = knee;
        double perFrame = -knee.slopeDb / 10 * Math.log(10) / sampleRateHz;
        double left = knee.slopeDb < 0 ? knee.power / perFrame : 0;
        double moment = left * (knee.frame + 1 / perFrame);
        curve = new double[knee.frame];
        for (int i = knee.frame - 1; i >= 0; i--) {
            left += squared[i] - knee.noise;
            moment += (squared[i] - knee.noise) * i;
            curve[i] = left;
        }
        double most = 0;
        for (int i = knee.frame - 1; i >= 0; i--) {
            // Taking off the noise may make a curve rise by chance; it never falls under nothing.
            most = Math.max(most, curve[i]);
            curve[i] = most;
        }
        centre = most > 0 && knee.slopeDb < 0 ? Math.max(0, moment / left) / sampleRateHz : 0;
    }

    /**
     * The curve of a squared response that starts at its onset.
     *
     * @param bandwidthHz width of the band it fills, from which follow how long its level must be
     *     averaged and how far chance moves its decay
     */
    static EnergyDecay of(double[] squared, double sampleRateHz, double bandwidthHz) {
        double seconds = Math.max(LEAST_WINDOW_SECONDS, WINDOW_CELLS / bandwidthHz);
        int window = (int) Math.max(1, Math.min(squared.length / 4.0, seconds * sampleRateHz));
        double[] levels = untilRise(means(squared, window));
        int frames = Math.min(squared.length, (levels.length + 1) * window);
        Knee knee = knee(levels, frames, window, sampleRateHz);
        double peak = 0;
        int reach = Math.max(1, (int) (PEAK_SECONDS * sampleRateHz));
        for (int i = 0; i + reach <= knee.frame; i += reach) {
            peak = Math.max(peak, mean(squared, i, i + reach));
        }
        double range = knee.noise > 0 ? Decibels.ofPower(peak / knee.noise) : 200;
        return new EnergyDecay(squared, sampleRateHz, bandwidthHz, range, knee);
    }

    /** Without an end that rises far: an octave's filter looks ahead to the onset in a circle. */
    private static double[] untilRise(double[] levels) {
        int least = levels.length - 1;
        for (int i = levels.length / 2; i < levels.length; i++) {
            least = levels[i] < levels[least] ? i : least;
        }
        double end = mean(levels, levels.length - 3, levels.length);
        boolean rises = end > levels[least] * Decibels.toPower(NOISE_MARGIN_DB);
        return rises ? Arrays.copyOf(levels, least + 1) : levels;
    }

    private static Knee knee(double[] levels, int frames, int window, double rate) {
        int block = (int) Math.max(1, Math.rint(BLOCK_SHARE * levels.length));
        double noise = mean(levels, levels.length - block, levels.length);
        // Far under the beginning the steps of the samples are seen instead of the decay.
        double least = Arrays.stream(levels).max().orElse(0) * Decibels.toPower(DEEPEST_DB);
        Knee knee = new Knee(frames, 0, 0, noise);
        for (int round = 0; round < ROUNDS; round++) {
            double floor = Math.max(noise, least);
            int end = lastOver(levels, floor * Decibels.toPower(KNEE_DB));
            Optional<Line> late = lateLine(levels, end, noise, floor);
            while (late.isEmpty() && end > 0) {
                // A response that was cut off ends in a cliff; its decay is what lies before.
                end = beforeCliff(levels, end);
                late = lateLine(levels, end, noise, floor);
            }
            if (late.isEmpty()) {
                // Nothing falls: what there is ends where it is last heard.
                return new Knee(Math.min(frames, (end + 1) * window), 0, 0, noise);
            }
            Line line = late.get();
            double power = Decibels.toPower(line.at(end));
            knee =
                    new Knee(
                            Math.min(frames, (end + 1) * window),
                            line.slope() / window * rate,
                            power * Decibels.toPower(line.slope() / 2),
                            noise);
            noise = noise(levels, block, line, end);
        }
        return knee;
    }

    /** The noise beside a tail of known slope: the last block, less what of the tail is in it. */
    private static double noise(double[] levels, int block, Line line, int end) {
        int quiet = (int) Math.ceil(end + (KNEE_DB + NOISE_MARGIN_DB) / -line.slope());
        if (quiet < levels.length - block) {
            return mean(levels, quiet, levels.length);
        }
        double last = mean(levels, levels.length - block, levels.length);
        double before = mean(levels, levels.length - 2 * block, levels.length - block);
        double fall = Decibels.toPower(line.slope() * block);
        double tail = fall < 1 ? (before - last) / (1 - fall) : 0;
        return Math.max(0, Math.min(last, last - fall * tail));
    }

    /** The last window of two in a row that stand over a power; the first if none do. */
    private static int lastOver(double[] levels, double power) {
        int i = levels.length - 1;
        while (i > 0 && !(levels[i] > power && levels[i - 1] > power)) {
            i--;
        }
        return i;
    }

    /** The last window that stands 20 dB over one; the first if none does. */
    private static int beforeCliff(double[] levels, int end) {
        double top = Math.max(levels[end], 1e-300) * Decibels.toPower(FIT_RANGE_DB);
        int i = end - 1;
        while (i > 0 && levels[i] < top) {
            i--;
        }
        return Math.max(0, i);
    }

    /** The fall in dB per window over the last 20 dB over the noise; empty if nothing falls. */
    private static Optional<Line> lateLine(double[] levels, int end, double noise, double floor) {
        int last = end;
        while (last > 0 && levels[last] < floor * Decibels.toPower(FIT_FROM_DB)) {
            last--;
        }
        double top = Math.max(levels[last], 1e-300) * Decibels.toPower(FIT_RANGE_DB);
        int first = last;
        while (first > 0 && levels[first - 1] > 0 && levels[first - 1] < top) {
            first--;
        }
        if (last - first < 3) {
            return Optional.empty();
        }
        double[] own = new double[last + 1];
        for (int i = first; i <= last; i++) {
            own[i] = Decibels.ofPower(Math.max(levels[i] - noise, 1e-3 * levels[i]));
        }
        Line line = Line.through(own, first, last + 1);
        return line.slope() < 0 ? Optional.of(line) : Optional.empty();
    }

    /** The decay time by the slope between two levels; needs the lower one 10 dB over the noise. */
    DecayTime time(double fromDb, double toDb) {
        int start = indexAt(fromDb);
        int end = indexAt(toDb);
        if (end >= curve.length || levelOverNoiseDb(end) < NOISE_MARGIN_DB) {
            return new DecayTime.TooNoisy(rangeDb);
        }
        if (end - start < 4) {
            return new DecayTime.TooShort();
        }
        double slope = slope(start, end);
        if (slope >= 0) {
            return new DecayTime.TooNoisy(rangeDb);
        }
        double seconds = -60 / slope;
        double scatter = scatter(seconds, fromDb - toDb);
        if (scatter > MOST_SCATTER && fromDb < 0) {
            return new DecayTime.NotSure(seconds, DecayTime.Doubt.CHANCE);
        }
        int middle = indexAt((fromDb + toDb) / 2);
        double bend = Math.abs(Math.log(slope(start, middle) / slope(middle, end)));
        if (bend > Math.max(STRAIGHT, 6 * scatter)) {
            return new DecayTime.NotSure(seconds, DecayTime.Doubt.BENT);
        }
        return scatter > SURE_SCATTER && fromDb < 0
                ? new DecayTime.NotSure(seconds, DecayTime.Doubt.SLIGHT)
                : new DecayTime.Measured(seconds);
    }

    /** Relative standard deviation of a decay time over so many dB, of noise in this band. */
    private double scatter(double seconds, double overDb) {
        return SCATTER_DB / overDb / Math.sqrt(bandwidthHz * seconds);
    }

    /** How far the decay itself, by its slope there, lies over the noise. */
    private double levelOverNoiseDb(int frame) {
        if (knee.noise <= 0) {
            return Double.POSITIVE_INFINITY;
        }
        double atKnee = Decibels.ofPower(knee.power / knee.noise);
        return atKnee - knee.slopeDb * (knee.frame - frame) / sampleRateHz;
    }

    /** Slope in dB per second; some thousand points tell as much as all of them. */
    private double slope(int start, int end) {
        int stride = Math.max(1, (end - start) / MOST_POINTS);
        int points = Math.max(2, (end - start) / stride);
        double[] levels = new double[points];
        for (int k = 0; k < points; k++) {
            levels[k] = levelDb(start + k * stride);
        }
        return Line.through(levels, 0, points).slope() * sampleRateHz / stride;
    }

    /** Level re the start, in dB, of the energy that is still to come at a frame. */
    double levelDb(int frame) {
        return frame >= curve.length
                ? Double.NEGATIVE_INFINITY
                : Decibels.ofPower(curve[frame] / curve[0]);
    }

    /** Energy from a frame on, the noise taken off. */
    double energyFrom(int frame) {
        return frame >= curve.length ? 0 : curve[frame];
    }

    /** Centre of gravity of the energy, in seconds from the start; 0 where nothing falls. */
    double centreSeconds() {
        return centre;
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

    private static double[] means(double[] squared, int window) {
        double[] means = new double[squared.length / window];
        for (int i = 0; i < means.length; i++) {
            means[i] = mean(squared, i * window, (i + 1) * window);
        }
        return means;
    }

    private static double mean(double[] values, int from, int to) {
        double sum = 0;
        for (int i = Math.max(0, from); i < to; i++) {
            sum += values[i];
        }
        return to > from ? sum / (to - Math.max(0, from)) : 0;
    }
}

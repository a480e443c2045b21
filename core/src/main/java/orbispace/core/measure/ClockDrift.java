package orbispace.core.measure;

import java.util.function.DoubleUnaryOperator;
import orbispace.core.signal.Fft;

/**
 * By how much the clock of a recorder ran faster than the player's while a sweep was measured: the
 * drift whose undoing makes the response sharpest, by the group delay {@code drift x t(f)} that it
 * gives each frequency.
 */
final class ClockDrift {
    private static final double MOST_DRIFT = 200e-6;
    private static final double DRIFT_STEP = 5e-6;
    private static final int GOLDEN_ROUNDS = 20;
    private static final int PART = 1 << 14;
    private static final int FINE = 4;
    private static final double FINE_SHARE = 0.01;
    private static final int EARLY_FROM = 2;
    private static final int EARLY_TO = 32;

    private final Sweep sweep;
    private final Fft partFft = new Fft(PART);
    private final Fft fineFft = new Fft(FINE * PART);

    ClockDrift(Sweep sweep) {
        this.sweep = sweep;
    }

    /**
     * Grows as energy gathers in few samples; the energy itself stays the same. Between the samples
     * as well, so that it does not matter where on them an arrival falls.
     */
    private double sharpness(double[] part, double drift) {
        // A flat spectrum lies at T on the mean, by its group delay.
        double[] h = java.util.Arrays.copyOf(undone(part, drift, sweep.seconds()), FINE * PART);
        h[1] = 0;
        fineFft.inverse(h);
        double sum = 0;
        for (double v : h) {
            sum += v * v * v * v;
        }
        return sum;
    }

    /** The spectrum of a stretch around the highest peak, in which a drift shows as well. */
    private double[] around(double[] h) {
        int at = 0;
        for (int i = 0; i < h.length; i++) {
            at = Math.abs(h[i]) > Math.abs(h[at]) ? i : at;
        }
        double[] part = new double[PART];
        for (int i = 0; i < PART; i++) {
            part[i] = h[Math.floorMod(at - PART / 2 + i, h.length)];
        }
        partFft.forward(part);
        return part;
    }

    /** The drift of a smeared response, as a share; 0 if undoing any makes it no sharper. */
    double of(double[] response) {
        double[] part = around(response);
        double best = 0;
        double still = sharpness(part, 0);
        double most = still;
        for (double d = -MOST_DRIFT; d <= MOST_DRIFT; d += DRIFT_STEP) {
            double s = sharpness(part, d);
            if (s > most) {
                most = s;
                best = d;
            }
        }
        double found = golden(d -> sharpness(part, d), best - DRIFT_STEP, best + DRIFT_STEP);
        // A response that is no sharper for it had no drift to be undone.
        return sharpness(part, found) > (1 + FINE_SHARE) * still ? refined(part, found) : 0;
    }

    /**
     * The mean of the sharpest drift and of the one at which the least comes before the first
     * arrival, since nothing does in truth. Each is pulled by a few millionths, the one by the
     * chance of a tail's noise, the other by the ringing of a band's edge; that would move the
     * latency.
     */
    private double refined(double[] part, double sharpest) {
        double quiet = golden(d -> -early(part, d), sharpest - DRIFT_STEP, sharpest + DRIFT_STEP);
        return (sharpest + quiet) / 2;
    }

    /** Energy shortly before the highest peak, over that of the peak. */
    private double early(double[] part, double drift) {
        double[] h = java.util.Arrays.copyOf(undone(part, drift, sweep.seconds()), FINE * PART);
        h[1] = 0;
        fineFft.inverse(h);
        int at = 0;
        for (int i = 0; i < h.length; i++) {
            at = Math.abs(h[i]) > Math.abs(h[at]) ? i : at;
        }
        double energy = 0;
        for (int k = FINE * EARLY_FROM; k <= FINE * EARLY_TO; k++) {
            double v = h[Math.floorMod(at - k, h.length)];
            energy += v * v;
        }
        return energy / (h[at] * h[at]);
    }

    private static double golden(DoubleUnaryOperator height, double from, double to) {
        double ratio = (Math.sqrt(5) - 1) / 2;
        double a = from;
        double b = to;
        double c = b - ratio * (b - a);
        double d = a + ratio * (b - a);
        double atC = height.applyAsDouble(c);
        double atD = height.applyAsDouble(d);
        for (int i = 0; i < GOLDEN_ROUNDS; i++) {
            if (atC > atD) {
                b = d;
                d = c;
                atD = atC;
                c = b - ratio * (b - a);
                atC = height.applyAsDouble(c);
            } else {
                a = c;
                c = d;
                atC = atD;
                d = a + ratio * (b - a);
                atD = height.applyAsDouble(d);
            }
        }
        return (a + b) / 2;
    }

    /**
     * Takes the phase out that a drift gives each frequency: {@code s((1 - d) t)} has that of
     * {@code s} less {@code 2 pi d f t(f)}.
     *
     * @param meanwhile seconds of delay per unit of drift that are left in, so that the whole stays
     *     where it is
     */
    double[] undone(double[] spectrum, double drift, double meanwhile) {
        double[] h = spectrum.clone();
        if (drift == 0) {
            return h;
        }
        double growth = sweep.growthSeconds();
        for (int k = 2; k < h.length; k += 2) {
            double hz = k / 2.0 * sweep.sampleRateHz() / h.length;
            if (hz > Sweep.FROM_HZ) {
                double at = growth * Math.log(hz / Sweep.FROM_HZ) - meanwhile;
                double turn = 2 * Math.PI * drift * hz * at;
                double re = h[k] * Math.cos(turn) - h[k + 1] * Math.sin(turn);
                h[k + 1] = h[k] * Math.sin(turn) + h[k + 1] * Math.cos(turn);
                h[k] = re;
            }
        }
        return h;
    }
}

package orbispace.core.measure;

import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Pan;
import orbispace.core.signal.WindowedSpectrum;

/**
 * The energy of a stereo impulse response over logarithmic time and bearing.
 *
 * <p>Rings are equal steps of {@code ln(1 + t / 20 ms)} up to {@link #LONGEST_SECONDS}. A cell of a
 * short spectrum has the bearing that its level ratio has under the constant-power pan law, from
 * -90 (left) to 90 degrees. Levels are energy per millisecond, in dB re the densest ring.
 */
public final class PolarEnergy {
    /** Where the last ring ends. */
    public static final double LONGEST_SECONDS = 6;

    /** Time at which the axis turns from linear to logarithmic. */
    public static final double BEND_SECONDS = 0.02;

    /** Number of rings. */
    public static final int RINGS = 120;

    /** Number of bearing steps from -90 to 90 degrees. */
    public static final int BEARINGS = 61;

    private static final double WINDOW_SECONDS = 0.0106;

    private final double[][] energy = new double[RINGS][BEARINGS];
    private final double[] ringDb = new double[RINGS];

    private PolarEnergy() {}

    /** Radius from 0 to 1 of a time after the dry sound; over 1 beyond the last ring. */
    public static double radius(double seconds) {
        return Math.log1p(Math.max(0, seconds) / BEND_SECONDS)
                / Math.log1p(LONGEST_SECONDS / BEND_SECONDS);
    }

    /** The time at a radius from 0. */
    public static double seconds(double radius) {
        return BEND_SECONDS * Math.expm1(radius * Math.log1p(LONGEST_SECONDS / BEND_SECONDS));
    }

    /** Measures a response that starts with the dry sound. */
    public static PolarEnergy of(Audio response) {
        PolarEnergy polar = new PolarEnergy();
        polar.analyse(response);
        polar.level();
        return polar;
    }

    private void analyse(Audio response) {
        int length =
                Math.max(
                        32,
                        Integer.highestOneBit(
                                (int) (1.4 * WINDOW_SECONDS * response.sampleRateHz())));
        int hop = length / 4;
        WindowedSpectrum left = WindowedSpectrum.hann(length);
        WindowedSpectrum right = WindowedSpectrum.hann(length);
        for (int start = -length + hop; start < response.frames(); start += hop) {
            double seconds = (start + length / 2.0) / response.sampleRateHz();
            int ring = (int) (radius(seconds) * RINGS);
            if (ring >= RINGS) {
                return;
            }
            boolean leftSounds = left.take(response.channel(0), start);
            boolean rightSounds = right.take(response.channel(1), start);
            if (leftSounds || rightSounds) {
                addBins(energy[ring], left, right, length / 2);
            }
        }
    }

    private static void addBins(
            double[] bearings, WindowedSpectrum l, WindowedSpectrum r, int bins) {
        for (int k = 1; k < bins; k++) {
            double el = l.power(k);
            double er = r.power(k);
            if (el + er > 0) {
                double pan = Pan.position(el, er);
                int b = (int) Math.round((pan + 1) / 2 * (BEARINGS - 1));
                bearings[b] += el + er;
            }
        }
    }

    private void level() {
        double most = 0;
        double[] density = new double[RINGS];
        for (int i = 0; i < RINGS; i++) {
            double millis = 1000 * (seconds((i + 1.0) / RINGS) - seconds(i / (double) RINGS));
            density[i] = sum(energy[i]) / millis;
            most = Math.max(most, density[i]);
        }
        for (int i = 0; i < RINGS; i++) {
            ringDb[i] = most <= 0 ? Double.NEGATIVE_INFINITY : Decibels.ofPower(density[i] / most);
        }
    }

    /** Level of a ring in dB re the densest; negative infinity where there is nothing. */
    public double levelDb(int ring) {
        return ringDb[ring];
    }

    /** Level in dB at a time, joined by straight lines between ring centres. */
    public double levelDbAt(double seconds) {
        double at = Math.clamp(radius(seconds) * RINGS - 0.5, 0, RINGS - 1.0);
        int low = (int) at;
        int high = Math.min(RINGS - 1, low + 1);
        double a = Math.max(-120, ringDb[low]);
        double b = Math.max(-120, ringDb[high]);
        return a + (at - low) * (b - a);
    }

    /** Share of a ring's energy at a bearing step, 0 to 1. */
    public double share(int ring, int bearing) {
        double all = sum(energy[ring]);
        return all <= 0 ? 0 : energy[ring][bearing] / all;
    }

    /**
     * The bearings in degrees that hold 90 % of all energy, 5 % cut from either side: low, high.
     */
    public double[] edgesDegrees() {
        double[] total = new double[BEARINGS];
        for (double[] ring : energy) {
            for (int b = 0; b < BEARINGS; b++) {
                total[b] += ring[b];
            }
        }
        double all = sum(total);
        return new double[] {edge(total, 0.05 * all), edge(total, 0.95 * all)};
    }

    /** Energy-weighted mean bearing of a stretch of time, in degrees. */
    public double bearingDegrees(double fromSeconds, double toSeconds) {
        double sum = 0;
        double moment = 0;
        int first = Math.clamp((int) (radius(fromSeconds) * RINGS), 0, RINGS - 1);
        int last = Math.clamp((int) (radius(toSeconds) * RINGS), 0, RINGS - 1);
        for (int i = first; i <= last; i++) {
            for (int b = 0; b < BEARINGS; b++) {
                sum += energy[i][b];
                moment += energy[i][b] * degrees(b);
            }
        }
        return sum <= 0 ? 0 : moment / sum;
    }

    private static double edge(double[] total, double until) {
        double sum = 0;
        for (int b = 0; b < BEARINGS; b++) {
            sum += total[b];
            if (sum >= until && sum > 0) {
                return degrees(b);
            }
        }
        return 0;
    }

    /** Bearing of a step in degrees. */
    public static double degrees(int bearing) {
        return -90 + 180.0 * bearing / (BEARINGS - 1);
    }

    private static double sum(double[] values) {
        double sum = 0;
        for (double v : values) {
            sum += v;
        }
        return sum;
    }
}

package orbispace.core.measure;

import java.util.OptionalDouble;

/**
 * Normalised echo density (Abel and Huang 2006): the share of samples in a window that lie beyond
 * one standard deviation, divided by that of Gaussian noise. 0 for single echoes, 1 when no echo
 * can be told apart any more.
 */
public final class EchoDensity {
    /** The density from which a space counts as dense. */
    public static final double DENSE = 0.9;

    private static final double WINDOW_SECONDS = 0.02;
    private static final double GAUSSIAN = 0.3173;

    private EchoDensity() {}

    /** The density around a frame, with a Hann window of 20 ms; 0 for silence. */
    public static double at(float[] x, int centre, double sampleRateHz) {
        int half = (int) Math.round(WINDOW_SECONDS / 2 * sampleRateHz);
        double weights = 0;
        double power = 0;
        for (int i = -half; i <= half; i++) {
            double w = weight(i, half);
            double y = sample(x, centre + i);
            weights += w;
            power += w * y * y;
        }
        double deviation = Math.sqrt(power / weights);
        double beyond = 0;
        for (int i = -half; i <= half; i++) {
            beyond += Math.abs(sample(x, centre + i)) > deviation ? weight(i, half) : 0;
        }
        return deviation > 0 ? beyond / weights / GAUSSIAN : 0;
    }

    private static double weight(int i, int half) {
        return 0.5 + 0.5 * Math.cos(Math.PI * i / (half + 1));
    }

    private static double sample(float[] x, int i) {
        return i >= 0 && i < x.length ? x[i] : 0;
    }

    /** When the density first reaches {@link #DENSE}, in seconds from the start of the response. */
    public static OptionalDouble denseSeconds(float[] x, double sampleRateHz) {
        int step = (int) Math.max(1, Math.round(0.001 * sampleRateHz));
        for (int centre = 0; centre < x.length; centre += step) {
            if (at(x, centre, sampleRateHz) >= DENSE) {
                return OptionalDouble.of(centre / sampleRateHz);
            }
        }
        return OptionalDouble.empty();
    }
}

package orbispace.core.signal;

import java.util.ArrayList;
import java.util.List;

/**
 * Butterworth low-pass and high-pass cascades by the bilinear transform with prewarping, and bells
 * and shelves after R. Bristow-Johnson's audio equaliser cookbook.
 *
 * <p>Corner frequencies are cut to 1 Hz .. 0.49 of the sample rate.
 */
public final class FilterDesign {
    private FilterDesign() {}

    /** Low-pass of 1 to 8 poles (6 dB per octave each). */
    public static List<Biquad> lowPass(double hz, int poles, double sampleRateHz) {
        return butterworth(hz, poles, sampleRateHz, false);
    }

    /** High-pass of 1 to 8 poles (6 dB per octave each). */
    public static List<Biquad> highPass(double hz, int poles, double sampleRateHz) {
        return butterworth(hz, poles, sampleRateHz, true);
    }

    /**
     * Band-pass made of a Butterworth prototype of the given order: {@code order} poles on either
     * side.
     */
    public static List<Biquad> bandPass(
            double lowHz, double highHz, int order, double sampleRateHz) {
        return BandPassDesign.design(lowHz, highHz, order, sampleRateHz);
    }

    /** Bell with gain in dB at its centre. */
    public static Biquad bell(double hz, double gainDb, double q, double sampleRateHz) {
        double a = Math.pow(10, gainDb / 40);
        double w = angle(hz, sampleRateHz);
        double alpha = Math.sin(w) / (2 * q);
        double cos = Math.cos(w);
        return normalised(
                1 + alpha * a, -2 * cos, 1 - alpha * a, 1 + alpha / a, -2 * cos, 1 - alpha / a);
    }

    /** Low shelf, slope 1, with gain in dB far below the corner. */
    public static Biquad lowShelf(double hz, double gainDb, double sampleRateHz) {
        return shelf(hz, gainDb, sampleRateHz, 1);
    }

    /** High shelf, slope 1, with gain in dB far above the corner. */
    public static Biquad highShelf(double hz, double gainDb, double sampleRateHz) {
        return shelf(hz, gainDb, sampleRateHz, -1);
    }

    /** Magnitude in dB of a cascade. */
    public static double magnitudeDb(List<Biquad> cascade, double hz, double sampleRateHz) {
        double sum = 0;
        for (Biquad section : cascade) {
            sum += section.magnitudeDb(hz, sampleRateHz);
        }
        return sum;
    }

    /**
     * The cookbook's two shelves are mirror images: {@code side} 1 gives the low one, -1 the high
     * one.
     */
    private static Biquad shelf(double hz, double gainDb, double sampleRateHz, int side) {
        double a = Math.pow(10, gainDb / 40);
        double w = angle(hz, sampleRateHz);
        double cos = side * Math.cos(w);
        double beta = 2 * Math.sqrt(a) * Math.sin(w) / Math.sqrt(2);
        return normalised(
                a * ((a + 1) - (a - 1) * cos + beta),
                side * 2 * a * ((a - 1) - (a + 1) * cos),
                a * ((a + 1) - (a - 1) * cos - beta),
                (a + 1) + (a - 1) * cos + beta,
                side * -2 * ((a - 1) + (a + 1) * cos),
                (a + 1) + (a - 1) * cos - beta);
    }

    private static List<Biquad> butterworth(
            double hz, int poles, double sampleRateHz, boolean high) {
        if (poles < 1 || poles > 8) {
            throw new IllegalArgumentException(poles + " poles are outside 1 to 8");
        }
        double k = Math.tan(angle(hz, sampleRateHz) / 2);
        List<Biquad> sections = new ArrayList<>();
        if (poles % 2 == 1) {
            double n = 1 / (1 + k);
            sections.add(
                    high
                            ? new Biquad(n, -n, 0, (k - 1) * n, 0)
                            : new Biquad(k * n, k * n, 0, (k - 1) * n, 0));
        }
        for (int i = 0; i < poles / 2; i++) {
            double q = 1 / (2 * Math.sin(Math.PI * (2 * i + 1) / (2.0 * poles)));
            double n = 1 / (1 + k / q + k * k);
            double b = high ? n : k * k * n;
            sections.add(
                    new Biquad(
                            b,
                            high ? -2 * b : 2 * b,
                            b,
                            2 * (k * k - 1) * n,
                            (1 - k / q + k * k) * n));
        }
        return List.copyOf(sections);
    }

    private static double angle(double hz, double sampleRateHz) {
        return 2 * Math.PI * Math.clamp(hz, 1, 0.49 * sampleRateHz) / sampleRateHz;
    }

    private static Biquad normalised(
            double b0, double b1, double b2, double a0, double a1, double a2) {
        return new Biquad(b0 / a0, b1 / a0, b2 / a0, a1 / a0, a2 / a0);
    }
}

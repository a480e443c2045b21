package orbispace.core.signal;

import java.util.ArrayList;
import java.util.List;

/**
 * Butterworth low-pass and high-pass cascades, and bells and shelves as R. Bristow-Johnson's audio
 * equaliser cookbook has them in the analogue, each within 0.7 dB of its analogue curve to 18 kHz
 * at 44.1 kHz and more ({@link MatchedDesign}).
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
        if (gainDb < 0) {
            return MatchedDesign.inverse(bell(hz, -gainDb, q, sampleRateHz));
        }
        double a = Math.pow(10, gainDb / 40);
        double w = angle(hz, sampleRateHz);
        return MatchedDesign.section(
                w, a * q, x -> resonance(x / w, a / q) / resonance(x / w, 1 / (a * q)), w);
    }

    /** Power of {@code s^2 + s / q + 1}. */
    private static double resonance(double x, double overQ) {
        return Math.pow(1 - x * x, 2) + Math.pow(x * overQ, 2);
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

    /** The shelf that lifts lows or cuts highs; those of the other sign undo it. */
    private static Biquad shelf(double hz, double gainDb, double sampleRateHz, int side) {
        if (side * gainDb < 0) {
            return MatchedDesign.inverse(shelf(hz, -gainDb, sampleRateHz, side));
        }
        double a = Math.pow(10, Math.abs(gainDb) / 40);
        double w = angle(hz, sampleRateHz);
        double poles = w / Math.sqrt(a);
        double level = side > 0 ? 1 : 1 / Math.pow(a, 4);
        return MatchedDesign.section(poles, Math.sqrt(0.5), x -> level * lift(x / w, a), w);
    }

    /** Power of the cookbook's low shelf of slope 1 that lifts. */
    private static double lift(double x, double a) {
        double top = Math.pow(a - x * x, 2) + 2 * a * x * x;
        double bottom = Math.pow(1 - a * x * x, 2) + 2 * a * x * x;
        return a * a * top / bottom;
    }

    private static List<Biquad> butterworth(
            double hz, int poles, double sampleRateHz, boolean high) {
        if (poles < 1 || poles > 8) {
            throw new IllegalArgumentException(poles + " poles are outside 1 to 8");
        }
        double w = angle(hz, sampleRateHz);
        List<Biquad> sections = new ArrayList<>();
        if (poles % 2 == 1) {
            sections.add(MatchedDesign.one(w, high));
        }
        for (int i = 0; i < poles / 2; i++) {
            double q = 1 / (2 * Math.sin(Math.PI * (2 * i + 1) / (2.0 * poles)));
            sections.add(
                    high
                            ? MatchedDesign.highPass(w, q)
                            : MatchedDesign.section(w, q, x -> 1 / resonance(x / w, 1 / q), w));
        }
        return List.copyOf(sections);
    }

    private static double angle(double hz, double sampleRateHz) {
        return 2 * Math.PI * Math.clamp(hz, 1, 0.49 * sampleRateHz) / sampleRateHz;
    }
}

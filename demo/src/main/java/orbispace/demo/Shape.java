package orbispace.demo;

import java.util.List;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;

/** Filters and curves that several instruments use. */
final class Shape {
    static final double RATE = 48000;

    private Shape() {}

    /** Butterworth band-pass; the order is that of its prototype. */
    static float[] bandPass(float[] x, double lowHz, double highHz, int order) {
        return filtered(x, FilterDesign.bandPass(lowHz, highHz, order, RATE));
    }

    static float[] lowPass(float[] x, double hz, int poles) {
        return filtered(x, FilterDesign.lowPass(hz, poles, RATE));
    }

    static float[] highPass(float[] x, double hz, int poles) {
        return filtered(x, FilterDesign.highPass(hz, poles, RATE));
    }

    static float[] filtered(float[] x, List<Biquad> sections) {
        float[] y = x.clone();
        new Cascade(sections).process(y, y, 0, y.length);
        return y;
    }

    /** Adds a sound times a gain. */
    static void add(float[] into, float[] sound, double gain) {
        for (int i = 0; i < into.length; i++) {
            into[i] += (float) (gain * sound[i]);
        }
    }

    static void scale(float[] x, double gain) {
        for (int i = 0; i < x.length; i++) {
            x[i] *= (float) gain;
        }
    }

    /** White noise of a level in dBFS (mean square) over all frames. */
    static void addFloor(float[] into, Chance chance, double levelDb) {
        add(into, chance.white(into.length), Math.pow(10, levelDb / 20));
    }

    /** Rises from 0 to 1 as half a cosine. */
    static double raisedCosine(double share) {
        return 0.5 - 0.5 * Math.cos(Math.PI * Math.clamp(share, 0, 1));
    }

    /** Decay with a time for 60 dB. */
    static double decay(double seconds, double t60) {
        return Math.pow(10, -3 * seconds / t60);
    }

    /** Joins points (x ascending) by straight lines. */
    static double through(double x, double... points) {
        if (x <= points[0]) {
            return points[1];
        }
        for (int i = 2; i < points.length; i += 2) {
            if (x <= points[i]) {
                double share = (x - points[i - 2]) / (points[i] - points[i - 2]);
                return points[i - 1] + share * (points[i + 1] - points[i - 1]);
            }
        }
        return points[points.length - 1];
    }
}

package orbispace.core.dynamics;

import orbispace.core.signal.Biquad;
import orbispace.core.signal.FilterDesign;

/**
 * The part of the spectrum in which a ducker acts: a first-order band whose sound is taken away
 * again, so that at rest nothing is changed and at work it is a dip as deep as the ducker's gain.
 *
 * @param lowHz lower edge, where half of the power is in the band, 20 to 10,000
 * @param highHz upper edge, at least a third of an octave higher, to 20,000
 */
public record DuckBand(double lowHz, double highHz) {
    /** Least ratio of the edges. */
    public static final double LEAST_RATIO = 1.25;

    /** Checks the ranges. */
    public DuckBand {
        GainComputer.require("lower edge of the duck band", lowHz, 20, 10000);
        GainComputer.require("upper edge of the duck band", highHz, LEAST_RATIO * lowHz, 20000);
    }

    /** The section that passes the band. */
    Biquad section(double sampleRateHz) {
        double high = Math.min(highHz, 0.45 * sampleRateHz);
        return FilterDesign.bandPass(Math.min(lowHz, high / LEAST_RATIO), high, 1, sampleRateHz)
                .getFirst();
    }

    /** Power gain at a frequency while the band's own gain has a power of {@code power}. */
    public double powerAt(double hz, double power) {
        double outside = outsideAt(hz);
        return outside + (1 - outside) * power;
    }

    /** The share of the power at a frequency that the ducker does not reach, 0 to 1. */
    public double outsideAt(double hz) {
        double middle = Math.sqrt(lowHz * highHz);
        double off = middle / (highHz - lowHz) * (hz / middle - middle / hz);
        return off * off / (1 + off * off);
    }
}

package orbispace.core.dynamics;

import org.jspecify.annotations.Nullable;

/**
 * A ducker's curve and times. A time is that to 1 - 1/e of the change, in dB.
 *
 * @param curve level of the key to gain reduction
 * @param attackSeconds 0.0005 to 1
 * @param holdSeconds how long a reduction stands after the key fell, 0 to 2
 * @param releaseSeconds 0.005 to 5
 * @param band where it acts; null for everywhere
 */
public record DuckerSettings(
        GainComputer curve,
        double attackSeconds,
        double holdSeconds,
        double releaseSeconds,
        @Nullable DuckBand band) {
    /** A ducker that acts everywhere. */
    public DuckerSettings(
            GainComputer curve, double attackSeconds, double holdSeconds, double releaseSeconds) {
        this(curve, attackSeconds, holdSeconds, releaseSeconds, null);
    }

    /** Checks the ranges. */
    public DuckerSettings {
        GainComputer.require("attack", attackSeconds, 0.0005, 1);
        GainComputer.require("hold", holdSeconds, 0, 2);
        GainComputer.require("release", releaseSeconds, 0.005, 5);
    }
}

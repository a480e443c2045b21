package orbispace.core.dynamics;

/**
 * A gate.
 *
 * @param thresholdDb key peak at which it opens, -90 to 0 dBFS
 * @param hysteresisDb how far under that the key must fall before it may close, 0 to 40
 * @param rangeDb how far it closes, 0 to 120; from 100 on it closes to silence
 * @param attackSeconds time to open fully, 0.0001 to 0.5
 * @param holdSeconds how long it stays open, 0 to 30
 * @param releaseSeconds time in which it falls by 40 dB, 0.001 to 5
 * @param timed true if the hold counts from the hit, whatever the key does after it; false if it
 *     counts from when the key has fallen
 */
public record GateSettings(
        double thresholdDb,
        double hysteresisDb,
        double rangeDb,
        double attackSeconds,
        double holdSeconds,
        double releaseSeconds,
        boolean timed) {
    /** Checks the ranges. */
    public GateSettings {
        GainComputer.require("gate threshold", thresholdDb, -90, 0);
        GainComputer.require("gate hysteresis", hysteresisDb, 0, 40);
        GainComputer.require("gate range", rangeDb, 0, 120);
        GainComputer.require("gate attack", attackSeconds, 0.0001, 0.5);
        GainComputer.require("gate hold", holdSeconds, 0, 30);
        GainComputer.require("gate release", releaseSeconds, 0.001, 5);
    }

    /**
     * The hold that makes a gate end a set time after the hit: what attack and release leave of it,
     * never negative.
     */
    public static double holdSeconds(double length, double attack, double release) {
        return Math.max(0, length - attack - release);
    }
}
